import { describe, expect, it } from "vitest";
import { parse } from "yaml";
import { KIND_IDS, kindPage, partKind, plainestParts } from "../../../src/core/model";
import { FLEET, machineNamed } from "../../support/fleet";

const examples = plainestParts(FLEET.map((name) => machineNamed(name).file));

describe("the page of a kind of part", () => {
  it.each(KIND_IDS)("%s: says what it is, and shows a part that a file may have", (id) => {
    const example = examples.get(id) ?? null;
    const page = kindPage(id, example);
    expect(page.says).toMatch(/^[A-Z].*\.$/);
    expect(page.fields.every((f) => f.says !== "")).toBe(true);
    if (!example) return;
    const written = parse(page.example!) as Record<string, unknown>;
    expect(written["kind"]).toBe(id);
    for (const f of page.fields.filter((x) => x.isRequired)) expect(written, f.name).toHaveProperty(f.name);
    expect(Object.keys(written["at"] as object).sort()).toEqual([...page.terminals].sort());
    expect(partKind(id)!.fields.safeParse(written).success).toBe(true);
    expect(page.failures.length).toBe(partKind(id)!.failures.modes(example).length);
  });

  it("has an example for nearly every kind: contacts come with their plugs, wires with their ends", () => {
    expect(KIND_IDS.filter((id) => !examples.has(id))).toEqual(["wire", "contact"]);
  });

  it("tells what must be said from what may be left out, and what it is then", () => {
    const { fields } = kindPage("fuse", examples.get("fuse")!);
    expect(fields).toMatchObject([
      { name: "amps", isRequired: true, default: null, unit: "A" },
      { name: "family", isRequired: false, default: "quick" },
    ]);
  });
});
