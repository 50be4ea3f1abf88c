/** What ui/job/job-views says to people, in English. */
export const say = {
  nextTest: "Next test",
  next: "Next",
  codesAndSigns: "Codes and signs",
  codes: "Codes",
  serviceModes: "Service modes",
  modes: "Modes",
  serviceTests: "Service tests",
  tests: "Tests",
};
