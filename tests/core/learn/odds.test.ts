import { create, all } from "mathjs";
import { describe, expect, it } from "vitest";
import { causeOdds, type FileOdds, gathered, oddsByPart, saidOdds, withOdds } from "../../../src/core/learn/cause-odds";
import { chanceToHold, holdOdds } from "../../../src/core/learn/hold-odds";
import type { CauseSeen } from "../../../src/core/learn/outcome";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { uniformFor } from "../../../src/core/random";
import { demoMachine } from "../../support/demo-machine";

const NOW = Date.parse("2026-11-30T00:00:00.000Z");
const ago = (days: number) => NOW - days * 86_400_000;

const file: FileOdds = {
  machine: "m",
  causes: [
    { part: "a", mode: "open", sort: "relay:open", said: 0.5 },
    { part: "b", mode: "open", sort: "relay:open", said: 0.3 },
    { part: "c", mode: "worn", sort: "pump:worn", said: 0.2 },
  ],
};
const other: FileOdds = { machine: "n", causes: file.causes.map((c) => ({ ...c, part: `n${c.part}` })) };
const seen = (part: string, more: Partial<CauseSeen> = {}): CauseSeen => {
  const { mode, sort } = [...file.causes, ...other.causes].find((c) => c.part === part)!;
  return { machine: "m", part, mode, sort, weight: 1, at: ago(0), ...more };
};
const used = (list: readonly CauseSeen[], others: readonly FileOdds[] = []) =>
  causeOdds(file, list, others, NOW).map((c) => c.used);

describe("the odds of a machine's causes", () => {
  it("are those of its file where nothing was seen", () => {
    used([]).forEach((u, i) => expect(u).toBeCloseTo(file.causes[i]!.said, 12));
  });

  it("are the mean of a Dirichlet distribution, worked by hand", () => {
    // The file counts as 20 jobs: 10, 6 and 4. Four more of c: (4 + 4) / 24.
    const after = used([1, 2, 3, 4].map(() => seen("c")));
    [10 / 24, 6 / 24, 8 / 24].forEach((share, i) => expect(after[i]).toBeCloseTo(share, 12));
  });

  it("forget: what was seen three years ago counts half", () => {
    const [, , recent] = used([seen("c", { weight: 0.5 })]);
    const [, , old] = used([seen("c", { at: ago(3 * 365.25) })]);
    expect(old).toBeCloseTo(recent!, 9);
  });

  it("are raised by what the same kind of part does in other machines, and by nothing else", () => {
    // In n all of 10 causes were worn pumps where its file has 2 in 10: (10 + 5) / (2 + 5) times as often; relays
    // were met 0 times where 8 were expected: 5 / 13.
    const elsewhere = Array.from({ length: 10 }, () => seen("nc", { machine: "n" }));
    const odds = causeOdds(file, elsewhere, [other, file], NOW);
    expect(odds[2]!.elsewhere).toBeCloseTo(15 / 7, 9);
    expect(odds[0]!.elsewhere).toBeCloseTo(5 / 13, 9);
    const raised = [0.5 * (5 / 13), 0.3 * (5 / 13), 0.2 * (15 / 7)];
    const total = raised.reduce((sum, r) => sum + r, 0);
    odds.forEach((o, i) => expect(o.used).toBeCloseTo(raised[i]! / total, 9));
    // A machine is not taught twice by its own.
    expect(causeOdds(file, [seen("c")], [file], NOW)[2]!.elsewhere).toBe(1);
  });

  it("always add to one and leave no cause without a chance, whatever was seen", () => {
    let drawn = 0;
    const random = () => uniformFor(7, `${drawn++}`);
    for (let draw = 0; draw < 200; draw++) {
      const parts = ["a", "b", "c", "na", "nb", "nc"];
      const list = Array.from({ length: Math.floor(random() * 60) }, () => {
        const part = parts[Math.floor(random() * parts.length)]!;
        return seen(part, { machine: part.startsWith("n") ? "n" : "m", weight: random(), at: ago(random() * 3000) });
      });
      const shares = used(list, [other]);
      // Taken together they teach the same.
      used(gathered(list, NOW), [other]).forEach((share, i) => expect(share).toBeCloseTo(shares[i]!, 12));
      expect(shares.reduce((sum, s) => sum + s, 0)).toBeCloseTo(1, 9);
      shares.forEach((share) => expect(share).toBeGreaterThan(0));
    }
  });

  it("are not turned over by ten wrong closings: what is true keeps most of its share", () => {
    const wrong = (weight: number) => used(Array.from({ length: 10 }, () => seen("c", { weight })))[0]! / 0.5;
    expect(wrong(0.3)).toBeGreaterThan(0.8);
    expect(wrong(1)).toBeGreaterThan(0.6);
  });
});

describe("the odds of a drawn machine", () => {
  it("put into its file change nothing but how likely its faults are", () => {
    const machine = demoMachine();
    const said = saidOdds(machine);
    expect(said.causes.reduce((sum, c) => sum + c.said, 0)).toBeCloseTo(1, 9);
    const target = said.causes.find((c) => c.said > 0)!;
    const list = Array.from({ length: 10 }, () => ({ machine: said.machine, ...target, weight: 1, at: ago(0) }));
    const odds = causeOdds(said, list, [], NOW);
    const learned = compileMachine(withOdds(machine.file, oddsByPart(machine, odds)));
    const again = saidOdds(learned);
    again.causes.forEach((c, i) => expect(c.said, c.part).toBeCloseTo(odds[i]!.used, 4));
    expect({ ...learned.file, odds: undefined }).toEqual({ ...machine.file, odds: undefined });
    // Nothing at all learned gives the file's odds back.
    const same = saidOdds(compileMachine(withOdds(machine.file, oddsByPart(machine, causeOdds(said, [], [], NOW)))));
    same.causes.forEach((c, i) => expect(c.said).toBeCloseTo(said.causes[i]!.said, 5));
  });

  it("keep what a file has ruled out", () => {
    const drawn = { ...demoMachine().file, odds: { PS1: { ripple: 0 } } };
    expect(withOdds(drawn, { PS1: { dead: 3 } }).odds).toEqual({ PS1: { ripple: 0, dead: 3 } });
  });

  it("are passed over for parts and ways of failing that the file has no more", () => {
    const learned = compileMachine(withOdds(demoMachine().file, { gone: { open: 3 }, F1: { melted: 3 } }));
    expect(saidOdds(learned)).toEqual(saidOdds(demoMachine()));
  });
});

describe("the chance that a repair holds", () => {
  it("is the mean of what the readings leave of a beta distribution, as mathjs integrates it", () => {
    const math = create(all!);
    // Usual 0.9 counting as ten: beta(9, 1); two held, three came back: density p^(9+2-1) (1-p)^(1+3-1).
    const grid = math.range(0.0005, 1, 0.001).toArray() as number[];
    const density = grid.map((p) => p ** 10 * (1 - p) ** 3);
    const mean = (math.sum(grid.map((p, i) => p * density[i]!)) as number) / (math.sum(density) as number);
    expect(chanceToHold(0.9, { held: 2, cameBack: 3 })).toBeCloseTo(mean, 4);
    expect(chanceToHold(0.9, undefined)).toBe(0.9);
  });

  it("is counted option by option and sort by sort", () => {
    const at = ago(0);
    const rows = holdOdds(
      [
        { option: "clean", sort: "contact:dirty", held: true, at },
        { option: "clean", sort: "contact:dirty", held: false, at },
        { option: "clean", sort: "switch:dirty", held: true, at },
      ],
      NOW,
    );
    expect(rows).toEqual([
      { option: "clean", sort: "contact:dirty", held: 1, cameBack: 1 },
      { option: "clean", sort: "switch:dirty", held: 1, cameBack: 0 },
    ]);
  });
});
