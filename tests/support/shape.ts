import { readFileSync } from "node:fs";
import path from "node:path";
import ts from "typescript";

/** How a file of source is built, as far as one can count it. */
export interface Shape {
  /** Functions longer than `most` lines, by name, with their lines; a sentence over several lines counts as one. */
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
      const lines = lineOf(node.getEnd()) - lineOf(node.getStart()) + 1 - wrapped(node.body);
      if (lines > most) long.set(nameOf(node), lines);
    }
    ts.forEachChild(node, visit);
  };
  /** Lines that a sentence takes beyond its first: it reads as one, and the width of a line decides. */
  const wrapped = (node: ts.Node): number => {
    if (isSentence(node)) return lineOf(node.getEnd()) - lineOf(node.getStart());
    let sum = 0;
    ts.forEachChild(node, (child) => void (sum += wrapped(child)));
    return sum;
  };
  visit(source);
  return { long };
}

/** Whether a node is texts put together with `+`, and nothing else. */
function isSentence(node: ts.Node): boolean {
  const isText = (part: ts.Node): boolean =>
    ts.isStringLiteral(part) ||
    ts.isTemplateLiteral(part) ||
    (ts.isBinaryExpression(part) &&
      part.operatorToken.kind === ts.SyntaxKind.PlusToken &&
      isText(part.left) &&
      isText(part.right));
  return ts.isBinaryExpression(node) && isText(node);
}

function nameOf(node: ts.Node): string {
  const own = (node as { name?: ts.Node }).name;
  if (own) return own.getText();
  const { parent } = node;
  return ts.isVariableDeclaration(parent) || ts.isPropertyAssignment(parent) ? parent.name.getText() : "anonymous";
}
