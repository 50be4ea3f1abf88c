/** What ui/waits says to people, in English. */
export const say = {
  waitingFor: "Waiting for",
  wait: "Wait",
  begin: "Wait for something",
  whatFor: "What for",
  howLong: "How long",
  howLongHint: "20 min, 1:30, 2 h, 3 days",
  cannotRead: "Type a time: 20 min, 1:30, 2 h, 3 days. At most 90 days.",
  sayWhat: "Say what is waited for.",
  mayOneLeave: "May one go away meanwhile?",
  of: "Of",
  thisJob: "this job",
  noJob: "no job",
  start: "Start",
  all: (n: number) => `All ${n}`,
  due: "due",
  overdue: (clock: string) => `overdue ${clock}`,
  done: "Done",
  doneOf: (words: string) => `Done: ${words}`,
  later: "10 min more",
  laterOf: (words: string) => `10 minutes more: ${words}`,
  nothing: "Nothing is waited for.",
  more: (n: number) => `${n} more are not shown.`,
  muted: "Sound off",
  loud: "Sound on",
  notify: "Notify me",
  notifying: "You are notified.",
  notAllowed: "This browser does not allow notifications.",
  rings: (words: string) => `${words}: due`,
  close: "Close",
};

/** How one may leave what waits. */
export const CARE_WORDS = {
  leave: "Safe to leave",
  watch: "Stay in sight",
  locked: "Off and locked",
};
export const CARE_MEANS = {
  leave: "covers on, nothing starts by itself",
  watch: "live, open, hot, or it may start",
  locked: "power off, your lock on it",
};

/** What is usually waited for: how long, and how one may leave it. Times from memory; the label or the file says better. */
export const USUAL_WAITS = [
  { id: "dry", words: "Contact dries", time: "10 min", care: "locked" },
  { id: "defrost", words: "Defrost runs", time: "25 min", care: "watch" },
  { id: "rest", words: "Compressor rests", time: "5 min", care: "watch" },
  { id: "log", words: "Log runs", time: "24 h", care: "leave" },
  { id: "part", words: "Part on order", time: "3 days", care: "locked" },
  { id: "yes", words: "The customer's yes", time: "1 day", care: "leave" },
  { id: "call", words: "Call back", time: "2 h", care: "leave" },
] as const;
