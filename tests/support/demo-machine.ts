import { built } from "./built";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

export const demoMachinePath = fileURLToPath(new URL("../../machines/quellmoor-sb-210.yaml", import.meta.url));
export const demoMachineText = readFileSync(demoMachinePath, "utf8");

/** The demo refrigerator, compiled anew for each caller. */
export function demoMachine() {
  return readMachineYaml(demoMachineText, "quellmoor-sb-210.yaml").machine;
}

let dictionary: FaultDictionary | null = null;

/** Its fault dictionary, one a test file. */
export const demoDictionary = (): FaultDictionary => (dictionary ??= built(demoMachine()));
