/** What core/sleep-current says to people, in English. */
export const say = {
  linesCannotBeRead: (count: number, line: number, words: string) =>
    `${count} lines of this file cannot be read; the first is line ${line}: "${words}".`,
  commaEitherWay:
    "Every comma of this file could be a decimal mark or part thousands: 1,500 is 1500 or 1.5. Save it with a point for decimals.",
  noLineOfThisFile: "No line of this file holds numbers only. A log is a column of times and one of currents.",
  fewerThanTwoSamplesCould: "Fewer than two samples could be read from this file.",
  oneASecond: "one a second",
  decimalComma: ", decimal comma",
  samplesCurrentInFromColumn: (samples: number, current: string, ampColumn: number, time: string, part: string) =>
    `${samples} samples; current in ${current} from column ${ampColumn}, ${time}${part}.`,
  thisLoggerShowsStepsOf: (show: string, show2: string, show3: string) =>
    `This logger shows steps of ${show}; for a limit of ${show2} it takes ${show3}.`,
  sinceTheClipWasLost: " since the clip was lost",
  tooShortItMayTake: (time: string, time2: string, part: string) =>
    `Too short: it may take ${time} to fall asleep, and ${time2} were logged${part}.`,
  itNeverFallsAsleep: "It never falls asleep.",
  itSleepsButDrawsWhere: (show: string, show2: string) => `It sleeps, but draws ${show} where ${show2} is allowed.`,
  itSleepsOnlyAfter: (time: string) => `It sleeps only after ${time}.`,
  itWakesUpTooOften: (show: string) => `It wakes up too often: ${show} on average.`,
  notTheDrainAsSeen: (time: string) =>
    `This unit is not the drain, as far as it was seen: for ${time} nothing was logged, and it may have woken then.`,
  thisUnitIsNotThe: "This unit is not the drain.",
};
