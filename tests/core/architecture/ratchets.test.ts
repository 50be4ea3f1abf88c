import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { shapeOf } from "../../support/shape";

/**
 * What was too long when these rules were made. An entry may shrink and go, and none may grow or be added.
 */
const BASELINE = JSON.parse(readFileSync(new URL("../../ratchets.json", import.meta.url), "utf8")) as {
  readonly longFunctions: Readonly<Record<string, { readonly lines: number; readonly why: string }>>;
};
const MOST_LINES = 60;
const MOST_COLUMNS = 140;

const root = new URL("../../../", import.meta.url).pathname;
const files = readdirSync(path.join(root, "src"), { recursive: true, encoding: "utf8" })
  .filter((f) => /\.tsx?$/.test(f))
  .map((f): string => path.posix.join("src", f));
const shapes = new Map(files.map((f) => [f, shapeOf(root, f, MOST_LINES)]));

describe("source that can be read", () => {
  it("has no function of the core over 60 lines but those that were there, which do not grow", () => {
    const now = files
      .filter((f) => f.startsWith("src/core/"))
      .flatMap((f) => [...shapes.get(f)!.long].map(([name, lines]) => [`${f} ${name}`, lines] as const));
    const grown = now.filter(([name, lines]) => lines > (BASELINE.longFunctions[name]?.lines ?? 0));
    expect(grown).toEqual([]);
    // What has become short leaves the list.
    const known = new Set<string>(now.map(([name]) => name));
    expect(Object.keys(BASELINE.longFunctions).filter((name) => !known.has(name))).toEqual([]);
    for (const [name, { why }] of Object.entries(BASELINE.longFunctions)) expect(why, name).not.toBe("");
  });

  it("has no line over 140 columns", () => {
    const long = files.flatMap((f) =>
      readFileSync(path.join(root, f), "utf8")
        .split("\n")
        .flatMap((line, i) => (line.length > MOST_COLUMNS ? [`${f}:${i + 1}`] : [])),
    );
    expect(long).toEqual([]);
  });
});
