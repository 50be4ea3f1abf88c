/** What core/model/kinds/gas-valve-coil says to people, in English. */
export const say = {
  coilOpen: "coil open",
  valveStuckOrNoGas: "valve stuck or no gas",
  smellOfGas: "smell of gas",
  lookForTheFlameThrough: "Look for the flame through the peephole; gas smelt: stop, ventilate, hand over.",
  smellOfGasNoSwitch:
    "Smell of gas: no switch, no flame, shut the gas, air the room, leave. Gas is work for a licensed person.",
  deadGasShutPlugOff: "Dead, gas shut, plug off: ohms of the coil only.",
};
