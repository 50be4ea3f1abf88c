import type { MachineFile, SetupEntry } from "./schema";

/**
 * The first powered setup of a machine in its everyday mode, nothing unusual done to it: what others are derived
 * from.
 */
export function everydaySetup(file: MachineFile): SetupEntry {
  const plain = (s: SetupEntry) =>
    s.power === "on" &&
    s.mode === "run" &&
    s.off.length +
      s.press.length +
      s.made.length +
      s.openDoors.length +
      s.apart.length +
      s.lifted.length +
      s.jumpers.length +
      s.good.length +
      s.lamps.length ===
      0;
  return file.setups.find(plain) ?? file.setups.find((s) => s.power === "on") ?? file.setups[0]!;
}
