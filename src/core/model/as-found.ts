import { z } from "zod";
import { compileMachine } from "./compile/compile";
import { MachineFileError } from "./compile/problem";
import { PART_KINDS, partKind } from "./kinds/registry";
import { id, words } from "./scalar";
import { machineFileSchema, type MachineFile, type PartEntry } from "./schema";
import type { Machine } from "./machine";
import { has } from "./traits";
import { say } from "#words/core/model/as-found";

/**
 * What a unit has that its file has not: a part found in a lead, another part than drawn, a part or wire that is not
 * there. A unit's variant is its file with these made, in order.
 */
export const changeSchema = z.discriminatedUnion("change", [
  /** A part sits in the lead at one terminal of a part, or in a wire. */
  z.strictObject({
    change: z.literal("put in"),
    kind: z.string().min(1).max(40),
    name: words,
    part: id,
    terminal: z.string().min(1).max(40),
    fields: z.record(z.string().max(40), z.union([z.string().max(80), z.number()])).default({}),
  }),
  /** A part is another one: some of its ratings differ. */
  z.strictObject({
    change: z.literal("other part"),
    part: id,
    fields: z.record(z.string().max(40), z.union([z.string().max(80), z.number()])),
  }),
  /** A part or wire is not there; `bridged` joins what it joined. */
  z.strictObject({ change: z.literal("taken out"), part: id, bridged: z.boolean() }),
]);
export type Change = z.output<typeof changeSchema>;

/**
 * Kinds that are found in leads, with the fields they get when nothing is said; what guards against heat first, for it is
 * what is mostly put there.
 */
export const IN_LEAD: Readonly<Record<string, Readonly<Record<string, string | number>>>> = Object.fromEntries(
  [...PART_KINDS]
    .sort((a, b) => Number(has({ kind: b }, "interlock")) - Number(has({ kind: a }, "interlock")))
    .flatMap(({ kind, service }) => (service.foundInLead ? [[kind, service.foundInLead]] : [])),
);

/** A part that nobody drew was put in for a reason: it is this many times as likely to be the trouble; estimate E26. */
const FOUND_ODDS = 3;

/** Thrown for a change that cannot be made; the message is a sentence. */
export class ChangeError extends Error {}

/** The machine with the changes made, in order. Throws `ChangeError`. */
export function variantOf(file: MachineFile, changes: readonly Change[]): Machine {
  try {
    return compileMachine(changes.reduce(applyOne, file));
  } catch (error) {
    if (error instanceof MachineFileError) throw new ChangeError(`${error.problems[0]!.sentence}.`);
    throw error;
  }
}

function applyOne(file: MachineFile, change: Change): MachineFile {
  const parts = file.parts as PartEntry[];
  const isWire = file.wires.find((w) => w.id === change.part);
  const target = parts.find((p) => p.id === change.part);
  if (!target && !isWire) throw new ChangeError(say.thereIsNoPartCalled(change.part));
  switch (change.change) {
    case "put in": {
      const kind = partKind(change.kind);
      const found = kind?.service.foundInLead;
      if (!kind || !found) throw new ChangeError(say.aIsNotSomethingFound(change.kind));
      const newId = fresh(file, change.kind.replace(/ /g, "-"));
      const net = isWire ? isWire.to : target!.at[change.terminal];
      if (net === undefined) throw new ChangeError(say.hasNoTerminal(change.part, change.terminal));
      const between = `${newId}.lead`;
      const assembly = {
        id: newId,
        name: change.name,
        repair: say.replaceOnceItsCauseIs(change.name.toLowerCase()),
        minutes: 15,
        price: 10,
        board: false as const,
        licensed: false as const,
        proofs: [],
      };
      const fields = { ...found, ...change.fields };
      const parsed = kind.fields.safeParse(fields);
      if (!parsed.success)
        throw new ChangeError(
          `${change.name}: ${parsed.error.issues[0]?.path.join(".") ?? ""} ${parsed.error.issues[0]?.message ?? "does not fit"}.`,
        );
      const odds = Object.fromEntries(
        kind.failures.modes(parsed.data).map((mode) => [mode.id, mode.odds * FOUND_ODDS]),
      );
      const entry = {
        ...fields,
        id: newId,
        kind: change.kind,
        name: change.name,
        piece: newId,
        at: { a: net, b: between },
        odds,
      };
      return reparsed({
        ...file,
        pieces: [...file.pieces, assembly],
        parts: [
          ...parts.map((p) => (p.id === change.part ? { ...p, at: { ...p.at, [change.terminal]: between } } : p)),
          entry,
        ],
        wires: file.wires.map((w) => (w.id === change.part ? { ...w, to: between } : w)),
        points: [
          ...file.points,
          {
            id: between,
            name: say.changeNameFarEnd(change.name),
            net: between,
            ...(panelNear(file, net) ? { panel: panelNear(file, net) } : {}),
          },
        ],
      });
    }
    case "other part":
      if (!target) throw new ChangeError(say.aWireHasNoRatings);
      return reparsed({ ...file, parts: parts.map((p) => (p.id === change.part ? { ...p, ...change.fields } : p)) });
    case "taken out": {
      const removed = {
        ...file,
        parts: parts.filter((p) => p.id !== change.part),
        wires: file.wires.filter((w) => w.id !== change.part),
      };
      const ends = isWire ? [isWire.from, isWire.to] : Object.values(target!.at);
      // What is gone no longer belongs on a path, in a complaint or in a setup.
      const cleaned = withoutPart(removed, change.part);
      if (!change.bridged) return reparsed(cleaned);
      if (ends.length !== 2) throw new ChangeError(say.hasTerminalsOnlyAPart(change.part, ends.length));
      const wireId = fresh(file, `${change.part}-bridge`);
      return reparsed({
        ...cleaned,
        wires: [
          ...cleaned.wires,
          {
            id: wireId,
            name: say.bridgeInPlaceOf(change.part),
            piece: target?.piece ?? isWire!.piece,
            from: ends[0]!,
            to: ends[1]!,
          },
        ],
      });
    }
  }
}

function fresh(file: MachineFile, base: string): string {
  const taken = new Set<string>([
    ...(file.parts as PartEntry[]).map((p) => p.id),
    ...file.wires.map((w) => w.id),
    ...file.pieces.map((p) => p.id),
  ]);
  for (let n = 1; ; n++) if (!taken.has(`found-${base}-${n}`)) return `found-${base}-${n}`;
}

function panelNear(file: MachineFile, net: string): string | undefined {
  return (
    file.points.find((p) => p.net === net)?.panel ??
    file.connectors.find((c) => c.pins.some((p) => p.net === net || `${c.id}-${p.pin}${c.far.suffix}` === net))?.far
      .panel
  );
}

function withoutPart(file: MachineFile, part: string): MachineFile {
  return {
    ...file,
    paths: file.paths.map((path) => ({
      ...path,
      stages: path.stages
        .map((s) =>
          "at" in s
            ? s
            : {
                ...s,
                parts: s.parts.filter((p) => p !== part),
                rooms: s.rooms
                  .map((r) => ({ ...r, parts: r.parts.filter((p) => p !== part) }))
                  .filter((r) => r.parts.length > 0),
              },
        )
        .filter((s) => "at" in s || s.parts.length > 0),
    })),
    complaints: file.complaints.map((c) => ({
      ...c,
      sees: Object.fromEntries(Object.entries(c.sees).filter(([p]) => p !== part)),
      from: c.from.filter((cause) => cause.split(":")[0] !== part),
    })),
    clamps: file.clamps.filter((c) => c.part !== part),
    // A question about nothing but this part is no longer asked.
    firsts: file.firsts.flatMap((f) => {
      if (!f.parts.includes(part)) return [f];
      return f.parts.length > 1 ? [{ ...f, parts: f.parts.filter((p) => p !== part) }] : [];
    }),
    causes: file.causes.filter((c) => c.part !== part && c.then.part !== part),
    setups: file.setups.map((s) => ({
      ...s,
      lifted: s.lifted.filter((p) => p !== part),
      lamps: s.lamps.filter((p) => p !== part),
      good: s.good.filter((p) => p !== part),
      made: s.made.filter((p) => p !== part),
      off: s.off.filter((p) => p !== part),
    })),
  };
}

/** Checks a changed file as if it had been read anew. */
function reparsed(file: unknown): MachineFile {
  const parsed = machineFileSchema.safeParse(JSON.parse(JSON.stringify(file)));
  if (!parsed.success)
    throw new ChangeError(
      `${parsed.error.issues[0]?.path.join(".") ?? say.theChange}: ${parsed.error.issues[0]?.message ?? "does not fit"}.`,
    );
  return parsed.data;
}

/** A change in words, for the trail and the record. */
export function changeWords(file: MachineFile, change: Change): string {
  const name =
    (file.parts as PartEntry[]).find((p) => p.id === change.part)?.name ??
    file.wires.find((w) => w.id === change.part)?.name ??
    change.part;
  const fields =
    "fields" in change
      ? Object.entries(change.fields)
          .map(([k, v]) => `${k} ${v}`)
          .join(", ")
      : "";
  if (change.change === "put in") return say.foundInTheLeadOf(change.name, name, fields ? `: ${fields}` : "");
  if (change.change === "other part") return say.isAnotherOne(name, fields);
  return change.bridged ? say.isNotThereBridged(name) : say.isNotThere(name);
}
