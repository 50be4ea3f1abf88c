import { asc, count, desc, eq } from "drizzle-orm";
import { codesOf } from "../core/diagnose";
import type { MachineNames } from "../core/history";
import { Lru } from "../core/lru";
import type { FileOrigin } from "../core/journal";
import { compileMachine, type MachineFile, type PartEntry } from "../core/model";
import { rigBoards } from "../core/workbench";
import { database } from "./db";
import { machineByHash, newestMachine, readStored } from "./machine-store";
import { machineHeads, machines, units } from "./schema";
import { bodyOf, keptVersions } from "./streams";
import type { CodeRow, FileSummary, MachineRow, MachineSummary, VersionRow } from "../contract/machines";

export function summaryOf(file: MachineFile): FileSummary {
  const codes = (file.parts as PartEntry[]).flatMap(
    (p) => (p as { codes?: { id: string; words: string }[] }).codes ?? [],
  );
  return {
    id: file.id,
    maker: file.maker,
    model: file.model,
    name: file.name,
    family: file.family,
    revision: file.revision,
    volts: file.supply.volts,
    hertz: file.supply.hertz,
    parts: file.parts.length,
    boards: file.pieces.flatMap((p) => (p.number ? [p.number] : [])),
    codes: codes.map((c) => `${c.id} ${c.words}`),
    complaints: file.complaints.map(({ id, words }) => ({ id, words })),
    plates: file.plates.flatMap((p) => [p.code, ...Object.values(p.numbers)]),
    rigs: rigBoards(compileMachine(file)).map(({ assembly, name }) => ({ assembly, name })),
  };
}

/** Every machine of the library, by maker and model. */
export async function librarySummaries(): Promise<readonly MachineSummary[]> {
  const rows = await database()
    .select({
      hash: machines.hash,
      summary: machines.summary,
      origin: machineHeads.origin,
      offered: machineHeads.offered,
    })
    .from(machineHeads)
    .innerJoin(machines, eq(machineHeads.hash, machines.hash));
  const found: MachineSummary[] = [];
  for (const row of rows) {
    const summary = await kept(row.hash, row.summary);
    const search = [
      summary.maker,
      summary.model,
      summary.name,
      summary.family,
      summary.id,
      ...summary.boards,
      ...(summary.plates ?? []),
    ]
      .join(" ")
      .toLowerCase();
    found.push({
      ...summary,
      hash: row.hash,
      origin: row.origin as FileOrigin | null,
      offered: row.offered !== null,
      search,
    });
  }
  return found.sort((a, b) => (`${a.maker} ${a.model}` < `${b.maker} ${b.model}` ? -1 : 1));
}

/** The summary kept beside a file; one that was kept before there were any, or before all of it was, is made now. */
async function kept(hash: string, summary: unknown): Promise<FileSummary> {
  const known = summary === null || summary === undefined ? null : (bodyOf({ body: summary }) as FileSummary);
  if (known?.rigs) return known;
  try {
    const made = summaryOf((await machineByHash(hash)).file);
    await database().update(machines).set({ summary: made }).where(eq(machines.hash, hash));
    return made;
  } catch (error) {
    // One file that cannot be read any more must not take the whole library with it.
    if (known) return known;
    throw error;
  }
}

/** Names of so many kept files are held in this process. */
const KEPT_NAMES = 200;
const names = new Lru<string, MachineNames>(KEPT_NAMES);

/** What the machine of a kept file is called, without reading the file. */
export async function machineNames(hash: string): Promise<MachineNames> {
  const known = names.get(hash);
  if (known) return known;
  const [row] = await database().select({ summary: machines.summary }).from(machines).where(eq(machines.hash, hash));
  const { id, maker, model, name, family, boards } = await kept(hash, row?.summary ?? null);
  const made = { id, maker, model, name, family, boards };
  names.set(hash, made);
  return made;
}

/** The library with how many versions and units there are of each machine. */
export async function listMachines(): Promise<MachineRow[]> {
  const [library, versions, owned] = await Promise.all([
    librarySummaries(),
    database().select({ machine: machines.machine, n: count() }).from(machines).groupBy(machines.machine),
    database().select({ machine: units.machine, n: count() }).from(units).groupBy(units.machine),
  ]);
  const of = (list: readonly { machine: string; n: number }[]) => new Map(list.map((r) => [r.machine, r.n]));
  const [version, own] = [of(versions), of(owned)];
  return library.map((m) => ({ ...m, versions: version.get(m.id) ?? 0, units: own.get(m.id) ?? 0 }));
}

/** Every version of a machine, newest first. */
export async function versionsOf(machineId: string): Promise<VersionRow[]> {
  const { hash } = await newestMachine(machineId);
  const rows = await database()
    .select()
    .from(machines)
    .where(eq(machines.machine, machineId))
    .orderBy(desc(machines.addedAt), asc(machines.hash));
  const kept = await keptVersions(database(), machineId);
  return rows.map((r) => ({
    hash: r.hash,
    addedAt: r.addedAt.toISOString(),
    revision: readStored(r.file).revision,
    current: r.hash === hash,
    kept: kept.get(r.hash) ?? null,
  }));
}

/** Units told beside a code, at most. */
const MOST_UNITS = 20;

/** Everything that any machine of the library can show and that means something, by machine. */
export async function listCodes(): Promise<CodeRow[]> {
  const library = await librarySummaries();
  const owned = new Map<string, CodeRow["units"]>();
  const rows: CodeRow[] = [];
  for (const { id, hash, origin } of library) {
    if (origin === "quick") continue;
    const { file, machine } = await machineByHash(hash);
    const codes = codesOf(machine);
    if (codes.length > 0)
      owned.set(
        id,
        await database()
          .select({ id: units.id, site: units.site, serial: units.serial })
          .from(units)
          .where(eq(units.machine, id))
          .orderBy(asc(units.site))
          .limit(MOST_UNITS),
      );
    for (const code of codes)
      rows.push({
        machine: id,
        name: `${file.maker} ${file.model}`,
        family: file.family,
        code,
        units: owned.get(id) ?? [],
      });
  }
  return rows;
}
