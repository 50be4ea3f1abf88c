/** What core/model/kinds/insulation says to people, in English. */
export const say = {
  rubbedThroughWiresTouch: "rubbed through, wires touch",
  bareCopperWhereTheWires: "bare copper where the wires rub",
  unpluggedAtBothEndsOhms: "Unplugged at both ends: ohms between the two wires, overload if they are apart.",
};
