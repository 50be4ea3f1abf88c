import { readFileSync } from "node:fs";
import path from "node:path";

/**
 * Files that import each other in a circle, types included, each circle once (strongly connected components, Tarjan
 * 1972).
 */
export function circlesIn(root: string, files: readonly string[]): readonly (readonly string[])[] {
  const known = new Set(files);
  const importsOf = new Map(files.map((file) => [file, importedBy(root, file, known)]));
  const found: string[][] = [];
  const order = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const visit = (file: string) => {
    order.set(file, order.size);
    low.set(file, order.get(file)!);
    stack.push(file);
    for (const other of importsOf.get(file)!) {
      if (!order.has(other)) visit(other);
      if (stack.includes(other)) low.set(file, Math.min(low.get(file)!, low.get(other)!));
    }
    if (low.get(file) !== order.get(file)) return;
    const circle = stack.splice(stack.indexOf(file));
    if (circle.length > 1 || importsOf.get(file)!.includes(file)) found.push(circle);
  };
  for (const file of files) if (!order.has(file)) visit(file);
  return found;
}

function importedBy(root: string, file: string, known: ReadonlySet<string>): string[] {
  const text = readFileSync(path.join(root, file), "utf8");
  return [...text.matchAll(/\b(?:from|import)\s*\(?\s*"(\.[^"]+)"/g)].flatMap(([, specifier]) => {
    const base = path.join(path.dirname(file), specifier!);
    return [base, `${base}.ts`, `${base}.tsx`, path.join(base, "index.ts")].filter((c) => known.has(c)).slice(0, 1);
  });
}
