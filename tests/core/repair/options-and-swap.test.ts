import { describe, expect, test } from "vitest";
import {
  costOfOrder,
  optionsFor,
  outlay,
  USUAL_RATES,
  weighOptions,
  type RepairOption,
} from "../../../src/core/repair/options";
import { openingOrder } from "../../../src/core/repair/access";
import { machineNamed } from "../../support/fleet";

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
    const open = weighOptions(optionsFor(fridge, { part: contact.id, mode: "open" }), USUAL_RATES, 400).map(
      (c) => c.option.id,
    );
    // A pin that is open for another reason than its surface is not cleaned well: it is renewed.
    expect(open.indexOf("pin")).toBeLessThan(open.indexOf("clean"));
    const dish = machineNamed("velmoor-dw-45");
    const joint = optionsFor(dish, { part: "KH-joint", mode: "open" });
    expect(joint.find((o) => o.id === "solder")).toMatchObject({ temporary: false });
    expect(joint.map((o) => o.id)).toEqual(expect.arrayContaining(["cut-back", "maker-board"]));
    const relay = fridge.parts.find((p) => p.kind.kind === "relay")!;
    const options = optionsFor(fridge, { part: relay.id, mode: "contact-open" });
    expect(options.find((o) => o.id === "solder")!.temporary).toBe(true);
    // Contacts that welded are no matter of a joint: the relay is replaced.
    expect(optionsFor(fridge, { part: relay.id, mode: "welded" }).map((o) => o.id)).not.toContain("solder");
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

describe("covers", () => {
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
});
