import { ESLint } from "eslint";
import { describe, expect, it } from "vitest";

const eslint = new ESLint({ cwd: new URL("../..", import.meta.url).pathname });
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

  it("what is allowed passes", async () => {
    expect(
      await complaints(
        "src/server/probe.ts",
        'import { LEAK } from "../core/circuit/elimination";\nexport const x = LEAK;\n',
      ),
    ).toEqual([]);
  });
});
