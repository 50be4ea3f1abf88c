import { canonicalJson } from "./canonical-json";

/**
 * Three versions of one machine file held against each other, fact by fact: the shipped revision that the shop's file
 * came from, the shop's file, and a newer shipped revision. Items of a list are matched by their `id` (pins by `pin`,
 * values by
 * `value`; a name in a list of names is matched by itself).
 */

/** A step into a file: the name of a field, or an item of a list as `#` and its id. */
export type FactPath = readonly string[];

/** One place where the shop's file and the newer revision differ. What is not there is undefined. */
export interface Fact {
  readonly path: FactPath;
  readonly base: unknown;
  readonly ours: unknown;
  readonly theirs: unknown;
  /** Who changed it since the base: the newer revision alone, the shop alone, or each in its own way. */
  readonly changedBy: "theirs" | "ours" | "both";
}

type Plain = Readonly<Record<string, unknown>>;

/** Where the shop's file and the newer revision differ, in the order of the file. */
export function compareFiles(base: unknown, ours: unknown, theirs: unknown): readonly Fact[] {
  return compare([], base, ours, theirs);
}

/** The shop's file with some of the facts taken from the newer revision. */
export function takeFacts(ours: unknown, facts: readonly Fact[]): unknown {
  return facts.reduce((file, fact) => put(file, fact.path, fact.theirs), ours);
}

/** What stands at a place of a file; undefined where nothing does. */
export const factAt = (file: unknown, path: FactPath): unknown =>
  path.reduce<unknown>((value, step) => {
    if (Array.isArray(value)) return value.find((item) => `#${idOf(item)}` === step) as unknown;
    return isPlain(value) ? own(value, step) : undefined;
  }, file);

/** A fact's place in words, as it can stand in a table and in a request. */
export function factKey(path: FactPath): string {
  return path.join(" / ");
}

function compare(path: FactPath, base: unknown, ours: unknown, theirs: unknown): Fact[] {
  if (same(ours, theirs)) return [];
  if (isPlain(ours) && isPlain(theirs)) {
    const before = isPlain(base) ? base : {};
    return union(Object.keys(ours), Object.keys(theirs)).flatMap((key) =>
      compare([...path, key], own(before, key), own(ours, key), own(theirs, key)),
    );
  }
  const [mine, other] = [byId(ours), byId(theirs)];
  if (mine && other && !isOrdered(base, ours, theirs)) {
    const before = byId(base) ?? new Map<string, unknown>();
    return union([...mine.keys()], [...other.keys()]).flatMap((id) =>
      compare([...path, `#${id}`], before.get(id), mine.get(id), other.get(id)),
    );
  }
  let changedBy: "theirs" | "ours" | "both";
  if (same(base, ours)) changedBy = "theirs";
  else if (same(base, theirs)) changedBy = "ours";
  else changedBy = "both";
  return [{ path, base, ours, theirs, changedBy }];
}

/**
 * Whether a list of names is to be taken as a whole: where it is not known what it was, or where what both have stands in
 * another order.
 */
function isOrdered(base: unknown, ours: unknown, theirs: unknown): boolean {
  const [a, b] = [namesIn(ours), namesIn(theirs)];
  if (!a || !b) return false;
  const common = (list: readonly string[], other: readonly string[]) => list.filter((n) => other.includes(n));
  return !namesIn(base) || !same(common(a, b), common(b, a));
}

const namesIn = (list: unknown): readonly string[] | null =>
  Array.isArray(list) && list.length > 0 && list.every((n) => typeof n === "string") ? list : null;

function put(into: unknown, path: FactPath, value: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return value;
  if (Array.isArray(into) || (into === undefined && step.startsWith("#"))) {
    const items: readonly unknown[] = Array.isArray(into) ? into : [];
    const at = items.findIndex((item) => `#${idOf(item)}` === step);
    const next = put(at < 0 ? undefined : items[at], rest, value);
    if (next === undefined) return items.filter((_, i) => i !== at);
    return at < 0 ? [...items, next] : items.map((item, i) => (i === at ? next : item));
  }
  const fields = isPlain(into) ? into : {};
  const next = put(own(fields, step), rest, value);
  return Object.fromEntries([
    ...Object.entries(fields).filter(([key]) => key !== step),
    ...(next === undefined ? [] : [[step, next] as const]),
  ]);
}

/** The items of a list by their ids; null for what is no list, or one whose items have none or not each their own. */
function byId(list: unknown): Map<string, unknown> | null {
  if (!Array.isArray(list)) return null;
  const found = new Map<string, unknown>();
  for (const item of list as readonly unknown[]) {
    const id = idOf(item);
    if (id === null || found.has(id)) return null;
    found.set(id, item);
  }
  return found;
}

function idOf(item: unknown): string | null {
  // A name is its own id.
  if (typeof item === "string") return item;
  if (!isPlain(item)) return null;
  const id = item["id"] ?? item["pin"] ?? item["value"];
  return typeof id === "string" || typeof id === "number" ? String(id) : null;
}

const isPlain = (value: unknown): value is Plain =>
  value !== null && typeof value === "object" && !Array.isArray(value);
/** A field of its own: a name such as `constructor` is no field of every record. */
const own = (fields: Plain, key: string) => (Object.hasOwn(fields, key) ? fields[key] : undefined);
const same = (a: unknown, b: unknown) => canonicalJson(a ?? null) === canonicalJson(b ?? null);
const union = (a: readonly string[], b: readonly string[]) => [...new Set([...a, ...b])];
