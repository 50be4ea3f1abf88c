/** What ui/job/DiffersDialog says to people, in English. */
export const say = {
  sayWhatIsDifferentType: "Say what is different: type at least one rating.",
  differsFromTheFile: "Differs from the file",
  whatWasFound: "What was found",
  aBridgedSafetyDeviceThe:
    "A bridged safety device: the machine must not run like this. Note it, put one in before the job is closed closed.",
  itIsSoOnThis: "It is so on this unit",
  aPartSitsInA: "A part sits in a lead",
  aPartIsAnotherOne: "A part is another one",
  aPartIsNotThere: "A part is not there",
};
