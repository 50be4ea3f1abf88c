import { readdirSync, readFileSync } from "node:fs";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { built } from "./built";

const folder = new URL("../../machines/", import.meta.url);

/** Names of all demo machine files, without their ending. */
export const FLEET: readonly string[] = readdirSync(folder)
  .filter((n) => n.endsWith(".yaml"))
  .map((n) => n.replace(".yaml", ""))
  .sort();

export const machineText = (name: string) => readFileSync(new URL(`${name}.yaml`, folder), "utf8");

/** A demo machine, compiled anew. */
export const machineNamed = (name: string) => readMachineYaml(machineText(name), `${name}.yaml`).machine;

/** The faults of a machine that were committed as inseparable before any search was run. */
export const groupsOf = (name: string): string[][] =>
  JSON.parse(readFileSync(new URL(`groups/${name}.json`, folder), "utf8")) as string[][];

/** The dictionary of a demo machine. */
export const isolationOf = (name: string): FaultDictionary => built(machineNamed(name));
