import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { generated } from "../../../scripts/docs";
import { workedExample } from "../../../scripts/lib/worked-example";

const docs = new URL("../../../docs/", import.meta.url);
const root = new URL("../../../", import.meta.url);

describe("the documents", () => {
  it.each(Object.entries(generated()))("%s is as it is made today: npm run docs", (name, text) => {
    expect(readFileSync(new URL(name, docs), "utf8")).toBe(text);
  });

  it("tell the worked example with the numbers that come out", () => {
    const page = readFileSync(new URL("method.md", docs), "utf8");
    const rows = [...page.matchAll(/^\| (?:the complaint|ohms)[^|]*\|[^|]*\| (.*) \|$/gm)].map(
      ([, suspects]) => suspects,
    );
    const made = workedExample().map((step) =>
      step.suspects
        .filter((s) => s.percent >= 0.5)
        .map((s) => `${s.name[0]!.toLowerCase()}${s.name.slice(1)} ${s.percent}`)
        .join(", "),
    );
    expect(rows).toEqual(made);
  });

  it("link to what there is", () => {
    const pages = [
      "README.md",
      "CONTRIBUTING.md",
      ...readdirSync(docs, { recursive: true, encoding: "utf8" })
        .filter((n) => n.endsWith(".md"))
        .map((n) => `docs/${n}`),
    ];
    const broken = pages.flatMap((page) => {
      const here = new URL(page, root);
      return [...readFileSync(here, "utf8").matchAll(/\]\((?!https?:|#)([^)#\s]+)/g)].flatMap(([, target]) => {
        try {
          readFileSync(new URL(target!, here));
          return [];
        } catch (error) {
          return (error as { code?: string }).code === "EISDIR" ? [] : [`${page}: ${target}`];
        }
      });
    });
    expect(broken).toEqual([]);
  });
});
