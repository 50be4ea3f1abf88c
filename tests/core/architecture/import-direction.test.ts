import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { ESLint } from "eslint";
import { describe, expect, it } from "vitest";
import { CORE, RUNGS } from "../../../architecture.mjs";
import { circlesIn } from "../../support/import-circles";

const eslint = new ESLint({ cwd: new URL("../../..", import.meta.url).pathname });
const complaints = async (file: string, code: string) =>
  (await eslint.lintText(code, { filePath: file }))[0]!.messages.map((m) => m.ruleId);

describe("imports run one way", () => {
  it.each([
    ["src/core/circuit/probe.ts", 'import fs from "node:fs"; fs.readFileSync("x");'],
    ["src/core/circuit/probe.ts", 'import { useState } from "react"; useState();'],
    ["src/core/circuit/probe.ts", 'import { database } from "../../server/db"; database();'],
    ["src/workers/probe.ts", 'import { database } from "../server/db"; database();'],
    ["src/server/probe.ts", 'import { JobScreen } from "../ui/job/JobScreen"; JobScreen;'],
    ["src/ui/job/probe.ts", 'import { database } from "../../server/db"; database();'],
    ["src/devices/probe.ts", 'import { database } from "../server/db"; database();'],
    // Within core, from the ground up.
    ["src/core/model/probe.ts", 'import { x } from "../simulate/energise"; x();'],
    ["src/core/model/kinds/probe.ts", 'import { x } from "../../simulate/energise"; x();'],
    ["src/core/circuit/probe.ts", 'import type { Machine } from "../model/machine"; export type M = Machine;'],
    ["src/core/safety/probe.ts", 'import { x } from "../diagnose/belief/beliefs"; x();'],
    ["src/core/diagnose/advice/probe.ts", 'import { x } from "../../journal/fold"; x();'],
    // Within the search, downwards only; kinds are asked by their traits.
    ["src/core/diagnose/reading/probe.ts", 'import type { X } from "../dictionary/predictor"; export type Y = X;'],
    ["src/core/diagnose/dictionary/probe.ts", 'import { x } from "../belief/beliefs"; x();'],
    // Behind its face a module is nobody's business.
    ["src/server/probe.ts", 'import { compileMachine } from "../core/model/compile/compile"; compileMachine();'],
    ["src/core/safety/probe.ts", 'import type { Part } from "../model/machine"; export type P = Part;'],
  ])("%s may not say %s", async (file, code) => {
    expect((await complaints(file, code)).some((rule) => rule?.endsWith("no-restricted-imports"))).toBe(true);
  });

  it("core has no clock and no chance of its own", async () => {
    expect(await complaints("src/core/circuit/probe.ts", "export const x = Date.now();")).toContain(
      "no-restricted-globals",
    );
    expect(await complaints("src/core/circuit/probe.ts", "export const x = Math.random();")).toContain(
      "no-restricted-properties",
    );
  });

  it("no kind is asked for by its name, and no fields are read by a cast, outside the model", async () => {
    for (const code of [
      'export const x = (part: { kind: { kind: string } }) => part.kind.kind === "fuse";',
      "export const x = (part: { fields: unknown }) => (part.fields as { amps: number }).amps;",
    ])
      expect(await complaints("src/ui/job/probe.ts", code)).toContain("no-restricted-syntax");
  });

  it("screens know the contract, and no shape of the server", async () => {
    const code = (from: string) => `import type { JobRow } from "../../${from}/jobs";\nexport type Row = JobRow;\n`;
    expect(await complaints("src/ui/job/probe.ts", code("contract"))).toEqual([]);
    expect(await complaints("src/ui/job/probe.ts", code("server"))).not.toEqual([]);
  });

  it("every folder of core stands in the table, and the table names no other", () => {
    const folders = readdirSync(new URL("../../../src/core/", import.meta.url), { withFileTypes: true });
    expect(folders.flatMap((f) => (f.isDirectory() ? [f.name] : [])).sort()).toEqual(Object.keys(CORE).sort());
    // From the ground up: a module knows only those above it in the table.
    const order = Object.keys(CORE);
    for (const [module, known] of Object.entries(CORE))
      for (const other of known)
        expect(order.indexOf(other), `${module} knows ${other}`).toBeLessThan(order.indexOf(module));
  });

  it("every folder of the search is a rung", () => {
    const folders = readdirSync(new URL("../../../src/core/diagnose/", import.meta.url), { withFileTypes: true });
    expect(folders.flatMap((f) => (f.isDirectory() ? [f.name] : [])).sort()).toEqual([...RUNGS].sort());
  });

  it("nothing imports itself in a circle, whatever is imported of it", () => {
    const root = new URL("../../../", import.meta.url).pathname;
    const files = readdirSync(path.join(root, "src"), { recursive: true, encoding: "utf8" })
      .filter((f) => /\.tsx?$/.test(f))
      .map((f) => path.join("src", f));
    expect(files.length).toBeGreaterThan(300);
    expect(circlesIn(root, files)).toEqual([]);
  });

  it("finds a circle where there is one", () => {
    const folder = mkdtempSync(path.join(tmpdir(), "unzo-circle-"));
    writeFileSync(path.join(folder, "a.ts"), 'import type { B } from "./b";');
    writeFileSync(path.join(folder, "b.ts"), 'export { C } from "./c";');
    writeFileSync(path.join(folder, "c.ts"), 'const a = import("./a");');
    writeFileSync(path.join(folder, "d.ts"), 'import { A } from "./a";');
    expect(circlesIn(folder, ["a.ts", "b.ts", "c.ts", "d.ts"]).map((c) => [...c].sort())).toEqual([
      ["a.ts", "b.ts", "c.ts"],
    ]);
    rmSync(folder, { recursive: true });
  });

  it("what is allowed passes", async () => {
    expect(
      await complaints(
        "src/server/probe.ts",
        'import { compileMachine } from "../core/model";\nexport const x = compileMachine;\n',
      ),
    ).toEqual([]);
  });
});
