import { say } from "#words/core/model/file";

/**
 * Machine files in format 2: the fields of format 1 under the trade's names. Renames only; what a file says is the same
 * in both, and so is the version it is kept as. Format 1 is read for ever; what is written is format 2.
 */

/** A place in a file: names of fields, `*` for every item of a list. */
type Pattern = readonly string[];

/** The fields of format 1, by place, and what each is called in format 2. */
const RENAMED: readonly (readonly [place: string, name: string])[] = [
  ["maker", "manufacturer"],
  ["panels", "covers"],
  ["pieces", "assemblies"],
  ["firsts", "simpleCauses"],
  ["parts.*.piece", "assembly"],
  ["wires.*.piece", "assembly"],
  ["connectors.*.piece", "assembly"],
  ["connectors.*.near.panel", "cover"],
  ["connectors.*.far.panel", "cover"],
  ["points.*.panel", "cover"],
  ["clamps.*.panel", "cover"],
  ["setups.*.made", "closed"],
  ["setups.*.apart", "unplugged"],
  ["menu.piece", "assembly"],
  ["addOns.*.panel", "cover"],
  ["paths.*.stages.*.panel", "cover"],
];

const PATTERNS = RENAMED.map(([place, name]) => ({ place: place.split("."), name }));

type Way = "to format 1" | "to format 2";
type Plain = Readonly<Record<string, unknown>>;

/** A field that does not exist in the format a file says it has. */
export interface OtherFormat {
  readonly path: readonly (string | number)[];
  readonly sentence: string;
}

/** What a file calls itself, in a text read without types: 2, or else 1. */
export function formatOf(file: unknown): 1 | 2 {
  return isPlain(file) && String(file["format"]) === "2" ? 2 : 1;
}

/** A file of either format under the names of format 1, which the schema knows; and fields that belong to the other. */
export function toFormat1(file: unknown): { readonly file: unknown; readonly problems: readonly OtherFormat[] } {
  if (formatOf(file) === 1) return { file, problems: [] };
  const problems: OtherFormat[] = [];
  const renamed = rename(file, [], [], "to format 1", problems) as Plain;
  return { file: { ...renamed, format: "1" }, problems };
}

/** A file with the names of format 1 under those of format 2. */
export function toFormat2(file: unknown): unknown {
  return { ...(rename(file, [], [], "to format 2", []) as Plain), format: 2 };
}

/** The fields of format 1 that have another name in format 2; none of them is a field of anything else. */
export const NEW_NAMES: ReadonlyMap<string, string> = new Map(
  RENAMED.map(([place, name]) => [place.split(".").at(-1)!, name]),
);

/** Where a place of format 1 is found in a file of this format. */
export function placeIn(format: 1 | 2, path: readonly (string | number)[]): readonly (string | number)[] {
  if (format === 1) return path;
  return path.map((step, i) => nameAt(path.slice(0, i), step) ?? step);
}

function nameAt(before: readonly (string | number)[], step: string | number): string | undefined {
  return PATTERNS.find(({ place }) => place.at(-1) === step && matches(place.slice(0, -1), before))?.name;
}

/** Renames what lies at the places of the table; `path` is the place in format 1, `own` as the file has it. */
function rename(
  value: unknown,
  path: readonly (string | number)[],
  own: readonly (string | number)[],
  way: Way,
  problems: OtherFormat[],
): unknown {
  if (Array.isArray(value)) return value.map((v, i) => rename(v, [...path, i], [...own, i], way, problems));
  if (!isPlain(value)) return value;
  const here = PATTERNS.filter(({ place }) => matches(place.slice(0, -1), path));
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => {
      const entry = here.find(({ place, name }) => key === (way === "to format 1" ? name : place.at(-1)));
      const old = here.find(({ place }) => way === "to format 1" && key === place.at(-1));
      if (old) problems.push({ path: [...own, key], sentence: say.isCalledInFormat2(old.name) });
      const known = entry?.place.at(-1) ?? key;
      const next = way === "to format 2" && entry ? entry.name : known;
      return [next, rename(v, [...path, known], [...own, key], way, problems)];
    }),
  );
}

function matches(pattern: Pattern, path: readonly (string | number)[]): boolean {
  return (
    pattern.length === path.length && pattern.every((p, i) => (p === "*" ? typeof path[i] === "number" : p === path[i]))
  );
}

const isPlain = (value: unknown): value is Plain =>
  value !== null && typeof value === "object" && !Array.isArray(value);
