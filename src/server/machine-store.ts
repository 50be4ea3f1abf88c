import { eq } from "drizzle-orm";
import { type Change, commonShelf, type Machine, type MachineFile, machineFileSchema } from "../core/model";
import { database, type Database } from "./db";
import { withOdds } from "../core/learn";
import { oddsBy } from "./kept-odds";
import { Refusal } from "./refusal";
import { machineHeads, machines } from "./schema";
import { say } from "#words/server";

/** Names a machine on the shelf: its file, and the odds of failure that a job was made with. */
export const shelfKey = (hash: string, odds?: string) => (odds === undefined ? hash : `${hash} ${odds}`);

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

/** The machine of a job: its file, and how its parts fail by the odds that the job was made with. */
export async function machineWith(
  hash: string,
  odds: string | undefined,
  db: Database = database(),
): Promise<{ file: MachineFile; machine: Machine }> {
  if (odds === undefined) return machineByHash(hash, db);
  const known = commonShelf().known(shelfKey(hash, odds));
  if (known) return { file: known.file, machine: known };
  const [drawn, learned] = [await machineByHash(hash, db), await oddsBy(odds, db)];
  if (!learned) return drawn;
  const machine = commonShelf().of(shelfKey(hash, odds), withOdds(drawn.file, learned.causes));
  return { file: machine.file, machine };
}

/** The machine that a unit is: the file its job was made with, and what was found on it or built into it. */
export async function machineOf(
  hash: string,
  changes: readonly Change[],
  db: Database = database(),
  odds?: string,
): Promise<{ file: MachineFile; machine: Machine }> {
  const drawn = await machineWith(hash, odds, db);
  return { file: drawn.file, machine: commonShelf().of(shelfKey(hash, odds), drawn.file, changes) };
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
