import { isMap, isNode, isPair, LineCounter, parseDocument, stringify, type Document } from "yaml";
import { compileMachine } from "../compile/compile";
import { MachineFileError } from "../compile/problem";
import type { Machine } from "../machine";
import { machineFileSchema, type MachineFile } from "../schema";
import { MOST_BYTES } from "./most-bytes";
import { saidOfIssue, type SchemaIssue } from "./said-of-issue";
import { formatOf, placeIn, toFormat1, toFormat2 } from "./format-2";
import { say } from "#words/core/model/file";

/** The deepest nesting of a machine file. */
const MOST_DEPTH = 40;
/**
 * Most lines, and most maps written in braces: a machine of 400 parts has fewer, and more would keep the parser busy
 * for seconds.
 */
const MOST_LINES = 9_000;
const MOST_BRACES = 4_000;
/** Most problems said at once. */
const MOST_SAID = 50;

/** One thing wrong in a machine file, placed for a person with an editor. */
export interface PlacedProblem {
  readonly file: string;
  /** Line counted from 1; 0 when it cannot be told. */
  readonly line: number;
  readonly field: string;
  readonly sentence: string;
}

/** Thrown for a file that cannot be used; `problems` says everything found, in order of lines. */
export class MachineYamlError extends Error {
  constructor(readonly problems: readonly PlacedProblem[]) {
    super(problems.map((p) => `${p.file}:${p.line}${p.field ? ` ${p.field}` : ""}: ${p.sentence}`).join("\n"));
    this.name = "MachineYamlError";
  }
}

/**
 * Reads a machine file. Scalars stay strings (a code 010 is no octal number), aliases are refused, size and
 * depth are bounded before the parser sees the text: deep nesting would abort the process, not throw.
 * Throws `MachineYamlError`.
 */
export function readMachineYaml(text: string, file: string): { file: MachineFile; machine: Machine } {
  const refuse = (line: number, field: string, sentence: string): never => {
    throw new MachineYamlError([{ file, line, field, sentence }]);
  };
  if (text.length > MOST_BYTES) refuse(0, "", say.isLargerThan1Mb);
  if (text.split("\n").length > MOST_LINES || text.split("{").length > MOST_BRACES)
    refuse(0, "", say.holdsTooMuchMoreThan);
  const deep = tooDeep(text);
  if (deep > 0) refuse(deep, "", say.isNestedMoreThanDeep(MOST_DEPTH));

  const lines = new LineCounter();
  const document = parseDocument(text, {
    schema: "failsafe",
    lineCounter: lines,
    uniqueKeys: true,
    prettyErrors: false,
  });
  if (document.errors.length > 0)
    throw new MachineYamlError(
      document.errors
        .slice(0, 20)
        .map((e) => ({ file, line: lines.linePos(e.pos[0]).line, field: "", sentence: e.message })),
    );
  if (document.warnings.length > 0) refuse(lines.linePos(document.warnings[0]!.pos[0]).line, "", say.usesATagAMachine);
  let plain: unknown;
  try {
    plain = document.toJS({ maxAliasCount: 0 });
  } catch {
    return refuse(0, "", say.usesAliasesAndWriteThe);
  }

  const format = formatOf(plain);
  const at = (path: readonly (string | number)[], sentence: string) =>
    place(document, lines, file, placeIn(format, path), sentence);
  const today = toFormat1(plain);
  if (today.problems.length > 0)
    throw new MachineYamlError(
      today.problems.slice(0, MOST_SAID).map((p) => place(document, lines, file, p.path, p.sentence)),
    );
  const parsed = machineFileSchema.safeParse(today.file);
  if (!parsed.success) {
    throw new MachineYamlError(
      parsed.error.issues.slice(0, MOST_SAID).map((issue) => {
        const said = saidOfIssue(issue as SchemaIssue, today.file, (path) =>
          String(placeIn(format, path).at(-1) ?? ""),
        );
        return at(said.path, said.sentence);
      }),
    );
  }
  try {
    return { file: parsed.data, machine: compileMachine(parsed.data) };
  } catch (error) {
    if (!(error instanceof MachineFileError)) throw error;
    throw new MachineYamlError(error.problems.map((p) => at(p.path, p.sentence)));
  }
}

/** Finds the line of a path; a missing field is placed at what should hold it. */
function place(
  document: Document,
  lines: LineCounter,
  file: string,
  path: readonly (string | number)[],
  sentence: string,
): PlacedProblem {
  const field = path.map(String).join(".");
  for (let length = path.length; length >= 0; length--) {
    const parent: unknown = length === 0 ? document.contents : document.getIn(path.slice(0, length - 1), true);
    const key = path[length - 1];
    const pair =
      length > 0 && isMap(parent)
        ? parent.items.find((i) => isPair(i) && isNode(i.key) && String(i.key) === String(key))
        : undefined;
    const node: unknown = pair?.key ?? (length === 0 ? document.contents : document.getIn(path.slice(0, length), true));
    if (isNode(node) && node.range) return { file, line: lines.linePos(node.range[0]).line, field, sentence };
  }
  return { file, line: 1, field, sentence };
}

/** A linear look at nesting, by brackets and by indentation. Returns the line where it goes too deep, or 0. */
function tooDeep(text: string): number {
  let line = 1;
  let brackets = 0;
  const indents: number[] = [];
  for (const row of text.split("\n")) {
    const body = row.trimStart();
    if (body !== "" && !body.startsWith("#")) {
      const indent = row.length - body.length;
      while (indents.length > 0 && indents[indents.length - 1]! >= indent) indents.pop();
      indents.push(indent);
      // "- - - x" nests without indenting.
      const dashes = /^(?:[-?:]\s+)*/.exec(body)![0].length / 2;
      if (indents.length + dashes > MOST_DEPTH) return line;
      for (const char of row) {
        if (char === "[" || char === "{") brackets++;
        else if (char === "]" || char === "}") brackets = Math.max(0, brackets - 1);
        if (brackets > MOST_DEPTH) return line;
      }
    }
    line++;
  }
  return 0;
}

/** A machine file as text in format 2, without what is empty or usual; it reads back to the same file. */
export function writeMachineYaml(file: MachineFile): string {
  return stringify(toFormat2(withoutUsual(file)), { lineWidth: 160, flowCollectionPadding: true });
}

/**
 * A file, or part of one, without empty lists and records (but for where a part has its terminals), and without flags
 * that are off.
 */
export function withoutUsual(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutUsual);
  if (value === null || typeof value !== "object") return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([k, v]) => k === "at" || !isUsual(v))
      .map(([k, v]) => [k, withoutUsual(v)]),
  );
}

function isUsual(value: unknown): boolean {
  if (value === undefined || value === false) return true;
  if (value === null || typeof value !== "object") return false;
  return Array.isArray(value) ? value.length === 0 : Object.keys(value).length === 0;
}
