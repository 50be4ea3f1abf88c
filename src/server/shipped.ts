import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { z } from "zod";
import { readMachineYaml } from "../core/model";
import { keepShippedMachine } from "./machines";

/** By machine, the hashes of every revision that ever shipped; `machines/shipped.json`. */
const everShippedSchema = z.record(z.string(), z.array(z.string().length(64)));

/** Reads every machine file of the folder into the database: new ones are used, newer ones used or offered. */
export async function keepMachineFiles(folder: string, now: Date): Promise<void> {
  const shipped = everShippedSchema.parse(JSON.parse(readFileSync(path.join(folder, "shipped.json"), "utf8")));
  const names = readdirSync(folder).filter((n) => n.endsWith(".yaml"));
  for (const name of names.sort()) {
    const { file } = readMachineYaml(readFileSync(path.join(folder, name), "utf8"), name);
    await keepShippedMachine(file, new Set(shipped[file.id] ?? []), now);
  }
}
