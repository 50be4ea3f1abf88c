/** What ui/machine/WiringDrawing says to people, in English. */
export const say = {
  drawingTheWiring: "Drawing the wiring",
  mains: "mains",
  lowVoltage: "low voltage",
  earth: "earth",
  fit: "Fit",
  smaller: "Smaller",
  larger: "Larger",
  wiringDrawing: "Wiring drawing",
  wiringPartsAndPlugs: (count: number) => `Wiring: ${count} parts and plugs`,
};
