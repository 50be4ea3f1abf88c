import { quickMachine } from "./quick/quick";
import type { QuickLoad } from "./quick/quick-load";
import type { MachineFile } from "./schema";
import { say } from "#words/core/model/skeleton";

/** The usual loads of each family, with sizes from memory; what a new file starts from. */
const USUAL_LOADS: Readonly<Record<MachineFile["family"], readonly QuickLoad[]>> = {
  refrigerator: [
    { name: say.compressor, kind: "compressor", watts: 130 },
    { name: say.defrostHeater, kind: "heater", watts: 325 },
    { name: say.evaporatorFan, kind: "fan", watts: 8 },
  ],
  washer: [
    { name: say.drumMotor, kind: "motor", watts: 350 },
    { name: say.heater, kind: "heater", watts: 1800 },
    { name: say.drainPump, kind: "pump", watts: 35 },
    { name: say.waterValve, kind: "valve", watts: 8 },
  ],
  dishwasher: [
    { name: say.heater, kind: "heater", watts: 1800 },
    { name: say.circulationPump, kind: "pump", watts: 90 },
    { name: say.drainPump, kind: "pump", watts: 35 },
    { name: say.waterValve, kind: "valve", watts: 8 },
  ],
  dryer: [
    { name: say.drumMotor, kind: "motor", watts: 250 },
    { name: say.heater, kind: "heater", watts: 2500 },
    { name: say.fan, kind: "fan", watts: 40 },
  ],
  "ice machine": [
    { name: say.compressor, kind: "compressor", watts: 350 },
    { name: say.circulationPump, kind: "pump", watts: 25 },
    { name: say.waterValve, kind: "valve", watts: 8 },
    { name: say.hotGasValve, kind: "valve", watts: 10 },
  ],
  "vending machine": [
    { name: say.compressor, kind: "compressor", watts: 350 },
    { name: say.evaporatorFan, kind: "fan", watts: 25 },
    { name: say.lighting, kind: "lamp", watts: 40 },
  ],
  "powered equipment": [{ name: say.motor, kind: "motor", watts: 500 }],
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
    supply: { kind: "mains", volts, hertz: volts === 230 ? 50 : 60 },
    filter: family === "washer" || family === "dishwasher",
    fuse: true,
    loads: USUAL_LOADS[family],
  });
  return { ...file, maker, model };
}
