/** What core/repair/look-over says to people, in English. */
type Row = readonly (readonly [words: string, expected: string])[];
type Rows = Readonly<
  Record<
    "refrigerator" | "washer" | "dishwasher" | "dryer" | "ice machine" | "vending machine" | "powered equipment",
    Row
  >
>;
const laidUp: Rows = {
  refrigerator: [
    ["Emptied, defrosted, drain and pan dry", "dry"],
    ["Plug out, cord tied up; gas and battery shut off where it has them", "no source left"],
    ["Door wedged a hand's breadth open", "open"],
    ["Tag on it: laid up, by whom, when", "tag on it"],
  ],
  washer: [
    ["Tap shut, hoses off and empty", "empty"],
    ["Sieve, pump and tub drained: what stays freezes", "no water left"],
    ["Plug out, door ajar, tag on it", "tag on it"],
  ],
  dishwasher: [
    ["Tap shut, hoses off and empty", "empty"],
    ["Sump, booster and softener drained: what stays freezes", "no water left"],
    ["Plug out, door ajar, tag on it", "tag on it"],
  ],
  dryer: [
    ["Lint out of filter, duct and drum housing", "clean"],
    ["Gas cock shut where it has one; plug out", "no source left"],
    ["Tag on it: laid up, by whom, when", "tag on it"],
  ],
  "ice machine": [
    ["Water shut, trough and lines drained", "no water left"],
    ["Bin and trough sanitised and dry", "dry"],
    ["Plug out, tag on it", "tag on it"],
  ],
  "vending machine": [
    ["Goods and money out; counters and settings noted", "empty"],
    ["Water drained, food parts clean and dry where it has them", "dry"],
    ["Plug out, door locked, tag on it", "tag on it"],
  ],
  "powered equipment": [
    ["Batteries half to fully charged, their leads off; packs out", "no source left"],
    ["Moving parts lowered, blocked and locked", "nothing can move"],
    ["Dry and covered, tag on it: laid up, by whom, when", "tag on it"],
  ],
};
const intoService: Rows = {
  refrigerator: [
    ["Transport locks out, level, room for air at its vents", "level, vents free"],
    ["Upright for as long as it lay before it is started", "stood long enough"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  washer: [
    ["Transport bolts out, level, stands on all feet", "level"],
    ["Hoses new or sound, tight under pressure; drain at its height", "no drip"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  dishwasher: [
    ["Level, nothing in the arms' way", "level"],
    ["Hoses tight under pressure; drain at its height", "no drip"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  dryer: [
    ["Level; duct short, clear, of metal, flap moves", "clear"],
    ["Gas by the licensed trade, tight; cock reached", "tight"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  "ice machine": [
    ["Level; water filter flushed, drain runs free", "runs free"],
    ["Sanitised; ice of the first two cycles thrown away", "thrown away"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  "vending machine": [
    ["Level, cannot tip; lock works", "stands firm"],
    ["Clock, prices, change filled; settings as the site wants them", "set"],
    ["Supply as its plate says: volts, hertz, fuse, earth", "as the plate"],
  ],
  "powered equipment": [
    ["Transport locks and blocks out, guards on", "guards on"],
    ["Batteries charged, leads tight and on the right pole", "charged"],
    ["Emergency stop, guards and stops tried before the first load", "each stops it"],
  ],
};

export const say = {
  laidUp,
  intoService,
  readItAgain: "Leave the menu or close the cover, then read it again.",
  shows: (words: string) => `shows ${words}`,
  nothingElseChanged: "What ran before runs",
  whatRanBefore: "One everyday use from beginning to end.",
  asBefore: "as before",
  plate: "Plate",
  plateLegible: "Legible; code, volts, hertz, refrigerant or gas as the papers have them.",
  asTheFile: (name: string) => `${name}`,
  cord: "Cord, plug and strain relief",
  cordWhole: "No cut, no tape, no brown pin.",
  whole: "whole",
  coversAndScrews: "Covers and screws",
  everyCover: "Every cover, every screw, each of its kind.",
  allThere: "all there",
  readItsPrint: "Read its print.",
  nothingBridged: "Nothing that protects is bridged",
  noneBridged: "none bridged",
  rightCutOffs: "Cut-offs of the right temperature",
  jointsAndCoating: "Joints, tracks, coating, scratches, swollen parts, wrong ratings, missing spacers.",
  numberAndSound: (number: string) => `${number}, sound`,
  sound: "sound",
  plugs: (names: string) => `Plugs: ${names}`,
  latchedAndHeld: "Latched, no pin pushed back, no scorch.",
  allLatched: "all latched",
  wires: "Wires",
  noEdgeNoHeat: "None over an edge, at heat or in the way of what moves.",
  held: "held and free",
};
