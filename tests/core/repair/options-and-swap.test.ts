import { describe, expect, test } from "vitest";
import {
  costOfOrder,
  optionsFor,
  outlay,
  USUAL_RATES,
  weighOptions,
  type RepairOption,
} from "../../../src/core/repair/options";
import { openingOrder, plugsOf, swapPlan } from "../../../src/core/repair/swap-plan";
import { FLEET, machineNamed } from "../../support/fleet";

const option = (id: string, minutes: number, parts: number, holds: number): RepairOption => ({
  id,
  words: id,
  minutes,
  parts,
  holds,
  leadDays: 0,
  temporary: false,
  school: "",
  source: "from memory",
});

describe("what to do about it", () => {
  test("the cost of an order is the sum over every way it can go (enumerated)", () => {
    const order = [option("a", 5, 0, 0.4), option("b", 15, 1, 0.75), option("c", 20, 90, 0.95)];
    let sum = 0;
    // Every way: the first k fail, the next holds, or all fail.
    for (let k = 0; k <= order.length; k++) {
      const chance = order.slice(0, k).reduce((p, o) => p * (1 - o.holds), 1) * (order[k]?.holds ?? 1);
      const money =
        order.slice(0, Math.min(k + 1, order.length)).reduce((m, o) => m + outlay(o, USUAL_RATES), 0) +
        USUAL_RATES.comeBack * k +
        (k === order.length ? 200 : 0);
      sum += chance * money;
    }
    expect(costOfOrder(order, USUAL_RATES, 200)).toBeCloseTo(sum, 9);
  });
  test("the cheapest beginning is the one that trying every order finds", () => {
    const options = [
      option("reseat", 4, 0, 0.4),
      option("clean", 16, 1, 0.75),
      option("pin", 22, 4, 0.94),
      option("harness", 40, 35, 0.98),
    ];
    const all = options.flatMap((a) => [
      [a],
      ...options.flatMap((b) =>
        a === b ? [] : [[a, b], ...options.flatMap((c) => (c === a || c === b ? [] : [[a, b, c]]))],
      ),
    ]);
    const best = all
      .map((order) => ({ first: order[0]!.id, cost: costOfOrder(order, USUAL_RATES, 400) }))
      .sort((x, y) => x.cost - y.cost)[0]!;
    const weighed = weighOptions(options, USUAL_RATES, 400);
    expect(weighed[0]!.option.id).toBe(best.first);
    expect(weighed[0]!.expected).toBeCloseTo(best.cost, 9);
  });
  test("at its break-even chance an option costs what its rival costs: there the answer flips", () => {
    const options = [option("clean", 16, 1, 0.75), option("pin", 22, 4, 0.94)];
    const [first, second] = weighOptions(options, USUAL_RATES, 400);
    const at = first!.breakEven!;
    expect(at).toBeGreaterThan(0);
    expect(at).toBeLessThan(first!.option.holds);
    const there = weighOptions(
      options.map((o) => (o.id === first!.option.id ? { ...o, holds: at } : o)),
      USUAL_RATES,
      400,
    );
    expect(there[0]!.expected).toBeCloseTo(there[1]!.expected, 3);
    const below = weighOptions(
      options.map((o) => (o.id === first!.option.id ? { ...o, holds: at - 0.03 } : o)),
      USUAL_RATES,
      400,
    );
    expect(below[0]!.option.id).toBe(second!.option.id);
  });
  test("a contact is cleaned before a harness is bought; a burnt relay joint soldered again is temporary; licensed work is handed over", () => {
    const fridge = machineNamed("quellmoor-sb-210");
    const contact = fridge.parts.find((p) => p.kind.kind === "contact")!;
    const weighed = weighOptions(optionsFor(fridge, { part: contact.id, mode: "resistive" }), USUAL_RATES, 400).map(
      (c) => c.option.id,
    );
    expect(weighed.indexOf("clean")).toBeLessThan(weighed.indexOf("harness"));
    const relay = fridge.parts.find((p) => p.kind.kind === "relay")!;
    const options = optionsFor(fridge, { part: relay.id, mode: "contact-open" });
    expect(options.find((o) => o.id === "solder")!.temporary).toBe(true);
    expect(options.map((o) => o.id)).toEqual(
      expect.arrayContaining(["relay", "maker-board", "rebuilt-board", "donor-board"]),
    );
    const compressor = machineNamed("kaldruun-uc-80");
    expect(optionsFor(compressor, { part: "compressor", mode: "locked" }).map((o) => o.id)).toEqual([
      "hand-over",
      "give-up",
    ]);
  });
  test("what is worth little is given up", () => {
    const options = [option("board", 30, 250, 0.95), { ...option("give-up", 5, 0, 1) }];
    expect(weighOptions(options, USUAL_RATES, 40)[0]!.option.id).toBe("give-up");
    expect(weighOptions(options, USUAL_RATES, 900)[0]!.option.id).toBe("board");
  });
});

describe("the swap, from the graph of panels and plugs", () => {
  test.each(FLEET)(
    "%s: dead before open, open before unplug, everything back in reverse, loads dead before power",
    (name) => {
      const machine = machineNamed(name);
      for (const assembly of machine.file.pieces) {
        const plan = swapPlan(machine, assembly.id);
        const ids = plan.stages.map((s) => s.id);
        const at = (id: string) => ids.indexOf(id as never);
        expect(at("inspect")).toBe(0);
        expect(at("power-down")).toBeLessThan(at("swap"));
        for (const stage of ["open", "unplug"]) if (at(stage) >= 0) expect(at("power-down")).toBeLessThan(at(stage));
        if (at("loads-dead") >= 0) expect(at("loads-dead")).toBeLessThan(at("trial"));
        expect(at("trial")).toBeGreaterThan(at("swap"));
        const steps = (id: string) => plan.stages.find((s) => s.id === id)?.steps ?? [];
        expect(steps("close").map((s) => s.undoes)).toEqual([...steps("open")].reverse().map((s) => s.id));
        expect(steps("plug-in").map((s) => s.undoes)).toEqual([...steps("unplug")].reverse().map((s) => s.id));
        // A plug is pulled only once every cover over it is off.
        const opened = new Set(steps("open").map((s) => s.id.slice(5)));
        for (const c of plugsOf(machine, assembly.id))
          for (const panel of [c.near.panel, c.far.panel]) if (panel) expect(opened.has(panel)).toBe(true);
        expect(steps("power-down")[0]!.cautions.join(" ")).toContain("Switched off is not dead");
        if (machine.sources.length > 1) expect(steps("power-down")[0]!.cautions.join(" ")).toContain("each locked off");
        for (const stage of plan.stages) expect(new Set(stage.steps.map((s) => s.id)).size).toBe(stage.steps.length);
      }
    },
  );
  test("covers under covers come after them, and a round is refused", () => {
    const machine = machineNamed("velmoor-dw-45");
    const file = {
      ...machine.file,
      panels: [
        { ...machine.file.panels[0]!, id: "a", under: ["b"], screws: [] },
        { ...machine.file.panels[0]!, id: "b", under: ["c"], screws: [] },
        { ...machine.file.panels[0]!, id: "c", under: [], screws: [] },
      ],
    };
    expect(openingOrder({ ...machine, file } as never, ["a"])).toEqual(["c", "b", "a"]);
    const round = { ...file, panels: file.panels.map((p) => (p.id === "c" ? { ...p, under: ["a"] } : p)) };
    expect(() => openingOrder({ ...machine, file: round } as never, ["a"])).toThrow(/in a round/);
  });
  test("one at a time: no stage of pulling, each plug goes straight over", () => {
    const plan = swapPlan(machineNamed("velmoor-dw-45"), "main-board", true);
    expect(plan.stages.some((s) => s.id === "unplug")).toBe(false);
    expect(plan.stages.find((s) => s.id === "plug-in")!.steps[0]!.details.join(" ")).toContain("Straight over");
  });
});
