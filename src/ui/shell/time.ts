const CLOCK = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });
const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long" });

const DATE = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long", year: "numeric" });

const SHORT = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" });

/** Day of an ISO moment with its year, for lists that go back for years. */
export function shortDate(iso: string): string {
  return SHORT.format(new Date(iso));
}

/** Time of day of an ISO moment, 24 hours. */
export function clockTime(iso: string): string {
  return CLOCK.format(new Date(iso));
}

/** Day of an ISO moment, in words. */
export function dayName(iso: string): string {
  return DAY.format(new Date(iso));
}

/** Day of an ISO moment with its year, for what is printed and kept. */
export function dateWithYear(iso: string): string {
  return DATE.format(new Date(iso));
}

/** Seconds as minutes and seconds: 4:05. */
export const clockOf = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;

/** Whether two moments are of one day, by the clock of this device. */
export const isSameDay = (a: string, b: string) => SHORT.format(new Date(a)) === SHORT.format(new Date(b));
