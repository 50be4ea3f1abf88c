/** What core/model/family/refrigerator says to people, in English. */
export const say = {
  name: "Refrigerator or freezer",
  fan: "Evaporator fan",
  defrostHeater: "Defrost heater",
  defrostThermostat: "Defrost thermostat",
  freezerSensor: "Freezer sensor",
  fridgeSensor: "Fridge sensor",
  evaporatorSensor: "Evaporator sensor",
  cooling: { name: "Cooling", how: "Plug in warm, wait out the restart delay." },
  defrost: { name: "Defrosting", how: "Coil cold: start a defrost from the service mode." },
  satisfied: { name: "Cold enough", how: "Cold inside: it has switched itself off." },
  doorOpen: { name: "Cooling, door open", how: "Cooling: open the door." },
  askSet: "Is it switched on, set cold enough, its coil and vents clear?",
  setThen: "Set it, clear coil and vents; give it a day.",
  caution: "A refrigerant circuit is work for a licensed person. The defrost heater burns: let it cool.",
  start: {
    ask: "What starts the compressor?",
    choices: {
      "ptc-overload": "PTC and overload",
      "ptc-run": "PTC, overload, run capacitor",
      inside: "Nothing seen outside it",
    },
  },
  defrostHow: {
    ask: "Defrost heater",
    choices: {
      thermostat: "Through a thermostat",
      fuse: "Through a thermostat and a thermal fuse",
      none: "None",
    },
  },
  fanFrom: {
    ask: "Evaporator fan",
    choices: { "12": "12 V from the board", mains: "On mains", none: "None" },
  },
  sensors: { ask: "How many sensors?", choices: { "1": "One", "2": "Two", "3": "Three" } },
  askDoor: "Is the board told when the door opens?",
  askLight: "Does the board switch the light?",
};
