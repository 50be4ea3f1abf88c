import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";

/** A number that is somebody's estimate, as the code has it. */
export interface Estimate {
  readonly id: string;
  /** Below `src`. */
  readonly file: string;
  /** The code it stands over, in one line. */
  readonly value: string;
}

/** Every estimate in the source: a comment that bears its id, and what it stands over. */
export function estimatesIn(src: string): readonly Estimate[] {
  return readdirSync(src, { recursive: true, encoding: "utf8" })
    .filter((f) => /\.tsx?$/.test(f))
    .flatMap((file) => {
      const text = readFileSync(path.join(src, file), "utf8");
      return [...text.matchAll(/\/\*\*(?:(?!\*\/)[\s\S])*?estimates? (E\d\d)[\s\S]*?\*\//gi)].map((m) => {
        const code = text.slice(m.index + m[0].length).split(/\n\s*\n|\n\s*\/\*\*/)[0]!;
        const value = code
          .trim()
          .replace(/\s+/g, " ")
          .replace(/^(export )?(const|function) /, "");
        return { id: m[1]!, file, value: value.slice(0, 160).replace(/[|]/g, "/").replace(/`/g, "") };
      });
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}
