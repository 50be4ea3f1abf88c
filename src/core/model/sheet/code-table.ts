import { checkedFile } from "../file/checked-file";
import type { Condition } from "../program/condition";
import type { MachineFile } from "../schema";
import { joinedNets, logicOf, logicsIn, partsIn, plainWords, withLogic, type LogicPart } from "./file-nets";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/code-table";

/** A code as a sheet lists it. */
export interface CodeRow {
  readonly id: string;
  readonly words: string;
  /** When the board shows it, as far as its words say; null: a reason that the model has no input for. */
  readonly when: Condition | null;
  /** The assembly that its words name; null where they name none. */
  readonly blames: string | null;
}

/** Shares of the rail by which a sensor or a switch counts as open or as shorted; from memory. */
const OPEN = 0.97;
const CLOSED = 0.03;
/** Seconds that a reason must last; from memory. */
const AFTER = 2;

/** A code at the head of a line: a letter or two with a number, a number, flashes of a lamp. */
const CODE = /^(\d [Ff]lash(?:es)?|[A-Za-z]{1,3}[-.]?\d{1,3}[a-z]?|\d{1,3}|[A-Z]{2}|[a-z][A-Z])\b[\s:;,.–-]*(.+)$/;
const SAYS_OPEN = /\bopen|broken|unplugged|missing|not closed/i;
const SAYS_SHORT = /\bshort|closed|stuck/i;

/** A code that a lamp tells by its flashes. */
const FLASHES = /^\d-FLASH(?:ES)?$/;

/** What a sensor or a switch is, for how its code is read: by the longest name of a part that the line has. */
function partNamed(file: MachineFile, words: string) {
  const said = ` ${plainWords(words)} `;
  return partsIn(file)
    .filter((p) => said.includes(` ${plainWords(p.name)} `))
    .sort((a, b) => b.name.length - a.name.length)[0];
}

/** The input of a logic that a part is told by; null where it is told by none. */
function inputOf(file: MachineFile, logic: LogicPart, part: string): string | null {
  const rootOf = joinedNets(file);
  const own = partsIn(file).find((p) => p.id === part)!;
  const nets = new Set(Object.values(own.at).map(rootOf));
  return Object.keys(logic.inputs).find((i) => logic.at[i] !== undefined && nets.has(rootOf(logic.at[i]))) ?? null;
}

/** When a code about an input is shown: what its words say, open where they say nothing. */
function whenOf(input: string, words: string, opensAbove: number): Condition {
  if (SAYS_SHORT.test(words) && !SAYS_OPEN.test(words)) return { input, below: CLOSED };
  return { input, above: opensAbove };
}

/** The assembly that the words name, by its own name or by that of a part in it. */
function blamedBy(file: MachineFile, words: string): string | null {
  const said = ` ${plainWords(words)} `;
  const own = file.pieces
    .filter((p) => said.includes(` ${plainWords(p.name)} `))
    .sort((a, b) => b.name.length - a.name.length)[0];
  return own?.id ?? partNamed(file, words)?.piece ?? null;
}

/**
 * A table of codes: `E4 drain pump`, `F2; freezer sensor open`. A code of a sensor or a switch that the board is told by
 * gets its reason from its words; of any other only that the board can show it and whom its table blames: what it comes
 * of is not known, and no fault is said to bring it.
 */
export const codeTable: SheetTable<CodeRow> = {
  read: (text, file) =>
    readLines(text, (line) => {
      const logic = logicOf(file, "", say.noLogic);
      const match = CODE.exec(line.replace(/\t+/g, " "));
      if (!match) throw new RangeError(say.codeAndWords(line.slice(0, 40)));
      const [id, words] = [match[1]!.replace(/\s+/g, "-").toUpperCase(), match[2]!.trim()];
      const known = logicsIn(file)
        .flatMap((l) => l.codes)
        .find((c) => c.id.toUpperCase() === id);
      if (known) throw new RangeError(say.isThere(id, known.words));
      const part = partNamed(file, words);
      const input = part ? inputOf(file, logic, part.id) : null;
      const blames = blamedBy(file, words);
      const when = input === null ? null : whenOf(input, words, OPEN);
      const item = { id, words: words.charAt(0).toUpperCase() + words.slice(1), when, blames };
      if (when === null) return { item, words: say.reasonUnknown(id, item.words, nameOf(file, blames)) };
      const isOpen = "above" in when;
      return { item, words: isOpen ? say.whenOpen(id, part!.name) : say.whenShorted(id, part!.name) };
    }),
  apply(file, items, target) {
    const logic = logicOf(file, target, say.noLogic);
    const codes = items.map(({ id, words, when, blames }) => ({
      id,
      words,
      when: when ?? { not: { always: say.nobodyKnows } },
      after: AFTER,
      ...(blames === null ? {} : { blames }),
    }));
    const told = withoutTold(logic, items);
    const flashes = items.filter((i) => FLASHES.test(i.id));
    const lines = items.filter((i) => !flashes.includes(i)).map(({ id }) => ({ when: { code: id }, shows: id }));
    const [lamp] = Object.keys(logic.lamps);
    if (flashes.length > 0 && lamp === undefined) throw new RangeError(say.noLamp(flashes[0]!.id));
    const byLamp = flashes.map(({ id }) => ({ when: { code: id }, shows: shownAs(id) }));
    // What it shows without a code stands last, as before.
    const lamps = lamp === undefined ? {} : { lamps: { ...told.lamps, [lamp]: [...byLamp, ...told.lamps[lamp]!] } };
    const display = [...lines, ...told.display];
    const changed = withLogic(file, logic, { codes: [...told.codes, ...codes], display, ...lamps });
    return checkedFile({ ...changed, complaints: complaintsWith(file, logic, items, told) });
  },
};

/** How a code is shown: itself, or as so many flashes. */
const shownAs = (id: string): string => (FLASHES.test(id) ? say.flashes(Number.parseInt(id, 10)) : id);

/** The complaints of a file with one for each code of the sheet, without those of codes that are gone. */
function complaintsWith(
  file: MachineFile,
  logic: LogicPart,
  items: readonly CodeRow[],
  told: Pick<LogicPart, "display" | "lamps">,
): readonly object[] {
  const face = file.parts.find((p) => {
    const { shows, of } = p as unknown as { readonly shows?: string; readonly of?: string };
    return shows === logic.id || of === logic.id;
  }) as unknown as { readonly id: string } | undefined;
  if (!face) return file.complaints;
  const lines = (l: Pick<LogicPart, "display" | "lamps">) => [...l.display, ...Object.values(l.lamps).flat()];
  const still = new Set(lines(told).map((l) => l.shows));
  const gone = new Set(lines(logic).flatMap((l) => (still.has(l.shows) ? [] : [l.shows])));
  const setup = file.setups.find((s) => s.power === "on")!.id;
  const own = items.map(({ id, words }) => ({
    id: `shows-${id.toLowerCase()}`,
    words: say.itShows(shownAs(id), words),
    setup,
    path: file.paths[0]!.id,
    sees: { [face.id]: shownAs(id) },
  }));
  return [...own, ...file.complaints.filter((c) => !gone.has(c.sees[face.id] ?? ""))].slice(0, 40);
}

/** A logic without the codes for whose reason the sheet has another: one reason is shown by one code. */
function withoutTold(logic: LogicPart, items: readonly CodeRow[]): Pick<LogicPart, "codes" | "display" | "lamps"> {
  const reasons = new Set(items.flatMap(({ when }) => (when === null ? [] : [reasonOf(when)])));
  const gone = logic.codes.filter((c) => reasons.has(reasonOf(c.when))).map((c) => c.id);
  const isGone = (when: Condition) => "code" in when && gone.includes(when.code);
  return {
    codes: logic.codes.filter((c) => !gone.includes(c.id)),
    display: logic.display.filter((d) => !isGone(d.when)),
    lamps: Object.fromEntries(
      Object.entries(logic.lamps).map(([lamp, shown]) => [lamp, shown.filter((l) => !isGone(l.when))]),
    ),
  };
}

/** An input and the side of it that a condition goes by; of others the whole of it. */
function reasonOf(when: Condition): string {
  if (!("input" in when)) return JSON.stringify(when);
  return `${when.input} ${"above" in when ? "open" : "closed"}`;
}

const nameOf = (file: MachineFile, assembly: string | null) =>
  file.pieces.find((p) => p.id === assembly)?.name.toLowerCase() ?? null;
