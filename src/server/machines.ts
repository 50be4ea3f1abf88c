import { createHash } from "node:crypto";
import { asc, desc, eq, inArray } from "drizzle-orm";
import { z } from "zod";
import { canonicalJson } from "../core/formats/canonical-json";
import { readMachineYaml, type PlacedProblem } from "../core/formats/machine-yaml";
import { codesOf, type MachineCode } from "../core/isolate/code-odds";
import { compileMachine, MachineFileError, type Machine } from "../core/machine/compile";
import { machineFileSchema, type MachineFile, type PartEntry } from "../core/machine/schema";
import { database } from "./db";
import { Refusal } from "./refusal";
import { machineHeads, machines, units } from "./schema";

export function machineHash(file: MachineFile): string {
  return createHash("sha256").update(canonicalJson(file)).digest("hex");
}

/** A machine file that cannot be taken: every problem, with its line and field. */
export class RefusedMachine extends Refusal {
  constructor(readonly problems: readonly PlacedProblem[]) {
    const first = problems[0];
    super(
      400,
      first
        ? `${first.line > 0 ? `Line ${first.line}, ` : ""}${first.field || "the file"}: ${first.sentence}`
        : "The file cannot be used.",
    );
  }
}

/** Keeps a machine file as a version; the same content is kept once. The newest kept is what new jobs are made with. */
export async function keepMachineFile(file: MachineFile, now: Date): Promise<string> {
  const hash = machineHash(file);
  await database()
    .insert(machines)
    .ignore()
    .values({ hash, machine: file.id, name: `${file.maker} ${file.model}`, file: canonicalJson(file), addedAt: now });
  await database().insert(machineHeads).values({ machine: file.id, hash }).onDuplicateKeyUpdate({ set: { hash } });
  return hash;
}

/** Keeps a machine file given as text. Throws `MachineYamlError` for a file that cannot be used. */
export async function keepMachine(yaml: string, name: string, now: Date): Promise<string> {
  return keepMachineFile(readMachineYaml(yaml, name).file, now);
}

/** A file that ships with the program becomes a version once, and does not push aside what was changed here since. */
export async function keepShippedMachine(yaml: string, name: string, now: Date): Promise<void> {
  const { file } = readMachineYaml(yaml, name);
  const [known] = await database()
    .select({ hash: machines.hash })
    .from(machines)
    .where(eq(machines.hash, machineHash(file)));
  if (!known) await keepMachineFile(file, now);
}

/** Keeps a file that comes as JSON from the editor. Throws a `RefusedMachine` or a `Refusal`. */
export async function keepEdited(input: unknown, now: Date): Promise<{ id: string; hash: string }> {
  const parsed = machineFileSchema.safeParse(input);
  if (!parsed.success)
    throw new RefusedMachine(
      parsed.error.issues.map((i) => ({ file: "", line: 0, field: i.path.map(String).join("."), sentence: i.message })),
    );
  try {
    compileMachine(parsed.data);
  } catch (error) {
    if (error instanceof MachineFileError)
      throw new RefusedMachine(
        error.problems.map((p) => ({ file: "", line: 0, field: p.path.map(String).join("."), sentence: p.sentence })),
      );
    throw error;
  }
  return { id: parsed.data.id, hash: await keepMachineFile(parsed.data, now) };
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

/** The version of a machine that new jobs are made with. */
export async function newestMachine(machineId: string): Promise<{ hash: string; machine: Machine }> {
  const [row] = await database()
    .select({ hash: machineHeads.hash })
    .from(machineHeads)
    .where(eq(machineHeads.machine, machineId));
  if (!row) throw new Refusal(404, `There is no machine file called ${machineId}.`);
  return { hash: row.hash, machine: (await machineByHash(row.hash)).machine };
}

export interface MachineRow {
  readonly id: string;
  readonly maker: string;
  readonly model: string;
  readonly name: string;
  readonly family: string;
  readonly volts: number;
  readonly hertz: number;
  readonly parts: number;
  /** Numbers printed on its boards. */
  readonly boards: readonly string[];
  /** Codes it can show, with their words. */
  readonly codes: readonly string[];
  readonly versions: number;
  readonly units: number;
}

/** Every machine of the library, by maker and model. */
export async function listMachines(): Promise<MachineRow[]> {
  const heads = await database().select({ hash: machineHeads.hash }).from(machineHeads);
  if (heads.length === 0) return [];
  const rows = await database()
    .select({ hash: machines.hash, machine: machines.machine, file: machines.file })
    .from(machines)
    .where(
      inArray(
        machines.hash,
        heads.map((h) => h.hash),
      ),
    );
  const versions = await database().select({ machine: machines.machine }).from(machines);
  const owned = await database().select({ machine: units.machine }).from(units);
  const count = (list: readonly { machine: string }[], id: string) => list.filter((r) => r.machine === id).length;
  return rows
    .map((row): MachineRow => {
      const file = JSON.parse(row.file) as MachineFile;
      const codes = (file.parts as PartEntry[]).flatMap(
        (p) => (p as { codes?: { id: string; words: string }[] }).codes ?? [],
      );
      return {
        id: file.id,
        maker: file.maker,
        model: file.model,
        name: file.name,
        family: file.family,
        volts: file.supply.volts,
        hertz: file.supply.hertz,
        parts: file.parts.length,
        boards: file.pieces.flatMap((p) => (p.number ? [p.number] : [])),
        codes: codes.map((c) => `${c.id} ${c.words}`),
        versions: count(versions, row.machine),
        units: count(owned, row.machine),
      };
    })
    .sort((a, b) => (`${a.maker} ${a.model}` < `${b.maker} ${b.model}` ? -1 : 1));
}

export interface VersionRow {
  readonly hash: string;
  readonly addedAt: string;
  readonly revision: string;
  readonly current: boolean;
}

/** Every version of a machine, newest first. */
export async function versionsOf(machineId: string): Promise<VersionRow[]> {
  const { hash } = await newestMachine(machineId);
  const rows = await database()
    .select()
    .from(machines)
    .where(eq(machines.machine, machineId))
    .orderBy(desc(machines.addedAt), asc(machines.hash));
  return rows.map((r) => ({
    hash: r.hash,
    addedAt: r.addedAt.toISOString(),
    revision: (JSON.parse(r.file) as MachineFile).revision,
    current: r.hash === hash,
  }));
}

export const duplicateSchema = z.strictObject({
  id: z
    .string()
    .min(1)
    .max(60)
    .regex(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, "may hold letters, digits, dot, dash and underscore only"),
  model: z.string().trim().min(1).max(60),
});

/** A copy of a machine under another id, to be changed from there. */
export async function duplicateMachine(
  machineId: string,
  input: z.output<typeof duplicateSchema>,
  now: Date,
): Promise<{ id: string; hash: string }> {
  const { machine } = await newestMachine(machineId);
  const [taken] = await database()
    .select({ hash: machineHeads.hash })
    .from(machineHeads)
    .where(eq(machineHeads.machine, input.id));
  if (taken) throw new Refusal(409, `There is a machine called ${input.id} already. Nothing was changed.`);
  return {
    id: input.id,
    hash: await keepMachineFile({ ...machine.file, id: input.id, model: input.model, revision: "1" }, now),
  };
}

/** What one machine of the library can show, with the units of it that are known. */
export interface CodeRow {
  readonly machine: string;
  readonly name: string;
  readonly family: string;
  readonly code: MachineCode;
  readonly units: readonly { readonly id: string; readonly site: string; readonly serial: string }[];
}

/** Everything that any machine of the library can show and that means something, by machine. */
export async function listCodes(): Promise<CodeRow[]> {
  const heads = await database()
    .select({ hash: machineHeads.hash })
    .from(machineHeads)
    .orderBy(asc(machineHeads.machine));
  const owned = await database()
    .select({ id: units.id, site: units.site, serial: units.serial, machine: units.machine })
    .from(units)
    .orderBy(asc(units.site));
  const files = await Promise.all(heads.map((h) => machineByHash(h.hash)));
  return files.flatMap(({ file, machine }) =>
    codesOf(machine).map((code): CodeRow => ({
      machine: file.id,
      name: `${file.maker} ${file.model}`,
      family: file.family,
      code,
      units: owned.filter((u) => u.machine === file.id).map(({ id, site, serial }) => ({ id, site, serial })),
    })),
  );
}
