/** What ui/repair/CircuitChoice says to people, in English. */
export const say = {
  newJoint: (n: number) => `A new joint, ${n}`,
  liesFree: "Nowhere: it lies free, insulated",
  whichBoard: "Which board",
  whatIsBuiltIn: "What is built in",
  called: "Called",
  goesTo: (terminal: string) => `${terminal} goes to`,
  from: "From",
  to: "To",
  size: "Size",
  sizeHint: "4 mm2 or 12 AWG",
  colour: "Colour",
  leadOf: "A lead of",
  itsTerminal: "At its terminal",
  onto: "Goes onto",
};
