import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compareFiles, factKey, takeFacts } from "../../../../src/core/model/file/three-way";

const base = {
  name: "Winch",
  parts: [
    { id: "fuse", amps: 30 },
    { id: "motor", amps: 150, notes: ["a", "b"] },
  ],
  supply: { volts: 12, hertz: 0 },
};
const ours = {
  ...base,
  parts: [{ id: "fuse", amps: 40 }, base.parts[1], { id: "lamp", watts: 5 }],
};
const theirs = {
  ...base,
  name: "Rope winch",
  parts: [
    { id: "motor", amps: 140, notes: ["a", "c"] },
    { id: "fuse", amps: 35 },
  ],
  supply: { volts: 24, hertz: 0 },
};

describe("three versions of a file, fact by fact", () => {
  const facts = compareFiles(base, ours, theirs);
  it("says of each fact who changed it; lists are matched by id, not by place", () => {
    expect(facts.map((f) => [factKey(f.path), f.changedBy])).toEqual([
      ["name", "theirs"],
      ["parts / #fuse / amps", "both"],
      ["parts / #motor / amps", "theirs"],
      ["parts / #motor / notes / #b", "theirs"],
      ["parts / #motor / notes / #c", "theirs"],
      ["parts / #lamp", "ours"],
      ["supply / volts", "theirs"],
    ]);
    expect(facts[1]).toMatchObject({ base: 30, ours: 40, theirs: 35 });
  });

  it("takes what is chosen and leaves the rest as the shop has it", () => {
    const chosen = facts.filter((f) => f.changedBy === "theirs");
    expect(takeFacts(ours, chosen)).toEqual({
      name: "Rope winch",
      parts: [
        { id: "fuse", amps: 40 },
        { id: "motor", amps: 140, notes: ["a", "c"] },
        { id: "lamp", watts: 5 },
      ],
      supply: { volts: 24, hertz: 0 },
    });
  });

  it("without a known base says that both changed what differs", () => {
    expect(new Set(compareFiles(undefined, ours, theirs).map((f) => f.changedBy))).toEqual(new Set(["both", "ours"]));
  });

  it("finds nothing between equals, and taking all facts gives the newer one, whatever the files (property)", () => {
    const leaf = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom("x", "constructor", "__proto__"));
    const item = fc.record({
      id: fc.constantFrom("a", "b", "c"),
      n: leaf,
      more: fc.option(fc.dictionary(fc.constantFrom("k", "toString"), leaf), { nil: undefined }),
    });
    const file = fc.record({
      name: leaf,
      list: fc.uniqueArray(item, { selector: (i) => i.id, maxLength: 3 }),
      plain: fc.array(leaf, { maxLength: 3 }),
      deep: fc.record({ list: fc.uniqueArray(item, { selector: (i) => i.id, maxLength: 3 }) }),
    });
    const clean = (v: unknown): unknown => JSON.parse(JSON.stringify(v));
    const sorted = (v: unknown): unknown =>
      Array.isArray(v)
        ? v.map(sorted).sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1))
        : v !== null && typeof v === "object"
          ? Object.fromEntries(
              Object.entries(v)
                .map(([k, x]) => [k, sorted(x)])
                .sort(([a], [b]) => (a! < b! ? -1 : 1)),
            )
          : v;
    fc.assert(
      fc.property(file, file, file, (b, o, t) => {
        const [own, other] = [clean(o), clean(t)];
        expect(compareFiles(clean(b), own, own)).toEqual([]);
        // Items keep the shop's order, so lists are compared as sets.
        expect(sorted(takeFacts(own, compareFiles(clean(b), own, other)))).toEqual(sorted(other));
      }),
    );
  });
});
