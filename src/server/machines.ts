import { createHash } from "node:crypto";
import { desc, eq, inArray } from "drizzle-orm";
import { canonicalJson } from "../core/formats/canonical-json";
import { readMachineYaml } from "../core/formats/machine-yaml";
import { compileMachine, type Machine } from "../core/machine/compile";
import { machineFileSchema, type MachineFile } from "../core/machine/schema";
import { database } from "./db";
import { Refusal } from "./refusal";
import { machines } from "./schema";

export function machineHash(file: MachineFile): string {
  return createHash("sha256").update(canonicalJson(file)).digest("hex");
}

/** Keeps a machine file; the same content is kept once. Throws `MachineYamlError` for a file that cannot be used. */
export async function keepMachine(yaml: string, name: string, now: Date): Promise<string> {
  const { file } = readMachineYaml(yaml, name);
  const hash = machineHash(file);
  await database().insert(machines).ignore().values({ hash, machine: file.id, name: `${file.maker} ${file.model}`, file: canonicalJson(file), addedAt: now });
  return hash;
}

const compiled = new Map<string, Machine>();

/** A kept machine file by its hash. */
export async function machineByHash(hash: string): Promise<{ file: MachineFile; machine: Machine }> {
  const known = compiled.get(hash);
  if (known) return { file: known.file, machine: known };
  const [row] = await database().select().from(machines).where(eq(machines.hash, hash));
  if (!row) throw new Refusal(404, "There is no machine file of that version.");
  const machine = compileMachine(machineFileSchema.parse(JSON.parse(row.file)));
  compiled.set(hash, machine);
  return { file: machine.file, machine };
}

/** The newest version of each machine named. */
export async function newestMachine(machineId: string): Promise<{ hash: string; machine: Machine }> {
  const [row] = await database().select({ hash: machines.hash }).from(machines).where(inArray(machines.machine, [machineId])).orderBy(desc(machines.addedAt)).limit(1);
  if (!row) throw new Refusal(404, `There is no machine file called ${machineId}.`);
  return { hash: row.hash, machine: (await machineByHash(row.hash)).machine };
}
