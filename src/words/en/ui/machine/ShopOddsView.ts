import { plural } from "../../plural";

/** What ui/machine/ShopOddsView says to people, in English. */
export const say = {
  reading: "Reading what this shop has seen…",
  howItFails: "How it fails",
  closedRepairs: (count: number) => `${count} closed ${plural(count, "repair", "repairs")} here.`,
  anewSince: (day: string) => `Learned anew since ${day}.`,
  whatCounts:
    "A cause counts in full where the part was found bad or the old part brought the fault back, and less where it" +
    " only works since. A repair that did not last does not count.",
  nothingYet: "Nothing was learned yet: what the file says is used.",
  cause: "Cause",
  fileSaid: "File says",
  seenHere: "Seen here",
  usedNow: "Used now",
  never: "never",
  elsewhere: (times: string) => `such parts failed ${times} times as often as usual in your other machines`,
  beginAnew: "Begin anew with the file",
  whatAnewDoes: "Closed jobs stay as they are; jobs that are open keep the odds they were begun with.",
};
