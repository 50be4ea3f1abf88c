import { closest, distance } from "fastest-levenshtein";
import { fieldSentence, fieldWords } from "../field-words";
import { PART_KINDS, partKind } from "../kinds/registry";
import { say } from "#words/core/model/file";

type Path = readonly (string | number)[];

/** What a schema found wrong: as much of it as a sentence needs. */
export interface SchemaIssue {
  readonly code?: string | undefined;
  readonly path: readonly PropertyKey[];
  readonly message: string;
  readonly keys?: readonly string[];
  readonly values?: readonly unknown[];
  /** Of a field that may have several forms: what is wrong in each. */
  readonly errors?: readonly (readonly SchemaIssue[])[];
  readonly discriminator?: string | undefined;
}

/** What the field at a place of format 1 is called in the file at hand. */
export type NameOf = (path: Path) => string;

/** Fields of every part. */
const COMMON = ["id", "kind", "name", "piece", "at", "odds"];

/** Where it is, and a sentence that says what to write there. */
export interface Said {
  readonly path: Path;
  readonly sentence: string;
}

const isStep = (step: PropertyKey): step is string | number => typeof step !== "symbol";

/** What is wrong in a file under the names of format 1, for a person: the field, and what belongs there. */
export function saidOfIssue(issue: SchemaIssue, file: unknown, nameOf: NameOf, before: Path = []): Said {
  const path = [...before, ...issue.path.filter(isStep)];
  const value = valueAt(file, path);
  if (issue.discriminator !== undefined) return { path, sentence: unknownKind(value) };
  const form = value === undefined ? null : nearestForm(issue);
  if (form) return saidOfIssue(form, file, nameOf, path);
  const kind = kindAt(file, path);
  const field = String(path.at(-1) ?? "");
  if (issue.code === "unrecognized_keys") return { path, sentence: unknownField(issue.keys ?? [], kind, nameOf) };
  const isOfPart = kind !== null && path.length === 3;
  const means = isOfPart && fieldWords(kind, field) ? fieldSentence(kind, field) : "";
  if (value === undefined) {
    const name = nameOf(path);
    return { path, sentence: means ? say.isMissing(name, means) : say.isMissingPlain(name) };
  }
  if (issue.code === "invalid_value") return { path, sentence: say.isOneOf(words(issue.values ?? [])) };
  if (issue.code === "invalid_type" || issue.code === "invalid_union")
    return { path, sentence: means ? say.isNotThat(written(value), means) : say.isNotRead(written(value)) };
  return { path, sentence: means ? say.withMeaning(issue.message, means) : issue.message };
}

/** Of the forms that a field may have, what is wrong in the one that was most likely meant: where it fits deepest. */
function nearestForm({ code, errors = [] }: SchemaIssue): SchemaIssue | null {
  if (code !== "invalid_union" || errors.length === 0) return null;
  const depth = (branch: readonly SchemaIssue[]) => Math.max(...branch.map((i) => i.path.length));
  // A form that knows the kind of value, and says what is wrong with it, was meant rather than one of another kind.
  const plain = (branch: readonly SchemaIssue[]) => (branch.every((i) => i.code === "invalid_type") ? 1 : 0);
  const [best] = [...errors]
    .filter((branch) => branch.length > 0)
    .sort((a, b) => depth(b) - depth(a) || plain(a) - plain(b) || a.length - b.length);
  return best?.[0] ?? null;
}

function unknownKind(value: unknown): string {
  const kinds = PART_KINDS.map((k) => k.kind);
  if (typeof value !== "string") return say.kindIsMissing;
  return say.noSuchKind(value, closest(value, kinds));
}

/** How many letters may differ in what is taken for a slip of the pen. */
const SLIPS = 3;

function unknownField(keys: readonly string[], kind: string | null, nameOf: NameOf): string {
  const [key] = keys;
  const known = kind === null ? [] : fieldsOf(kind);
  const all = [...known, ...(kind === null ? [] : COMMON.map((field) => nameOf(["parts", 0, field])))];
  const near = key !== undefined && all.length > 0 ? closest(key, all) : undefined;
  if (key !== undefined && near !== undefined && distance(key, near) <= SLIPS) return say.fieldMeant(key, near);
  return known.length > 0
    ? say.hasOnlyTheFields(keys.join(", "), kind!, known.join(", "))
    : say.doesNotKnowTheField(keys.join(", "));
}

/** The fields of a kind of part, beside those that every part has. */
export function fieldsOf(kind: string): readonly string[] {
  const schema = partKind(kind)?.fields as { readonly shape?: Readonly<Record<string, unknown>> } | undefined;
  return Object.keys(schema?.shape ?? {});
}

/** The kind of the part that a place lies in; null where it lies in none. */
function kindAt(file: unknown, path: Path): string | null {
  if (path[0] !== "parts" || typeof path[1] !== "number") return null;
  const kind = valueAt(file, [path[0], path[1], "kind"]);
  return typeof kind === "string" ? kind : null;
}

function valueAt(file: unknown, path: Path): unknown {
  return path.reduce<unknown>(
    (at, step) =>
      at !== null && typeof at === "object" ? (at as Readonly<Record<string, unknown>>)[String(step)] : undefined,
    file,
  );
}

const words = (values: readonly unknown[]) => values.map(String).join(", ");
const written = (value: unknown) => (typeof value === "string" ? value : JSON.stringify(value)).slice(0, 60);
