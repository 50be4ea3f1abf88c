/** What core/model/family/dishwasher says to people, in English. */
export const say = {
  name: "Dishwasher",
  circulationPump: "Circulation pump",
  dispenser: "Dispenser",
  levelSwitch: "Level switch",
  floodSwitch: "Flood switch",
  waterSensor: "Water sensor",
  basePanel: "Base panel",
  wash: { name: "Washing, water in", how: "Start a hot wash; wait until the water is in." },
  fill: { name: "Filling, empty", how: "Start a wash with an empty sump." },
  full: { name: "Filling, water in", how: "Start a wash; wait until the water is in: the valve must have shut." },
  drain: { name: "Draining", how: "Start the drain from the service mode, water in." },
  dispense: { name: "Dispensing", how: "Run the dispenser from the service mode." },
  flood: { name: "Water in the base", how: "Lift the flood float by hand: it must not fill." },
  caution: "Hot water and steam: let it cool. The heater without water burns.",
  door: {
    ask: "What does the door switch do?",
    choices: { line: "It cuts the line to all loads", board: "It tells the board" },
  },
  askFloat: "Is there a float in the base?",
  askDispenser: "Has it a dispenser?",
};
