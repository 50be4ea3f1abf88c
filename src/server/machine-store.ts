import { eq } from "drizzle-orm";
import { type Change, commonShelf, type Machine, type MachineFile, machineFileSchema } from "../core/model";
import { database, type Database } from "./db";
import { Refusal } from "./refusal";
import { machineHeads, machines } from "./schema";
import { say } from "#words/server";

/** A kept machine file by its hash, compiled. Throws a `Refusal` where there is none. */
export async function machineByHash(
  hash: string,
  db: Database = database(),
): Promise<{ file: MachineFile; machine: Machine }> {
  const known = commonShelf().known(hash);
  if (known) return { file: known.file, machine: known };
  const [row] = await db.select({ file: machines.file }).from(machines).where(eq(machines.hash, hash));
  if (!row) throw new Refusal(404, say.thereIsNoMachineFile);
  const machine = commonShelf().of(hash, readStored(row.file));
  return { file: machine.file, machine };
}

/** The machine that a unit is: the file its job was made with, and what was found on it or built into it. */
export async function machineOf(
  hash: string,
  changes: readonly Change[],
  db: Database = database(),
): Promise<{ file: MachineFile; machine: Machine }> {
  const drawn = await machineByHash(hash, db);
  return { file: drawn.file, machine: commonShelf().of(hash, drawn.file, changes) };
}

/** The version of a machine that new jobs are made with. Throws a `Refusal` where there is none. */
export async function newestMachine(
  machineId: string,
  db: Database = database(),
): Promise<{ hash: string; machine: Machine }> {
  const [row] = await db
    .select({ hash: machineHeads.hash })
    .from(machineHeads)
    .where(eq(machineHeads.machine, machineId));
  if (!row) throw new Refusal(404, say.thereIsNoMachineFileCalled(machineId.slice(0, 60)));
  return { hash: row.hash, machine: (await machineByHash(row.hash, db)).machine };
}

/** A stored file, read as files are read today. */
export function readStored(text: string): MachineFile {
  return machineFileSchema.parse(JSON.parse(text));
}
