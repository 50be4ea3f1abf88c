/** What core/repair/earlier-repair says to people, in English. */
interface Row {
  /** What is looked at. */
  readonly what: string;
  readonly how: string;
  readonly expected: string;
  /** What comes of it where it is not so; kept as the result, which is short. */
  readonly consequence: string;
}

export const say = {
  joints: {
    what: "joints",
    how: "Under a lens: shiny or evenly matt, filled, no ring round the pin, no pad lifted, no braid left.",
    expected: "whole",
    consequence: "A cracked joint works on the bench and opens warm, at the customer.",
  } as Row,
  coating: {
    what: "coating",
    how: "Varnish back over every place that was soldered; flux washed off.",
    expected: "whole",
    consequence: "Bare places draw damp: leakage, false key presses, corroded tracks.",
  } as Row,
  scratches: {
    what: "tracks and scratches",
    how: "No scratch through the mask, no wire in place of a track without its reason, no bridge between pins.",
    expected: "none",
    consequence: "A scratched track burns under load, or opens at the next bend.",
  } as Row,
  rating: {
    what: "rating",
    how: "Read its print: volts, amperes, temperature, against the file.",
    expected: "as the file",
    consequence: "A weaker part fails again, hotter; a larger fuse protects nothing.",
  } as Row,
  lamps: {
    what: "lamps",
    how: "Colour and place as on the drawing, each as bright as its neighbour.",
    expected: "as drawn",
    consequence: "A lamp of another colour or volts is misread; its resistor runs hot.",
  } as Row,
  shared: {
    what: "shared by several lamps",
    how: "Its ohms read dead, one end free; every lamp behind it of one kind.",
    expected: "as the file",
    consequence: "One lamp of another kind changes the light of all behind it.",
  } as Row,
  screws: {
    what: "screws and stand-offs",
    how: "All there, each of its length, earth under its washer.",
    expected: "all there",
    consequence: "No stand-off: it touches metal. A long screw: a track. An earth is open.",
  } as Row,
  seal: {
    what: "seal",
    how: "Gasket in its groove, no wire under the edge, no gap.",
    expected: "tight",
    consequence: "Water, steam or lint gets in, and the next fault comes of it.",
  } as Row,
  coil: (volts: string) => `coil ${volts}`,
};
