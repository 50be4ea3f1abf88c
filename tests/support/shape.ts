import { readFileSync } from "node:fs";
import path from "node:path";
import ts from "typescript";

/** How a file of source is built, as far as one can count it. */
export interface Shape {
  /** Functions longer than `most` lines, by name, with their lines. */
  readonly long: ReadonlyMap<string, number>;
}

/** Counts what is long in a file. */
export function shapeOf(root: string, file: string, most: number): Shape {
  const text = readFileSync(path.join(root, file), "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const lineOf = (position: number) => source.getLineAndCharacterOfPosition(position).line;
  const long = new Map<string, number>();
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) && "body" in node && node.body) {
      const lines = lineOf(node.getEnd()) - lineOf(node.getStart()) + 1;
      if (lines > most) long.set(nameOf(node), lines);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return { long };
}

function nameOf(node: ts.Node): string {
  const own = (node as { name?: ts.Node }).name;
  if (own) return own.getText();
  const { parent } = node;
  return ts.isVariableDeclaration(parent) || ts.isPropertyAssignment(parent) ? parent.name.getText() : "anonymous";
}
