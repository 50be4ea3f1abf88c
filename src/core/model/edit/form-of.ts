import type { z } from "zod";
import { NEW_NAMES } from "../file/format-2";
import { conditionSchema } from "../program/condition";
import { partKind } from "../kinds/registry";
import { machineFileSchema } from "../schema";

/**
 * How a value of a file is edited, from its own schema: a line, a choice, several words, named fields, rows, named rows,
 * a condition; `either` where it may be one of several shapes.
 */
export type FormNode =
  | { readonly sort: "line" }
  | { readonly sort: "choice"; readonly options: readonly string[] }
  | { readonly sort: "several"; readonly count: number | null }
  | { readonly sort: "fields"; readonly fields: readonly FormField[] }
  | { readonly sort: "rows"; readonly of: FormNode }
  | { readonly sort: "named rows"; readonly of: FormNode }
  | { readonly sort: "condition" }
  | { readonly sort: "either"; readonly of: readonly FormNode[] };

export interface FormField {
  readonly name: string;
  readonly node: FormNode;
  readonly isRequired: boolean;
}

/** What Zod keeps of a schema. */
interface Definition {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly element?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly items?: readonly z.ZodType[];
  readonly entries?: Readonly<Record<string, string>>;
  readonly values?: readonly unknown[];
  readonly getter?: () => z.ZodType;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
}

const definitionOf = (schema: z.ZodType): Definition => schema.def as unknown as Definition;
const LINE: FormNode = { sort: "line" };

/** The form of a schema. What has no form of its own is a line. */
export function formOf(schema: z.ZodType): FormNode {
  if ((schema as unknown) === conditionSchema) return { sort: "condition" };
  const def = definitionOf(schema);
  switch (def.type) {
    case "optional":
    case "default":
      return formOf(def.innerType!);
    case "lazy":
      return formOf(def.getter!());
    case "pipe":
      return formOf(def.in!);
    case "enum":
      return { sort: "choice", options: Object.values(def.entries!) };
    case "object":
      return { sort: "fields", fields: fieldsOf(def.shape!) };
    case "record":
      return { sort: "named rows", of: formOf(def.valueType!) };
    case "tuple":
      return { sort: "several", count: def.items!.length };
    case "array":
      return rowsOf(formOf(def.element!));
    case "union":
      return eitherOf(def.options!);
    default:
      return LINE;
  }
}

const isScalar = ({ sort }: FormNode) => sort === "line" || sort === "choice";

function rowsOf(of: FormNode): FormNode {
  return isScalar(of) ? { sort: "several", count: null } : { sort: "rows", of };
}

function fieldsOf(shape: Readonly<Record<string, z.ZodType>>): readonly FormField[] {
  return Object.entries(shape)
    .filter(([, schema]) => definitionOf(schema).type !== "literal")
    .map(([name, schema]) => ({ name, node: formOf(schema), isRequired: !schema.safeParse(undefined).success }));
}

/** Several shapes: of scalars a line, or yes and no; of shapes one of them. */
function eitherOf(options: readonly z.ZodType[]): FormNode {
  const nodes = options.map(formOf);
  if (options.some((o) => definitionOf(o).type === "boolean")) return { sort: "choice", options: ["yes", "no"] };
  const shapes = nodes.filter((n) => !isScalar(n));
  if (shapes.length === 0) return LINE;
  // Tuples that differ by their length only are words one after another.
  if (shapes.every((s) => s.sort === "several")) return { sort: "several", count: null };
  return shapes.length === 1 ? shapes[0]! : { sort: "either", of: shapes };
}

/** The fields that a kind of part has of its own; none for a kind that there is not. */
export function kindForm(kind: string): readonly FormField[] {
  const known = partKind(kind);
  const form = known ? formOf(known.fields as unknown as z.ZodType) : LINE;
  return form.sort === "fields" ? form.fields : [];
}

/** The form of a section of a file, as `setups`. Throws a RangeError for one that it has not. */
export function sectionForm(section: string): FormNode {
  const whole = formOf(machineFileSchema);
  const field = whole.sort === "fields" ? whole.fields.find((f) => f.name === section) : undefined;
  if (!field) throw new RangeError(section);
  return field.node;
}

/** Which of several shapes a value has: the one with most of its names; the first for none. */
export function shapeOf(shapes: readonly FormNode[], value: unknown): number {
  const names = new Set(value !== null && typeof value === "object" ? Object.keys(value) : []);
  const hits = shapes.map((s) => (s.sort === "fields" ? s.fields.filter((f) => names.has(f.name)).length : 0));
  return hits.indexOf(Math.max(...hits));
}

/** A field's name as it is said, under its name of today: `openDoors` is `open doors`, `piece` is `assembly`. */
export const fieldName = (name: string): string =>
  (NEW_NAMES.get(name) ?? name).replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
