import { readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { readChart, rulesOf } from "../../src/core/workbench/switch-chart";

/** A chart as a sheet prints it, the rule it was printed by, and the one row that was misprinted. */
interface Chart {
  readonly name: string;
  readonly chart: string;
  readonly offset: number;
  readonly step: number;
  readonly counts: "on" | "off";
  readonly misprint: { readonly row: number; readonly meant: readonly number[]; readonly standsFor: number };
}

const charts = JSON.parse(readFileSync(new URL("switch-charts.json", import.meta.url), "utf8")) as readonly Chart[];

describe("charts of coded switches, one row of each misprinted", () => {
  test("there are twenty of them", () => expect(charts).toHaveLength(20));
  test.each(charts.map((c) => [c.name, c] as const))("%s: the rule is found, the misprint named", (_name, c) => {
    const [best] = rulesOf(readChart(c.chart));
    expect(best!.misprints).toEqual([
      { row: c.misprint.row, nearest: c.misprint.meant, standsFor: c.misprint.standsFor },
    ]);
  });
  test("by hand: 24 is 1 3 5, 30 is 1 2 4 5, and 18 would be 1 2 3 4, since 1 2 3 is 10", () => {
    const [best] = rulesOf(readChart("24: 1 3 5\n30: 1 2 4 5\n18: 1 2 3"));
    expect(best).toMatchObject({ weights: [1, 2, 4, 8, 16], offset: 3, step: 1, counts: "on" });
    expect(best!.misprints).toEqual([{ row: 2, nearest: [1, 2, 3, 4], standsFor: 10 }]);
  });
});
