import { describe, expect, test } from "vitest";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { quickMachine } from "../../../src/core/model/quick/quick";
import { readSupply } from "../../../src/core/model/quick/quick-supply";
import { readParts } from "../../../src/core/model/quick/read-parts";
import { accessTo, plugsOf } from "../../../src/core/repair/access";
import { deadReadings } from "../../../src/core/repair/loads-dead";
import { optionsFor } from "../../../src/core/repair/options";
import { matchPart } from "../../../src/core/repair/part-match";
import { procedureFor } from "../../../src/core/repair/procedure";
import { startsByPlug } from "../../../src/core/repair/starts-by-plug";
import { type Procedure, wayBack } from "../../../src/core/repair/work-steps";
import { FLEET, machineNamed } from "../../support/fleet";
import { walk } from "../../support/walk-procedure";

const quick = (loads: string, volts: number) =>
  compileMachine(
    quickMachine({
      id: "own",
      name: "A machine of one's own",
      family: "dryer",
      supply: { kind: "mains", volts, hertz: 50 },
      filter: true,
      fuse: true,
      ...readParts(loads, readSupply(`${volts} V 50 Hz`)),
    }),
  );

const ids = (p: Procedure) => p.stages.map((s) => s.id);
const stepsIn = (p: Procedure, stage: string) => p.stages.find((s) => s.id === stage)?.steps ?? [];
const words = (p: Procedure) => p.stages.flatMap((s) => s.steps.map((x) => x.words)).join("; ");

/** The order of the trade for swapping a board: common practice, no source. */
const TRADE = [
  "match",
  "settings",
  "power-down",
  "open",
  "unplug",
  "loads-dead",
  "out",
  "prepare",
  "in",
  "bonding",
  "first-power",
  "loads-in",
  "functions",
  "leakage",
  "close",
];

describe("every repair of every machine, walked on the file's own covers, plugs and power", () => {
  test.each(FLEET)("%s: each step of each option can be done where it stands", (name) => {
    const machine = machineNamed(name);
    let walked = 0;
    for (const part of machine.parts) {
      if (part.modes.length === 0 || machine.assemblyById.get(part.assembly)!.licensed) continue;
      for (const mode of part.modes)
        for (const option of optionsFor(machine, { part: part.id, mode: mode.id })) {
          if (option.id === "give-up") continue;
          for (const transfer of [false, true]) {
            const fault = { part: part.id, mode: mode.id };
            const plan = procedureFor(machine, { assembly: part.assembly, option: option.id, fault, transfer });
            expect(walk(machine, plan), `${part.id}:${mode.id} ${option.id}`).toEqual([]);
            const order = ids(plan).map((id) => TRADE.indexOf(id));
            expect(order).toEqual([...order].sort((a, b) => a - b));
            walked++;
          }
        }
    }
    expect(walked).toBeGreaterThan(0);
  });
  test.each([
    ["a dryer of 120 V", quick("heater 1500, drum motor 250W, fan 0.3A", 120)],
    ["a cooler of 230 V", quick("compressor 1.3A, fan 20W", 230)],
  ])("a machine that a technician named by its loads, %s: the same", (_, machine) => {
    let walked = 0;
    for (const part of machine.parts)
      for (const mode of part.modes)
        for (const option of optionsFor(machine, { part: part.id, mode: mode.id })) {
          if (option.id === "give-up") continue;
          const fault = { part: part.id, mode: mode.id };
          const plan = procedureFor(machine, { assembly: part.assembly, option: option.id, fault });
          expect(walk(machine, plan), `${part.id}:${mode.id} ${option.id}`).toEqual([]);
          walked++;
        }
    expect(walked).toBeGreaterThan(20);
  });
  test("the walker sees what cannot be done", () => {
    const machine = machineNamed("velmoor-dw-45");
    const plan = procedureFor(machine, { assembly: "main-board" });
    const without = (id: string): Procedure => ({ ...plan, stages: plan.stages.filter((s) => s.id !== id) });
    expect(walk(machine, plan)).toEqual([]);
    expect(walk(machine, without("power-down")).join()).toContain("with the power on");
    expect(walk(machine, without("open")).join()).toContain("behind a cover that is on");
    expect(walk(machine, without("unplug")).join()).toContain("its plug is on");
    expect(walk(machine, without("in")).join()).toContain("powered with a part out");
    expect(walk(machine, without("loads-in")).join()).toContain("left off");
  });
});

describe("a procedure follows the repair that was chosen", () => {
  const dish = machineNamed("velmoor-dw-45");
  test("a relay: board out, why it welded, pump or braid, measured before it goes back", () => {
    const plan = procedureFor(dish, {
      assembly: "main-board",
      option: "relay",
      fault: { part: "KH", mode: "welded" },
    });
    expect(ids(plan)).toContain("out");
    expect(
      stepsIn(plan, "match")
        .find((s) => s.id === "why contact")!
        .details.join(),
    ).toContain("Heater");
    const bench = stepsIn(plan, "prepare").map((s) => s.id);
    expect(bench).toEqual(["old joint", "desolder", "fit relay", "inspect joints", "measure relay"]);
    // The same board goes back: there is no number to match.
    expect(stepsIn(plan, "match").some((s) => s.id === "number")).toBe(false);
  });
  test("a plug that is cleaned: read first, only that plug off, wiped, a wait, in, and no board out", () => {
    const plan = procedureFor(dish, {
      assembly: "load-plug",
      option: "clean",
      fault: { part: "B-1", mode: "resistive" },
    });
    expect(stepsIn(plan, "match")[0]!.id).toBe("read first");
    expect(stepsIn(plan, "unplug").map((s) => s.id)).toEqual(["unplug B"]);
    expect(stepsIn(plan, "prepare").map((s) => s.id)).toEqual(["cover", "wipe", "dry"]);
    expect(stepsIn(plan, "prepare").find((s) => s.waits)!.id).toBe("dry");
    expect(ids(plan)).not.toContain("out");
    expect(ids(plan)).not.toContain("first-power");
  });
  test("a fuse and a cut-off come after their cause; a donor's history is asked for; licensed work has no plan", () => {
    const dryer = machineNamed("brenzik-cd-30");
    const limit = dryer.parts.find((p) => p.kind.kind === "thermal cut-off")!;
    const cut = procedureFor(dryer, {
      assembly: limit.assembly,
      option: "replace",
      fault: { part: limit.id, mode: "open" },
    });
    expect(stepsIn(cut, "match")[0]!.id).toBe("why tripped");
    expect(words(procedureFor(dish, { assembly: "main-board", option: "donor-board" }))).toContain("History");
    expect(procedureFor(dish, { assembly: "house" }).stages).toEqual([]);
  });
  test("what differs in the part in hand becomes a step in its stage", () => {
    const fridge = machineNamed("firnau-bf-330");
    const assembly = fridge.file.pieces.find((p) => p.substitutes.length > 0)!;
    const { differences } = matchPart(fridge, assembly.id, "MB-BF3-D");
    const plan = procedureFor(fridge, { assembly: assembly.id, differences });
    const at = (kind: string) => plan.stages.find((s) => s.steps.some((x) => x.id.startsWith(`differs ${kind}`)))?.id;
    expect([at("snap"), at("height"), at("code")]).toEqual(["prepare", "in", "first-power"]);
    // The code once the board lives: its rails come before it.
    const first = stepsIn(plan, "first-power").map((s) => s.id);
    expect(first.indexOf("rails")).toBeLessThan(first.findIndex((id) => id.startsWith("differs code")));
  });
  test("a revision the file does not know never fits; ticks keep their names when a difference is found mid-way", () => {
    const vending = machineNamed("obwart-dv-8");
    expect(matchPart(vending, "board", "VC-8", "9")).toMatchObject({ fits: false, verdict: "other revision" });
    expect(matchPart(vending, "board", "VC-8", "2").fits).toBe(true);
    // A file that knows no number of a part can refuse none: it says compare, and the work goes on.
    expect(matchPart(quick("heater 1500", 230), "board", "XX-1")).toMatchObject({ fits: false, stops: false });
    expect(matchPart(vending, "board", "XX-1")).toMatchObject({ fits: false, stops: true });
    const before = procedureFor(vending, { assembly: "board" });
    const after = procedureFor(vending, {
      assembly: "board",
      differences: matchPart(vending, "board", "VC-8E").differences,
    });
    const names = (p: Procedure) => p.stages.flatMap((s) => s.steps.map((x) => x.id));
    expect(names(after)).toEqual(expect.arrayContaining(names(before)));
    expect(names(after).length).toBeGreaterThan(names(before).length);
  });
  test("given up half-way, what was done is undone, the last first, and nothing else", () => {
    const plan = procedureFor(dish, { assembly: "main-board" });
    const done = new Set(["off", "prove", "open kick", "unplug A", "unplug B", "out"]);
    expect(wayBack(plan, done).map((s) => s.undoes)).toEqual(
      ["out", "unplug A", "unplug B", "open kick"].filter((x) => x !== ""),
    );
    expect(wayBack(plan, new Set([...done, "in"])).map((s) => s.undoes)).not.toContain("out");
    expect(wayBack(plan, new Set())).toEqual([]);
  });
});

describe("both boards at once", () => {
  const several = FLEET.filter((n) => machineNamed(n).file.pieces.filter((p) => p.board && !p.licensed).length > 1);
  test.each(several)("%s: every board comes out and goes in once, the power goes off once before", (name) => {
    const machine = machineNamed(name);
    const boards = machine.file.pieces.filter((p) => p.board && !p.licensed).map((p) => p.id);
    const plan = procedureFor(machine, { assembly: boards[0]!, option: "both-boards" });
    expect(walk(machine, plan)).toEqual([]);
    const acts = plan.stages.flatMap((s) => s.steps.flatMap((x) => (x.act ? [{ stage: s.id, ...x.act }] : [])));
    const of = (does: string) => acts.flatMap((a) => (a.does === does && "assembly" in a ? [a.assembly] : []));
    expect(of("out").sort()).toEqual([...boards].sort());
    expect(of("in").sort()).toEqual([...boards].sort());
    expect(acts.filter((a) => a.does === "power off" && a.stage === "power-down")).toHaveLength(1);
    const pulled = acts.flatMap((a) => (a.does === "pull" && "plug" in a ? [a.plug] : []));
    expect(new Set(pulled).size).toBe(pulled.length);
  });
  test("there are such machines, one with three boards", () => {
    expect(several).toEqual(expect.arrayContaining(["ramsgrat-ct-60", "quellmoor-sb-210", "sellrun-lc-24"]));
  });
});

describe("plugs straight over, one at a time", () => {
  const dish = machineNamed("velmoor-dw-45");
  const plan = procedureFor(dish, { assembly: "main-board", transfer: true });
  test("no plug is off while another is pulled; what hangs on it is read meanwhile; none hangs in the air", () => {
    expect(stepsIn(plan, "unplug").some((s) => s.id.startsWith("unplug"))).toBe(false);
    const off = new Set<string>();
    for (const { act } of stepsIn(plan, "in")) {
      if (act?.does === "pull") off.add(act.plug);
      if (act?.does === "measure dead") expect([...off]).toEqual([act.plug]);
      if (act?.does === "plug") off.delete(act.plug);
      expect(off.size).toBeLessThanOrEqual(1);
    }
    expect(off.size).toBe(0);
    expect(stepsIn(plan, "in").filter((s) => s.id.startsWith("dead")).length).toBeGreaterThan(2);
  });
  test("its loads are on at the first power, and that is said", () => {
    expect(stepsIn(plan, "first-power")[0]!.details.join()).toContain("Its loads are on");
  });
  test("given up half-way, what is on the new board goes back onto the old one", () => {
    const done = new Set(["unplug A", "plug A", "unplug B"]);
    expect(wayBack(plan, done).map((s) => s.words)).toEqual([
      "Reconnect Plug A until it latches, on the old one",
      "Reconnect Plug B until it latches",
    ]);
  });
  test("the same board has nothing to go over to", () => {
    const fault = { part: "KH", mode: "welded" };
    expect(procedureFor(dish, { assembly: "main-board", option: "relay", fault }).canTransfer).toBe(false);
  });
});

describe("a plug that starts something", () => {
  // Common practice, no source: a set takes a sensing lead that is off for a utility that is away, and starts.
  test("the sensing plug of a changeover starts its engine: said where it is pulled, and in before any power", () => {
    const machine = machineNamed("pfellmar-co-12");
    expect(startsByPlug(machine).map((s) => [s.plug, s.part])).toEqual([["S", "Engine set"]]);
    const board = procedureFor(machine, { assembly: "board" });
    const pulled = stepsIn(board, "unplug").find((s) => s.id === "unplug S")!;
    expect(pulled.cautions.join()).toContain("starts the engine set by itself");
    expect(stepsIn(board, "in").map((s) => s.id)).toContain("plug S");
    expect(stepsIn(board, "first-power")[0]!.cautions.join()).toContain("Sensing plug is in before power");
  });
  test("no other plug of it does, and none of a machine whose only source is off", () => {
    expect(machineNamed("murgast-abs-60").sources.length).toBeGreaterThan(1);
    expect(startsByPlug(machineNamed("murgast-abs-60"))).toEqual([]);
    expect(startsByPlug(machineNamed("velmoor-dw-45"))).toEqual([]);
  });
});

describe("plugs and ways in", () => {
  test("a board at the far side of a plug has that plug too", () => {
    const dish = machineNamed("velmoor-dw-45");
    expect(plugsOf(dish, "panel-board").map((p) => [p.connector.id, p.side])).toEqual([["C", "far"]]);
    expect(accessTo(dish, "panel-board").covers).toEqual(["door-skin"]);
    expect(plugsOf(dish, "main-board").map((p) => p.connector.id)).toEqual(["A", "B", "C", "D"]);
    expect(accessTo(dish, "main-board").covers).toEqual(["kick"]);
  });
  test.each(FLEET)("%s: every piece that is no licensed work has a way in", (name) => {
    const machine = machineNamed(name);
    for (const { id } of machine.file.pieces)
      expect(accessTo(machine, id).lacks.filter((words) => words.includes("behind which cover"))).toEqual([]);
  });
  test("a file that does not say how a piece is held says so; one that does makes steps of it, undone in reverse", () => {
    const canteen = machineNamed("ramsgrat-ct-60");
    expect(accessTo(machineNamed("kaldruun-uc-80"), "loom").lacks.join()).toContain("how Wiring is held");
    const plan = procedureFor(canteen, { assembly: "main-board" });
    const out = stepsIn(plan, "out").map((s) => s.id);
    expect(out).toEqual(["joint 0 screw", "joint 1 stand-off", "joint 2 tab", "out"]);
    const back = stepsIn(plan, "in").filter((s) => s.undoes?.startsWith("joint"));
    expect(back.map((s) => s.undoes)).toEqual(["joint 2 tab", "joint 1 stand-off", "joint 0 screw"]);
    // Load plugs stay off at the first power and go in after it.
    expect(stepsIn(plan, "first-power")[0]!.details.join()).toContain("Plug B stays off");
    expect(stepsIn(plan, "loads-in").map((s) => s.id)).toEqual(expect.arrayContaining(["plug B", "plug E"]));
  });
  test("what a board drives is read dead at the wire side: ohms by the plate (V squared over watts), and to the case", () => {
    const dish = machineNamed("velmoor-dw-45");
    const readings = deadReadings(dish, "main-board", plugsOf(dish, "main-board"));
    const heater = readings.find((r) => r.load === "heater")!;
    expect([heater.red, heater.black]).toEqual(["B-1", "B-4"]);
    // 230 V, 1800 W: 29.4 ohm.
    expect(heater.ohms).toBeCloseTo(230 ** 2 / 1800, 0);
    expect(heater.words).toContain("Mohm");
    const drain = readings.find((r) => r.load === "drain")!;
    // The file gives its winding.
    expect(drain.ohms).toBeCloseTo(150, 0);
    const canteen = machineNamed("ramsgrat-ct-60");
    const booster = deadReadings(canteen, "main-board", plugsOf(canteen, "main-board")).find(
      (r) => r.load === "booster",
    )!;
    // Through its cut-off: 230 V, 2800 W is 18.9 ohm.
    expect(booster.ohms).toBeCloseTo(230 ** 2 / 2800, 0);
  });
});
