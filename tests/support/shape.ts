import { readFileSync } from "node:fs";
import path from "node:path";
import ts from "typescript";

/** How a file of source is built, as far as one can count it. */
export interface Shape {
  /** Functions longer than `most` lines, by name, with their lines. */
  readonly long: ReadonlyMap<string, number>;
  /** Conditional expressions inside conditional expressions. */
  readonly nested: number;
}

/** Counts what is long and what is nested in a file. */
export function shapeOf(root: string, file: string, most: number): Shape {
  const text = readFileSync(path.join(root, file), "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const lineOf = (position: number) => source.getLineAndCharacterOfPosition(position).line;
  const long = new Map<string, number>();
  let nested = 0;
  const visit = (node: ts.Node): void => {
    if (ts.isConditionalExpression(node) && isBranchOf(node)) nested++;
    if (ts.isFunctionLike(node) && "body" in node && node.body) {
      const lines = lineOf(node.getEnd()) - lineOf(node.getStart()) + 1;
      if (lines > most) long.set(nameOf(node), lines);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return { long, nested };
}

/** Whether an expression is, brackets aside, a branch or the condition of a conditional one. */
function isBranchOf(node: ts.Node): boolean {
  const { parent } = node;
  return ts.isConditionalExpression(parent) || (ts.isParenthesizedExpression(parent) && isBranchOf(parent));
}

function nameOf(node: ts.Node): string {
  const own = (node as { name?: ts.Node }).name;
  if (own) return own.getText();
  const { parent } = node;
  return ts.isVariableDeclaration(parent) || ts.isPropertyAssignment(parent) ? parent.name.getText() : "anonymous";
}
