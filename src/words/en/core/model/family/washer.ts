/** What core/model/family/washer says to people, in English. */
export const say = {
  name: "Washer",
  coldValve: "Cold inlet valve",
  hotValve: "Hot inlet valve",
  motorProtector: "Motor protector",
  lidSwitch: "Lid switch",
  levelSwitch: "Level switch",
  waterSensor: "Water sensor",
  wash: { name: "Washing, water in", how: "Start a warm wash; wait until the water is in and the drum turns." },
  fill: { name: "Filling, tub empty", how: "Start a wash with an empty tub." },
  full: { name: "Filling, water in", how: "Start a wash; wait until the water is in: the valve must have shut." },
  drain: { name: "Draining", how: "Start the drain from the service mode, water in." },
  spin: { name: "Spinning", how: "Start a spin, tub empty." },
  noWater: {
    name: "Washing, no water",
    how: "Tap shut: start a warm wash from the service mode. The heater must stay off.",
  },
  caution: "Empty the tub before a hose comes off. A warm heater without water burns.",
  door: {
    ask: "What keeps the door shut?",
    choices: { lock: "An electric lock", switch: "Nothing: a lid switch only" },
  },
  valves: { ask: "Inlet valves", choices: { "1": "One: cold", "2": "Two: cold and hot" } },
  motor: {
    ask: "Drum motor",
    choices: { plain: "Straight from the board", "cut-off": "Through a motor protector" },
  },
  askHeater: "Does it heat its water?",
};
