import { z } from "zod";
import { compileMachine } from "./compile/compile";
import { MachineFileError } from "./compile/problem";
import { idOf } from "./id-of";
import { PART_KINDS, partKind } from "./kinds/registry";
import { withoutBoard } from "./board-out";
import { endsOf, pruned } from "./pruned";
import { id, words } from "./scalar";
import { machineFileSchema, type AssemblyEntry, type MachineFile, type PartEntry } from "./schema";
import type { Machine } from "./machine";
import { SHEET_TABLES, withSheet } from "./sheet/sheet-tables";
import { has } from "./traits";
import { say } from "#words/core/model/as-found";

/**
 * What a unit has that its file has not: a part found in a lead, another part than drawn, a part or wire that is not
 * there. A unit's variant is its file with these made, in order.
 */
const CIRCUIT_CHANGES = [
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
  /** A part between nets, by terminal; a net nobody had yet is a joint of its own. */
  z.strictObject({
    change: z.literal("added"),
    kind: z.string().min(1).max(40),
    name: words,
    at: z.record(z.string().min(1).max(40), id),
    fields: z.record(z.string().max(40), z.union([z.string().max(80), z.number()])).default({}),
  }),
  /** A wire joins two nets; with its size, what it carries is known. */
  z.strictObject({
    change: z.literal("wired"),
    from: id,
    to: id,
    colour: words.optional(),
    gauge: z.string().min(1).max(20).optional(),
    length: z.number().positive().max(200).optional(),
  }),
  /** The lead at a terminal comes off and goes onto another net; without one it lies free, insulated. */
  z.strictObject({
    change: z.literal("moved"),
    part: id,
    terminal: z.string().min(1).max(40),
    to: id.optional(),
  }),
  /** A board is out, with what is soldered to it; its plugs and leads end in themselves. */
  z.strictObject({ change: z.literal("board out"), board: id }),
] as const;

/** What can be built into a unit as well as found on it. */
export const circuitChangeSchema = z.discriminatedUnion("change", CIRCUIT_CHANGES);
export type CircuitChange = z.output<typeof circuitChangeSchema>;

export const changeSchema = z.discriminatedUnion("change", [
  ...CIRCUIT_CHANGES,
  /** Lines as a sheet has them: a plug's pins and colours, wires, numbers, screws, ohms of a sensor. */
  z.strictObject({
    change: z.literal("lines"),
    table: z.enum(SHEET_TABLES),
    text: z.string().trim().min(1).max(4000),
    target: z.string().max(60),
  }),
  /** A spot where a probe gets at something: a net under a name of its own, and the cover over it. */
  z.strictObject({ change: z.literal("point"), name: words, net: id, panel: id.optional() }),
]);
export type Change = z.output<typeof changeSchema>;
/** Changes of one part or wire in its place; the others are of the circuit. */
export type InPlace = Extract<Change, { change: "put in" | "other part" | "taken out" }>;

/**
 * Kinds that are found in leads, with the fields they get when nothing is said; what guards against heat first, for it is
 * what is mostly put there.
 */
export const IN_LEAD: Readonly<Record<string, Readonly<Record<string, string | number>>>> = Object.fromEntries(
  [...PART_KINDS]
    .sort((a, b) => Number(has({ kind: b }, "interlock")) - Number(has({ kind: a }, "interlock")))
    .flatMap(({ kind, service }) => (service.foundInLead ? [[kind, service.foundInLead]] : [])),
);

/** Kinds that are built in between nets, with the fields they get when nothing is said. */
export const BUILT_IN: Readonly<Record<string, Readonly<Record<string, string | number>>>> = Object.fromEntries(
  PART_KINDS.flatMap(({ kind, service }) => {
    const usual = service.builtIn ?? service.foundInLead;
    return usual ? [[kind, usual]] : [];
  }),
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
    if (error instanceof RangeError) throw new ChangeError(error.message);
    throw error;
  }
}

function applyOne(file: MachineFile, change: Change): MachineFile {
  switch (change.change) {
    case "put in":
      return putIn(file, change);
    case "other part":
      return otherPart(file, change);
    case "taken out":
      return takenOut(file, change);
    case "added":
      return added(file, change);
    case "wired":
      return wired(file, change);
    case "moved":
      return moved(file, change);
    case "board out":
      if (!file.pieces.some((p) => p.id === change.board)) throw new ChangeError(say.thereIsNoPartCalled(change.board));
      return reparsed(pruned(withoutBoard(file, change.board)));
    case "lines":
      return withSheet(file, change.table, change.text, change.target);
    case "point":
      return withPoint(file, change);
  }
}

/** The file with one more point; its name is its id, as far as an id may hold it. */
function withPoint(file: MachineFile, { name, net, panel }: Of<"point">): MachineFile {
  if (!endsOf(file).some((e) => e.net === net) && !file.points.some((p) => p.net === net))
    throw new ChangeError(say.nothingLiesOn(net));
  if (file.points.some((p) => p.name.toLowerCase() === name.toLowerCase()))
    throw new ChangeError(say.isAPointAlready(name));
  const base = idOf(name) || "spot";
  return reparsed({
    ...file,
    points: [...file.points, { id: `found-${base}`, name, net, ...(panel === undefined ? {} : { panel }) }],
  });
}

/** The part or the wire that is meant; throws `ChangeError` where there is none. */
function meant(file: MachineFile, part: string): { target?: PartEntry; wire?: MachineFile["wires"][number] } {
  const target = (file.parts as PartEntry[]).find((p) => p.id === part);
  const wire = file.wires.find((w) => w.id === part);
  if (!target && !wire) throw new ChangeError(say.thereIsNoPartCalled(part));
  return { ...(target ? { target } : {}), ...(wire ? { wire } : {}) };
}

type Of<C extends Change["change"]> = Extract<Change, { change: C }>;

/** The assembly of what was put in; minutes, and the price of the spare. */
const newAssembly = (id: string, name: string, repair: string, minutes: number, price: number): AssemblyEntry => ({
  id,
  name,
  repair,
  minutes,
  price,
  joints: [],
  board: false,
  licensed: false,
  substitutes: [],
  proofs: [],
});

/** A new part's entry and its assembly, whose fields its kind has checked. */
function newPart(
  file: MachineFile,
  { kind: kindId, name, fields: given }: Pick<Of<"put in">, "kind" | "name" | "fields">,
  usual: Readonly<Record<string, string | number>>,
  at: Readonly<Record<string, string>>,
) {
  const kind = partKind(kindId)!;
  const newId = fresh(file, kindId.replace(/ /g, "-"));
  const fields = { ...usual, ...given };
  const parsed = kind.fields.safeParse(fields);
  if (!parsed.success)
    throw new ChangeError(
      `${name}: ${parsed.error.issues[0]?.path.join(".") ?? ""} ${parsed.error.issues[0]?.message ?? "does not fit"}.`,
    );
  const odds = Object.fromEntries(kind.failures.modes(parsed.data).map((mode) => [mode.id, mode.odds * FOUND_ODDS]));
  const assembly = newAssembly(newId, name, say.replaceOnceItsCauseIs(name.toLowerCase()), 15, 10);
  return { assembly, entry: { ...fields, id: newId, kind: kindId, name, piece: newId, at, odds } };
}

function putIn(file: MachineFile, change: Of<"put in">): MachineFile {
  const { target, wire } = meant(file, change.part);
  const usual = partKind(change.kind)?.service.foundInLead;
  if (!usual) throw new ChangeError(say.aIsNotSomethingFound(change.kind));
  const net = wire ? wire.to : target!.at[change.terminal];
  if (net === undefined) throw new ChangeError(say.hasNoTerminal(change.part, change.terminal));
  const between = `${fresh(file, change.kind.replace(/ /g, "-"))}.lead`;
  const { assembly, entry } = newPart(file, change, usual, { a: net, b: between });
  return reparsed({
    ...file,
    pieces: [...file.pieces, assembly],
    parts: [
      ...(file.parts as PartEntry[]).map((p) =>
        p.id === change.part ? { ...p, at: { ...p.at, [change.terminal]: between } } : p,
      ),
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

function otherPart(file: MachineFile, change: Of<"other part">): MachineFile {
  if (!meant(file, change.part).target) throw new ChangeError(say.aWireHasNoRatings);
  return reparsed({
    ...file,
    parts: (file.parts as PartEntry[]).map((p) => (p.id === change.part ? { ...p, ...change.fields } : p)),
  });
}

function takenOut(file: MachineFile, change: Of<"taken out">): MachineFile {
  const { target, wire } = meant(file, change.part);
  const ends = wire ? [wire.from, wire.to] : Object.values(target!.at);
  if (change.bridged && ends.length !== 2) throw new ChangeError(say.hasTerminalsOnlyAPart(change.part, ends.length));
  const bridge = {
    id: fresh(file, `${change.part}-bridge`),
    name: say.bridgeInPlaceOf(change.part),
    piece: target?.piece ?? wire!.piece,
    from: ends[0]!,
    to: ends[1]!,
  };
  return reparsed(
    pruned({
      ...file,
      parts: (file.parts as PartEntry[]).filter((p) => p.id !== change.part) as MachineFile["parts"],
      wires: [...file.wires.filter((w) => w.id !== change.part), ...(change.bridged ? [bridge] : [])],
    }),
  );
}

function added(file: MachineFile, change: Of<"added">): MachineFile {
  const usual = BUILT_IN[change.kind];
  if (!usual) throw new ChangeError(say.aIsNotSomethingBuiltIn(change.kind));
  const { assembly, entry } = newPart(file, change, usual, change.at);
  return reparsed(pruned({ ...file, pieces: [...file.pieces, assembly], parts: [...file.parts, entry as never] }));
}

function wired(file: MachineFile, { from, to, colour, gauge: size, length }: Of<"wired">): MachineFile {
  if (from === to) throw new ChangeError(say.aWireNeedsTwoEnds);
  const newId = fresh(file, "wire");
  const piece = newAssembly(newId, say.newWire(colour), say.replaceTheWire, 10, 2);
  return reparsed(
    pruned({
      ...file,
      pieces: [...file.pieces, piece],
      wires: [
        ...file.wires,
        {
          id: newId,
          piece: newId,
          from,
          to,
          ...(colour ? { colour } : {}),
          ...(size ? { gauge: size as never } : {}),
          ...(length ? { length } : {}),
        },
      ],
    }),
  );
}

function moved(file: MachineFile, { part, terminal, to }: Of<"moved">): MachineFile {
  const { target, wire } = meant(file, part);
  const net = to ?? `${part}.${terminal}.free`;
  if (target) {
    if (target.at[terminal] === undefined) throw new ChangeError(say.hasNoTerminal(part, terminal));
    return reparsed(
      pruned({
        ...file,
        parts: (file.parts as PartEntry[]).map((p) =>
          p.id === part ? { ...p, at: { ...p.at, [terminal]: net } } : p,
        ) as MachineFile["parts"],
      }),
    );
  }
  if (terminal !== "a" && terminal !== "b") throw new ChangeError(say.hasNoTerminal(part, terminal));
  return reparsed(
    pruned({
      ...file,
      wires: file.wires.map((w) => (w.id === wire!.id ? { ...w, [terminal === "a" ? "from" : "to"]: net } : w)),
    }),
  );
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

/** Checks a changed file as if it had been read anew. */
function reparsed(file: unknown): MachineFile {
  const parsed = machineFileSchema.safeParse(JSON.parse(JSON.stringify(file)));
  if (!parsed.success)
    throw new ChangeError(
      `${parsed.error.issues[0]?.path.join(".") ?? say.theChange}: ${parsed.error.issues[0]?.message ?? "does not fit"}.`,
    );
  return parsed.data;
}

/** What lies on a net, as a person would call it: its points and what ends there. */
export function netName(file: MachineFile, net: string): string {
  const point = file.points.find((p) => p.net === net);
  const ends = [...new Set(endsOf(file).flatMap((e) => (e.net === net ? [e.words] : [])))];
  const names = point ? [point.name, ...ends.filter((e) => e !== point.name)] : ends;
  return names.length === 0 ? net : names.slice(0, 2).join(", ");
}

/** A change in words, for the trail and the record. */
export function changeWords(file: MachineFile, change: Change): string {
  const net = (id: string | undefined) => (id === undefined ? say.free : netName(file, id));
  switch (change.change) {
    case "added":
      return say.addedBetween(
        change.name,
        fieldWords(change.fields),
        Object.entries(change.at).map(([t, n]) => say.terminalTo(say.terminals[t] ?? t, net(n))),
      );
    case "wired":
      return say.wireFromTo(change.colour, change.gauge, net(change.from), net(change.to));
    case "moved":
      return say.leadMovedTo(nameIn(file, change.part), change.terminal, net(change.to));
    case "board out":
      return say.boardIsOut(file.pieces.find((p) => p.id === change.board)?.name ?? change.board);
    case "lines":
      return say
        .linesSeen(
          change.table,
          change.text
            .split("\n")
            .map((l) => l.trim())
            .filter(Boolean),
        )
        .slice(0, 300);
    case "point":
      return say.pointAt(change.name, net(change.net));
    default:
      return inPlaceWords(file, change);
  }
}

const nameIn = (file: MachineFile, part: string) =>
  (file.parts as PartEntry[]).find((p) => p.id === part)?.name ?? file.wires.find((w) => w.id === part)?.name ?? part;
const fieldWords = (fields: Readonly<Record<string, string | number>>) =>
  Object.entries(fields)
    .map(([k, v]) => say.ratings[k]?.(String(v)) ?? `${k} ${v}`)
    .join(", ");

function inPlaceWords(file: MachineFile, change: InPlace): string {
  const name = nameIn(file, change.part);
  const fields = "fields" in change ? fieldWords(change.fields) : "";
  if (change.change === "put in") return say.foundInTheLeadOf(change.name, name, fields ? `: ${fields}` : "");
  if (change.change === "other part") return say.isAnotherOne(name, fields);
  return change.bridged ? say.isNotThereBridged(name) : say.isNotThere(name);
}
