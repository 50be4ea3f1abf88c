import { quickMachine, type QuickLoad } from "./quick";
import type { MachineFile } from "./schema";

/** The usual loads of each family, with sizes from memory; what a new file starts from. */
const USUAL_LOADS: Readonly<Record<MachineFile["family"], readonly QuickLoad[]>> = {
  refrigerator: [
    { name: "Compressor", kind: "compressor", watts: 130 },
    { name: "Defrost heater", kind: "heater", watts: 325 },
    { name: "Evaporator fan", kind: "fan", watts: 8 },
  ],
  washer: [
    { name: "Drum motor", kind: "motor", watts: 350 },
    { name: "Heater", kind: "heater", watts: 1800 },
    { name: "Drain pump", kind: "pump", watts: 35 },
    { name: "Water valve", kind: "valve", watts: 8 },
  ],
  dishwasher: [
    { name: "Heater", kind: "heater", watts: 1800 },
    { name: "Circulation pump", kind: "pump", watts: 90 },
    { name: "Drain pump", kind: "pump", watts: 35 },
    { name: "Water valve", kind: "valve", watts: 8 },
  ],
  dryer: [
    { name: "Drum motor", kind: "motor", watts: 250 },
    { name: "Heater", kind: "heater", watts: 2500 },
    { name: "Fan", kind: "fan", watts: 40 },
  ],
  "ice machine": [
    { name: "Compressor", kind: "compressor", watts: 350 },
    { name: "Circulation pump", kind: "pump", watts: 25 },
    { name: "Water valve", kind: "valve", watts: 8 },
    { name: "Hot-gas valve", kind: "valve", watts: 10 },
  ],
  "vending machine": [
    { name: "Compressor", kind: "compressor", watts: 350 },
    { name: "Evaporator fan", kind: "fan", watts: 25 },
    { name: "Lighting", kind: "lamp", watts: 40 },
  ],
  "powered equipment": [{ name: "Motor", kind: "motor", watts: 500 }],
};

/** A small, working file of a family to grow from. `id` as in every machine file. */
export function skeletonOf(
  family: MachineFile["family"],
  id: string,
  maker: string,
  model: string,
  volts: number,
): MachineFile {
  const file = quickMachine({
    id,
    name: `${family.charAt(0).toUpperCase()}${family.slice(1)}`,
    family,
    volts,
    hertz: volts === 230 ? 50 : 60,
    filter: family === "washer" || family === "dishwasher",
    fuse: true,
    loads: USUAL_LOADS[family],
  });
  return { ...file, maker, model };
}
