import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

export const demoMachinePath = fileURLToPath(new URL("../../machines/quellmoor-sb-210.yaml", import.meta.url));
export const demoMachineText = readFileSync(demoMachinePath, "utf8");

/** The demo refrigerator, compiled anew for each caller. */
export function demoMachine() {
  return readMachineYaml(demoMachineText, "quellmoor-sb-210.yaml").machine;
}

let built: FaultDictionary | null = null;

/** Its fault dictionary, built once a test file. */
export function demoDictionary(): FaultDictionary {
  if (!built) {
    built = FaultDictionary.of(demoMachine(), ORDINARY_METER);
    built.build();
  }
  return built;
}
