import { checkedFile } from "../file/checked-file";
import type { MachineFile } from "../schema";
import { plainWords } from "./file-nets";
import { columnsOf, readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/plug-table";

/** A pin of a plug as a sheet lists it. */
export interface PlugRow {
  readonly plug: string;
  readonly pin: string;
  readonly colour: string | null;
  readonly signal: string;
  /** The pin of the file that this is, under the name it has there; null for one that nothing is joined to yet. */
  readonly was: string | null;
}

const COLOUR_WORDS = "black brown red orange yellow green blue violet purple grey gray white pink turquoise clear"
  .split(" ")
  .join("|");
/** A colour, or two of a striped wire. */
const COLOURS = new RegExp(`^(?:${COLOUR_WORDS})(?:[/-](?:${COLOUR_WORDS}))?$`, "i");

/** A plug's pin: `CN2-3`, `CN2.3`, `CN2 pin 3`; or plug and pin in columns of their own. */
const JOINED = /^([A-Z]{1,5}\d{0,3}[A-Z]?)(?:[-.:/]|\s+pin\s*)(\d{1,2}|[A-Z]\d?)$/i;
const APART = /^([A-Z]{1,5}\d{0,3}[A-Z]?)\s+(?:pin\s*)?(\d{1,2})$/i;

/** Words of a signal that say nothing of what it is for. */
const EMPTY = new Set([
  "to",
  "the",
  "feed",
  "drive",
  "of",
  "from",
  "wire",
  "lead",
  "load",
  "line",
  "switched",
  "signal",
]);
/** Words for what is common to many. */
const ALIKE: readonly (readonly [RegExp, RegExp])[] = [
  [/^(?:n|neutral|common neutral|load neutral)$/, /neutral to the loads|return of the loads/],
  [/\b(?:gnd|ground|0 ?v|common|return)\b/, /return of the sensors/],
];

interface FilePin {
  readonly id: string;
  readonly plug: string;
  readonly signal: string;
}

const pinsOf = (file: MachineFile): readonly FilePin[] =>
  file.connectors.flatMap((c) => c.pins.map((p) => ({ id: `${c.id}-${p.pin}`, plug: c.id, signal: p.signal })));

const meaning = (text: string) =>
  plainWords(text)
    .split(" ")
    .filter((w) => w !== "" && !EMPTY.has(w));

/**
 * The pin of the file that a signal means: whose words are all among its own, the most of them; each pin once.
 * Throws a RangeError where two fit alike.
 */
function pinMeant(file: MachineFile, signal: string, taken: ReadonlySet<string>): FilePin | null {
  const plain = plainWords(signal);
  const own = meaning(signal);
  const ranked = pinsOf(file)
    .filter((p) => !taken.has(p.id))
    .map((p) => {
      const its = meaning(p.signal);
      const isAlike = ALIKE.some(([said, of]) => said.test(plain) && of.test(p.signal));
      const shared = its.filter((w) => own.includes(w)).length;
      const isWhole = shared > 0 && (shared === its.length || shared === own.length);
      const byWords = isWhole ? shared * 10 - Math.abs(its.length - own.length) : 0;
      return { p, rank: isAlike ? 100 : byWords };
    })
    .filter((r) => r.rank > 0)
    .sort((a, b) => b.rank - a.rank);
  const [best, next] = ranked;
  if (best && next && best.rank === next.rank && best.p.signal !== next.p.signal)
    throw new RangeError(say.whichOf(signal, best.p.signal, next.p.signal));
  return best?.p ?? null;
}

/** One line: plug, pin, colour where it has one, what it is for. */
function rowOf(line: string): Omit<PlugRow, "was"> {
  const columns = [...columnsOf(line)];
  const joined = JOINED.exec(columns[0] ?? "");
  let head = joined ?? APART.exec(`${columns[0] ?? ""} ${columns[1] ?? ""}`);
  let rest = columns.slice(joined ? 1 : 2);
  if (!head) {
    // In one column with blanks only: `CN2 3 red fan`.
    const words = line.split(/\s+/);
    head = APART.exec(`${words[0] ?? ""} ${words[1] ?? ""}`) ?? JOINED.exec(words[0] ?? "");
    rest = words.slice(head && JOINED.test(words[0] ?? "") ? 1 : 2);
  }
  if (!head) throw new RangeError(say.plugPinSignal(line.slice(0, 40)));
  const words = rest.flatMap((c) => c.split(/\s+/));
  const at = words.findIndex((w) => COLOURS.test(w));
  const colour = at >= 0 && at <= 1 ? words[at]!.toLowerCase() : null;
  const signal = words.filter((_, i) => colour === null || i !== at).join(" ");
  if (signal === "") throw new RangeError(say.whatIsItFor(head[1]!, head[2]!));
  return { plug: head[1]!.toUpperCase(), pin: head[2]!, colour, signal };
}

/**
 * The pins of plugs: `CN2 3 red drain pump`. A pin whose signal names what a wire of the file goes to is that wire's pin
 * from then on, under the sheet's name and seen; another is a pin that nothing is joined to yet.
 */
export const plugTable: SheetTable<PlugRow> = {
  read(text, file) {
    const taken = new Set<string>();
    return readLines(text, (line) => {
      const row = rowOf(line);
      const known = pinsOf(file).find((p) => p.id.toLowerCase() === `${row.plug}-${row.pin}`.toLowerCase());
      const meant = pinMeant(file, row.signal, taken) ?? known ?? null;
      if (meant) taken.add(meant.id);
      const item = { ...row, was: meant?.id ?? null };
      const name = `${row.plug}-${row.pin}${row.colour ? `, ${row.colour}` : ""}`;
      return { item, words: meant ? say.isPin(name, meant.signal) : say.nothingYet(name, row.signal) };
    });
  },
  apply(file, items) {
    const renamed = new Map(items.flatMap((i) => (i.was === null ? [] : [[i.was, `${i.plug}-${i.pin}`] as const])));
    const stays = (id: string) => pinsOf(file).some((p) => p.id === id) && !renamed.has(id);
    const taken = [...renamed.values()].find(stays);
    if (taken !== undefined) throw new RangeError(say.isAnother(taken));
    const kept = file.connectors.flatMap((c) => {
      const pins = c.pins.filter((p) => !renamed.has(`${c.id}-${p.pin}`));
      return pins.length === 0 ? [] : [{ ...c, pins }];
    });
    const gone = file.connectors.filter((c) => !kept.some((k) => k.id === c.id)).map((c) => c.id);
    const own = [...new Set(items.map((i) => i.plug))];
    // A plug that stays keeps the assembly it belongs to.
    const isKept = (plug: string) => kept.some((c) => c.id === plug);
    const moved = withNames(file, renamed);
    const connectors = own.reduce<object[]>(
      (all, plug) =>
        withPlug(
          all,
          plug,
          file,
          items.filter((i) => i.plug === plug),
        ),
      kept.map((c) => ({ ...c })),
    );
    return checkedFile({
      ...moved,
      connectors,
      pieces: [
        ...moved.pieces.filter((p) => !gone.some((plug) => p.id === `${plug}-plug`)),
        ...own.flatMap((plug) =>
          isKept(plug) || moved.pieces.some((p) => p.id === `${plug}-plug`) ? [] : [plugPiece(plug)],
        ),
      ],
      setups: [
        ...moved.setups.filter((s) => !s.apart.some((plug) => gone.includes(plug))),
        ...own.flatMap((plug) => (moved.setups.some((s) => s.apart.includes(plug)) ? [] : [plugOff(plug)])),
      ].slice(0, 16),
      ...(moved.assumed ? { assumed: moved.assumed.filter((id) => !gone.includes(id) && !own.includes(id)) } : {}),
    });
  },
};

/** A file in which pins have other names: every place that names one, and its board side. */
function withNames(file: MachineFile, names: ReadonlyMap<string, string>): MachineFile {
  const to = new Map(
    [...names].flatMap(
      ([was, is]) =>
        [
          [was, is],
          [`${was}.pad`, `${is}.pad`],
        ] as const,
    ),
  );
  const visit = (value: unknown): unknown => {
    if (typeof value === "string") return to.get(value) ?? value;
    if (Array.isArray(value)) return value.map(visit);
    if (value === null || typeof value !== "object") return value;
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, visit(v)]));
  };
  return visit({ ...file, connectors: [] }) as MachineFile;
}

/** The plugs with one more, or with one's further pins. */
function withPlug(all: readonly object[], plug: string, file: MachineFile, rows: readonly PlugRow[]): object[] {
  const pinOf = (row: PlugRow) => {
    const was = file.connectors.flatMap((c) => c.pins.filter((p) => `${c.id}-${p.pin}` === row.was))[0];
    return {
      pin: row.pin,
      signal: row.signal.slice(0, 60),
      ...(was?.net === undefined ? {} : { net: was.net }),
      ...(row.colour === null ? {} : { colour: row.colour }),
    };
  };
  const known = all.find((c) => (c as { id: string }).id === plug) as { pins: readonly { pin: string }[] } | undefined;
  const added = rows.map(pinOf);
  if (!known) {
    const cover = file.panels[0]?.id;
    const side = (words: string) => ({ words, ...(cover === undefined ? {} : { panel: cover }) });
    return [
      ...all,
      {
        id: plug,
        name: say.plug(plug),
        piece: `${plug}-plug`,
        near: { suffix: ".pad", ...side(say.boardSide) },
        far: side(say.wireSide),
        pins: added,
      },
    ];
  }
  const others = known.pins.filter((p) => !added.some((a) => a.pin === p.pin));
  return all.map((c) => (c === known ? { ...known, pins: [...others, ...added] } : c));
}

const plugPiece = (plug: string) => ({
  id: `${plug}-plug`,
  name: say.plug(plug),
  repair: say.cleanReseat,
  minutes: 8,
  price: 3,
});

const plugOff = (plug: string) => ({
  id: `${plug.toLowerCase()}-off`,
  name: say.plugOff(plug),
  power: "off",
  apart: [plug],
  minutes: 0.5,
  how: say.pullIt(plug),
});
