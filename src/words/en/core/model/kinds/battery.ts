/** What core/model/kinds/battery says to people, in English. */
export const say = {
  weakBreaksDownUnderLoad: "weak, breaks down under load",
  cellOrTerminalOpen: "cell or terminal open",
  greenOrWhiteCrustOn: "green or white crust on the terminals",
  aBatteryHasNoSwitch: "A battery has no switch: no rings, no spanner across it. Its black lead comes off first.",
  atRestThenUnderIts: "At rest, then under its load: volts at its own posts.",
};
