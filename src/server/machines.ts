import { randomUUID as uuid } from "node:crypto";
import { createHash } from "node:crypto";
import { and, desc, eq, inArray, lte } from "drizzle-orm";
import { z } from "zod";
import {
  canonicalJson,
  compareFiles,
  compileMachine,
  factKey,
  type MachineFile,
  MachineFileError,
  machineFileSchema,
  type PlacedProblem,
  readMachineYaml,
  takeFacts,
  withoutUsual,
} from "../core/model";
import type { FileOrigin, ShopEvent } from "../core/journal";
import { database, inTransaction, type Database, type Tx } from "./db";
import { refuseWhenFull } from "./disk";
import { summaryOf } from "./library";
import { machineByHash, newestMachine, readStored } from "./machine-store";
import { Refusal } from "./refusal";
import { machineHeads, machines } from "./schema";
import { appendToShop, offeredWith } from "./streams";
import type { duplicateSchema, settleOfferSchema, ShippedOffer } from "../contract/machines";
import { say } from "#words/server";

/** The format in which new files are stored; it goes into their hash. */
const FORMAT = 1;

/** A machine file that cannot be taken: every problem, with its line and field. */
export class RefusedMachine extends Refusal {
  constructor(readonly problems: readonly PlacedProblem[]) {
    const first = problems[0];
    super(
      400,
      first
        ? `${first.line > 0 ? `Line ${first.line}, ` : ""}${first.field || say.theFile}: ${first.sentence}`
        : say.theFileCannotBeUsed,
    );
  }
}

/**
 * What is stored of a file: as it was written, without what is empty or usual, so that a new field of the schema
 * changes no hash.
 */
export function sourceOf(file: MachineFile): { readonly source: string; readonly hash: string } {
  const short = canonicalJson(withoutUsual(file));
  const again = machineFileSchema.safeParse(JSON.parse(short));
  // A file to which what is left out means something is stored as it is.
  const source = again.success && isSame(again.data, file) ? short : canonicalJson(file);
  return {
    source,
    hash: createHash("sha256")
      .update(canonicalJson({ format: FORMAT, source }))
      .digest("hex"),
  };
}

/** Whether two files say the same, both as they are read today. */
const isSame = (a: MachineFile, b: MachineFile) => canonicalJson(a) === canonicalJson(b);

/**
 * Keeps a file as a version of its machine and answers its name; the same file is kept once, whatever its hash was
 * made from.
 */
async function keepVersion(tx: Tx, file: MachineFile, now: Date): Promise<string> {
  const { source, hash } = sourceOf(file);
  const rows = await tx
    .select({ hash: machines.hash, file: machines.file })
    .from(machines)
    .where(eq(machines.machine, file.id));
  const twin = rows.find((r) => r.hash === hash) ?? rows.find((r) => isSame(readStored(r.file), file));
  if (twin) return twin.hash;
  await tx
    .insert(machines)
    .ignore()
    .values({
      hash,
      machine: file.id,
      name: `${file.maker} ${file.model}`,
      file: source,
      addedAt: now,
      summary: summaryOf(file),
    });
  return hash;
}

interface Head {
  readonly hash: string;
  readonly origin: FileOrigin;
  readonly base: string | null;
}

/** Who keeps a file, what is told with it, and the version that it was made from: where another is in use by now, it is refused. */
export interface FileFrom {
  readonly actor?: string;
  readonly told?: Pick<Extract<ShopEvent, { type: "file kept" }>, "job" | "learned" | "pack">;
  readonly own?: string;
}

/** Takes a version into use. A waiting offer stays, unless `settled`. */
async function useVersion(
  tx: Tx,
  machine: string,
  head: Head,
  settled: boolean,
  now: Date,
  { actor = "Unzo", told = {} }: FileFrom = {},
): Promise<void> {
  const set = { ...head, ...(settled ? { offered: null } : {}) };
  await tx
    .insert(machineHeads)
    .values({ machine, ...head })
    .onDuplicateKeyUpdate({ set });
  await appendToShop(tx, { id: uuid(), v: 1, actor, body: { type: "file kept", machine, ...head, ...told } }, now);
}

async function headOf(db: Database, machine: string) {
  const [row] = await db.select().from(machineHeads).where(eq(machineHeads.machine, machine)).for("update");
  return row ?? null;
}

/**
 * Keeps a machine file as the version that new jobs are made with; it still comes from the shipped revision that the
 * one before came from.
 */
export async function keepMachineFile(
  file: MachineFile,
  origin: FileOrigin,
  now: Date,
  from: FileFrom = {},
): Promise<string> {
  refuseWhenFull();
  return inTransaction(async (tx) => {
    const head = await headOf(tx, file.id);
    const hash = await keepVersion(tx, file, now);
    if (from.own !== undefined && head?.hash !== from.own) throw new Refusal(409, say.theFileOrTheOffer);
    if (head?.hash !== hash)
      await useVersion(tx, file.id, { hash, origin, base: head?.base ?? null }, false, now, from);
    return hash;
  });
}

/**
 * A file from another shop. It becomes the version in use where there is none; where the shop has its own, it is offered
 * beside that.
 */
export async function offerMachine(
  file: MachineFile,
  from: FileFrom,
  now: Date,
): Promise<{ readonly hash: string; readonly became: "new" | "same" | "offered" }> {
  refuseWhenFull();
  return inTransaction(async (tx) => {
    const head = await headOf(tx, file.id);
    const hash = await keepVersion(tx, file, now);
    if (head?.hash === hash) return { hash, became: "same" };
    if (!head) {
      await useVersion(tx, file.id, { hash, origin: "imported", base: null }, false, now, from);
      return { hash, became: "new" };
    }
    await tx.update(machineHeads).set({ offered: hash }).where(eq(machineHeads.machine, file.id));
    const { actor = "Unzo", told: { learned, pack } = {} } = from;
    const body = { type: "file offered", machine: file.id, hash, learned, pack } as const;
    await appendToShop(tx, { id: uuid(), v: 1, actor, body }, now);
    return { hash, became: "offered" };
  });
}

/**
 * A file that ships with the program. It becomes the version in use where there is none or where the shop uses an
 * earlier shipped one untouched; where the shop has its own, it is offered, once. `everShipped` holds the hashes of all
 * revisions that ever shipped.
 */
export async function keepShippedMachine(
  file: MachineFile,
  everShipped: ReadonlySet<string>,
  now: Date,
): Promise<void> {
  await inTransaction(async (tx) => {
    const head = await headOf(tx, file.id);
    const hash = await keepVersion(tx, file, now);
    const shipped: Head = { hash, origin: "shipped", base: hash };
    if (!head) return useVersion(tx, file.id, shipped, true, now);
    const own = await knownOrigin(tx, file.id, head, everShipped, hash);
    if (own.hash === hash) {
      if (head.offered !== null && !everShipped.has(head.offered)) return;
      if (head.origin === null || head.offered !== null)
        await tx
          .update(machineHeads)
          .set({ origin: own.origin, base: own.base, offered: null })
          .where(eq(machineHeads.machine, file.id));
      return;
    }
    if (own.origin === "shipped") return useVersion(tx, file.id, shipped, true, now);
    const isFromPack = head.offered !== null && !everShipped.has(head.offered);
    // What came in a pack waits until it is looked at.
    if (isFromPack) return;
    const offered = own.base === hash ? null : hash;
    await tx
      .update(machineHeads)
      .set({ origin: own.origin, base: own.base, offered })
      .where(eq(machineHeads.machine, file.id));
  });
}

/** Where the version in use came from; for one that was kept before that was written down, from what ever shipped. */
async function knownOrigin(
  tx: Tx,
  machine: string,
  head: typeof machineHeads.$inferSelect,
  everShipped: ReadonlySet<string>,
  newest: string,
): Promise<Head> {
  if (head.origin !== null) return { hash: head.hash, origin: head.origin as FileOrigin, base: head.base };
  if (head.hash === newest || everShipped.has(head.hash))
    return { hash: head.hash, origin: "shipped", base: head.hash };
  const [own] = await tx.select({ addedAt: machines.addedAt }).from(machines).where(eq(machines.hash, head.hash));
  const [base] = await tx
    .select({ hash: machines.hash })
    .from(machines)
    .where(
      and(
        eq(machines.machine, machine),
        lte(machines.addedAt, own!.addedAt),
        inArray(machines.hash, everShipped.size > 0 ? [...everShipped] : [""]),
      ),
    )
    .orderBy(desc(machines.addedAt))
    .limit(1);
  return { hash: head.hash, origin: "edited", base: base?.hash ?? null };
}

/**
 * Reads a machine file given as text and keeps it. Throws `MachineYamlError` for a file that cannot be used. For
 * scripts and tests.
 */
export async function keepMachine(yaml: string, name: string, now: Date): Promise<string> {
  return keepMachineFile(readMachineYaml(yaml, name).file, "edited", now);
}

/** Keeps a file that comes as JSON from the editor. Throws a `RefusedMachine` or a `Refusal`. */
export async function keepEdited(input: unknown, now: Date): Promise<{ id: string; hash: string }> {
  const file = checkedFile(input);
  return { id: file.id, hash: await keepMachineFile(file, "edited", now) };
}

/** A file from outside, as a file of today that compiles. Throws a `RefusedMachine`. */
function checkedFile(input: unknown): MachineFile {
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
  return parsed.data;
}

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
  if (taken) throw new Refusal(409, say.thereIsAMachineCalled(input.id));
  const copy = { ...machine.file, id: input.id, model: input.model, revision: "1" };
  return { id: input.id, hash: await keepMachineFile(copy, "edited", now) };
}

/** The offer that waits for a machine; null where there is none. Throws a `Refusal` for an unknown machine. */
export async function shippedOffer(machine: string): Promise<ShippedOffer | null> {
  const [head] = await database().select().from(machineHeads).where(eq(machineHeads.machine, machine));
  if (!head) throw new Refusal(404, say.thereIsNoMachineFileCalled(machine.slice(0, 60)));
  if (head.offered === null) return null;
  const [own, theirs] = [(await machineByHash(head.hash)).file, (await machineByHash(head.offered)).file];
  const base = head.base === null ? undefined : (await machineByHash(head.base)).file;
  const facts = compareFiles(base && withoutUsual(base), withoutUsual(own), withoutUsual(theirs));
  return {
    machine,
    hash: head.offered,
    revision: theirs.revision,
    own: { hash: head.hash, revision: own.revision },
    hasBase: base !== undefined,
    pack: (await offeredWith(database(), machine, head.offered))?.pack ?? null,
    facts: facts.map((f) => ({ ...f, key: factKey(f.path) })),
  };
}

/**
 * Takes facts of an offered revision into the shop's file, or none; either way the revision has been looked at.
 * Throws a `Refusal`.
 */
export async function settleOffer(
  machine: string,
  input: z.output<typeof settleOfferSchema>,
  now: Date,
): Promise<{ hash: string }> {
  refuseWhenFull();
  const offer = await shippedOffer(machine);
  if (!offer || offer.hash !== input.offered || offer.own.hash !== input.own)
    throw new Refusal(409, say.theFileOrTheOffer);
  const own = (await machineByHash(offer.own.hash)).file;
  const chosen = offer.facts.filter((f) => input.take.includes(f.key));
  const whole = chosen.length === offer.facts.length;
  const file = whole ? (await machineByHash(offer.hash)).file : checkedFile(takeFacts(withoutUsual(own), chosen));
  return inTransaction(async (tx) => {
    const head = await headOf(tx, machine);
    if (head?.hash !== input.own || head.offered !== input.offered) throw new Refusal(409, say.theFileOrTheOffer);
    if (chosen.length === 0) {
      // What was looked at and left is what the next revision is held against.
      await tx
        .update(machineHeads)
        .set({ base: input.offered, offered: null })
        .where(eq(machineHeads.machine, machine));
      const body = { type: "file declined", machine, hash: input.offered } as const;
      await appendToShop(tx, { id: uuid(), v: 1, actor: input.actor, body }, now);
      return { hash: head.hash };
    }
    const hash = await keepVersion(tx, file, now);
    const told = await offeredWith(tx, machine, input.offered);
    const asOffered = told ? "imported" : "shipped";
    const origin = whole ? asOffered : "edited";
    const from = { actor: input.actor, told: told ?? {} };
    await useVersion(tx, machine, { hash, origin, base: input.offered }, true, now, from);
    return { hash };
  });
}
