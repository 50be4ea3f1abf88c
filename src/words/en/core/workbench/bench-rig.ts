/** What core/workbench/bench-rig says to people, in English. */
export const say = {
  magnetHeld: "magnet held",
  noMagnet: "no magnet",
  modeMode: (mode: string) => `Mode: ${mode}`,
  powerOff: "Power off",
  everyLampGoesDark: "Every lamp goes dark.",
  powerOffWaitTenSeconds: "Power off, wait ten seconds, on again",
  isNoBoardWithOutputs: (board: string) => `${board} is no board with outputs`,
  goodBoard: "Good board",
  feedVThroughAnIsolating: (volts: number, watts: number, fuseratings: number) =>
    `Feed: ${volts} V through an isolating transformer of ${watts} VA or more, and a fuse of ${fuseratings} A slow.`,
  nameAVoltsVWatts: (name: string, volts: number, watts: number, part: string) =>
    `${name}: a ${volts} V, ${watts} W lamp${part}.`,
  groundTheBoardsOwnGround:
    "Ground: the board's own ground is the reference of its low side only; join it to nothing else.",
  groundNoneThisBoardsGround: "Ground: none. This board's ground is mains: no earthed instrument, no second hand.",
  isolatingTransformerFuseAndA:
    "Isolating transformer, fuse and a switch within reach; the board on an insulating mat, nothing touched while it is fed.",
  notIsolatedBehindTheTransformer: "Not isolated: behind the transformer too, two points touched at once can kill.",
  coilVoltsAtTheRelay: "Coil volts at the relay: there, it is the relay; not there, its driver.",
  measureItsLowRailAgainst:
    "Measure its low rail against the board's own ground: not there, the supply; there, the controller.",
  makeTheFirstStepAnd: "Make the first step and log what the lamps do.",
  goodBoard2: "Good board.",
  soFarAsAGood: "So far as a good board would do.",
  whichAGoodBoardDoes: (odd: string) => `${odd}, which a good board does not do.`,
  everyLampDidWhatA: "Every lamp did what a good board makes it do.",
};
