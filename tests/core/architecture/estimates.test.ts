import { readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { estimatesIn } from "../../support/estimates";

it("every number that is an estimate stands on one page, with the value that it has", () => {
  const page = readFileSync(new URL("../../../docs/estimates.md", import.meta.url), "utf8");
  const rows = [...page.matchAll(/^\| (E\d\d) \| `([^`]*)` \| .* \| `([^`]*)` \|$/gm)].map(([, id, file, value]) => ({
    id,
    file,
    value,
  }));
  const found = estimatesIn(new URL("../../../src/", import.meta.url).pathname);
  expect(rows).toEqual(found);
  expect(new Set(found.map((e) => e.id)).size).toBe(found.length);
  expect(found.length).toBeGreaterThan(30);
});
