/** What ui/job/NextTest says to people, in English. */
export const say = {
  logTheSleepCurrent: "Log it until it sleeps",
  iRepairBoardsGoOn: "I repair boards: go on inside",
  likely: "Likely, unproven",
  whatToDoAboutIt: "What to do about it",
  closeWithADiagnosis: "Close with a diagnosis",
  measureSomethingElse: "Measure something else",
  underAMinute: "under a minute",
  backToAdvice: "back to advice",
  iMeasuredSomethingElse: "I measured something else",
  whyThisTest: "Why this test",
  provokeIt:
    "It comes and goes: min/max on. Flex the wires, tap, swing the door, warm and cool what lies between the leads. " +
    "Enter the worst reading. Hands off what moves.",
  provokeItLive:
    "It comes and goes: min/max on, leads clipped on with the power off. No hand among live wires: " +
    "swing the door, start and stop it, wait. Enter the worst reading.",
  compressorRestartDelay: "Compressor restart delay:",
  beforeThisStartsItAgain: "before this starts it again.",
  expected: "expected",
  instead: "Instead",
  costsNoMoreOnThe: "costs no more on the whole",
  costsMinMoreOnThe: (max: number) => `costs ${max} min more on the whole`,
  meter: "Meter",
  rangeOrAuto: (range: string) => `, ${range} range or auto`,
  whatEachResultWouldMean: "What each result would mean",
  noClearSuspect: "no clear suspect",
  asExpected: "(as expected)",
  endOfTheSearch: "End of the search",
  yourTest: "Your test",
  beforeItIsBlamed: "Before it is blamed",
};
