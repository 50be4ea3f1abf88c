const SECONDS = { s: 1, m: 60, h: 3600, d: 86_400, w: 604_800 } as const;
const PART = /(\d+(?:[.,]\d+)?)\s*(sec[a-z]*|s|min[a-z]*|m|hours?|h|days?|d|weeks?|w)?/gy;

/**
 * A time as one types it, seconds: `20` or `20 min`, `1 h 30`, `1:30` for hours and minutes, `3 days`, `1 w`. A bare
 * number is minutes. Null for what is none, and for nothing at all.
 */
export function readWaitTime(typed: string): number | null {
  const text = typed.trim().toLowerCase();
  const clock = /^(\d{1,3}):([0-5]\d)$/.exec(text);
  if (clock) return positive(Number(clock[1]) * 3600 + Number(clock[2]) * 60);
  let [at, seconds] = [0, 0];
  let unit: keyof typeof SECONDS | undefined;
  while (at < text.length) {
    PART.lastIndex = at;
    const part = PART.exec(text);
    if (!part) return null;
    // After hours a bare number is minutes too; after anything else it says nothing.
    if (part[2] === undefined && unit !== undefined && unit !== "h") return null;
    unit = (part[2]?.[0] ?? "m") as keyof typeof SECONDS;
    seconds += Number(part[1]!.replace(",", ".")) * SECONDS[unit];
    at = PART.lastIndex;
    while (text[at] === " ") at++;
  }
  return positive(Math.round(seconds));
}

const positive = (seconds: number) => (seconds > 0 ? seconds : null);
