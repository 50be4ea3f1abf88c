/** What core/model/skeleton says to people, in English. */
export const say = {
  compressor: "Compressor",
  defrostHeater: "Defrost heater",
  evaporatorFan: "Evaporator fan",
  drumMotor: "Drum motor",
  heater: "Heater",
  drainPump: "Drain pump",
  waterValve: "Water valve",
  circulationPump: "Circulation pump",
  fan: "Fan",
  hotGasValve: "Hot-gas valve",
  lighting: "Lighting",
  motor: "Motor",
};
