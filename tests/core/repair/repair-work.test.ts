import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { menuBoard, menuItems, menuShows, pressMenu, type MenuKey } from "../../../src/core/model/program/menu-board";
import { workCautions } from "../../../src/core/safety/work-cautions";
import { compileMachine } from "../../../src/core/model/compile/compile";
import { machineFileSchema } from "../../../src/core/model/schema";
import { carryOver, menuKeys } from "../../../src/core/repair/carry-over";
import { leftBehind } from "../../../src/core/repair/left-behind";
import { builtWords, proveModification } from "../../../src/core/repair/modification";
import { truthTable } from "../../../src/core/repair/situations";
import { judge } from "../../../src/core/repair/judge-proof";
import { noFaultFound } from "../../../src/core/repair/no-fault-found";
import { matchPart } from "../../../src/core/repair/part-match";
import { everydaySetup, proofRun, proofState, toldOfRepair } from "../../../src/core/repair/proof-run";
import { procedureFor } from "../../../src/core/repair/procedure";
import { FLEET, machineNamed } from "../../support/fleet";
import { TestJournal } from "../../support/whole-way";

const fridge = machineNamed("quellmoor-sb-210");
const freezer = machineNamed("firnau-bf-330");
const vendor = machineNamed("obwart-dv-8");

describe("part match", () => {
  test.each([
    ["MB-BF3-C", "C", true, "same"],
    ["mb bf3 c", "", true, "same"],
    ["MB-BF3-C", "D", false, "other revision"],
    ["MB-BF3-D", "", true, "substitute"],
    ["MB-BF3-B", "B2", true, "substitute"],
    ["MB-BF3-B", "B1", false, "unknown"],
    ["MB-BF3-B", "", false, "unknown"],
    ["MB-BF2-C", "", false, "refused"],
    ["XX-1", "", false, "unknown"],
    ["  ", "", false, "unknown"],
  ] as const)("%s revision %s", (number, revision, fits, verdict) => {
    expect(matchPart(freezer, "main-board", number, revision)).toMatchObject({ fits, verdict });
  });
  test("says what differs and what is done about it; a refusal says why; an unknown revision names those that are good", () => {
    const d = matchPart(freezer, "main-board", "MB-BF3-D");
    expect(d.differences.map((x) => x.kind)).toEqual(["code", "snap", "height"]);
    expect(d.differences.every((x) => x.todo.length > 10)).toBe(true);
    expect(matchPart(freezer, "main-board", "MB-BF2-C").words).toMatch(/thermostat/);
    expect(matchPart(freezer, "main-board", "MB-BF3-B").words).toMatch(/B2, B3/);
    expect(matchPart(freezer, "sensor", "S-1").words).toMatch(/no number/);
    expect(() => matchPart(freezer, "nothing", "1")).toThrow(RangeError);
  });
});

describe("settings carried over by keys", () => {
  const press = (board: ReturnType<typeof menuBoard>, keys: readonly { key: MenuKey; times: number }[]) =>
    keys.reduce(
      (b, { key, times }) => Array.from({ length: times }).reduce<typeof b>((x) => pressMenu(vendor.file, x, key), b),
      board,
    );
  test("for any settings found and any board, the keys leave every item as found (the board is simulated apart from the plan)", () => {
    const items = menuItems(vendor.file);
    const any = fc.record(
      Object.fromEntries(items.map((s) => [s.id, fc.constantFrom(...s.values.map((v) => v.value))])),
    );
    fc.assert(
      fc.property(any, any, (wanted, before) => {
        const after = press(menuBoard(vendor.file, before), menuKeys(vendor.file, wanted, before));
        expect(after.saved).toEqual(wanted);
      }),
    );
  });
  test("goes the shorter way round where a key goes down, and presses nothing where nothing differs", () => {
    expect(menuKeys(freezer.file, { "model-code": "36" })).toEqual([
      { key: "enter", times: 1 },
      { key: "down", times: 1 },
      { key: "save", times: 1 },
      // Its file says how the menu is left.
      { key: "out", times: 1 },
    ]);
    expect(menuKeys(freezer.file, { "model-code": "00" })).toEqual([]);
    // Without a key down the way is up, as often as it takes.
    expect(menuKeys(vendor.file, { delay: "3", price: "2.00", extra: "off" })).toEqual([
      { key: "enter", times: 1 },
      { key: "next", times: 1 },
      { key: "up", times: 4 },
      { key: "save", times: 1 },
    ]);
  });
  test("a value moved but not saved is lost with the next item; keys outside the menu do nothing", () => {
    let board = menuBoard(vendor.file);
    expect(pressMenu(vendor.file, board, "up")).toEqual(board);
    expect(menuShows(vendor.file, board)).toBeNull();
    board = pressMenu(vendor.file, pressMenu(vendor.file, board, "enter"), "up");
    expect(menuShows(vendor.file, board)).toBe("4");
    board = pressMenu(vendor.file, board, "next");
    expect(board.saved.delay).toBe("3");
    expect(pressMenu(vendor.file, board, "down")).toEqual(board);
  });
  test("says what is not recorded, what a new board shows, and that the keys were tried", () => {
    const journal = new TestJournal(freezer, freezer.file.complaints[0]!.id);
    expect(carryOver(freezer, journal.job)).toMatchObject({
      missing: ["Model code", "Series code"],
      checked: null,
      virgin: { wakes: 12 },
    });
    journal.log({ type: "setting", setting: "model-code", value: "36", moment: "found", words: "36" });
    journal.log({ type: "setting", setting: "series-code", value: "123457", moment: "found", words: "by its rule" });
    const carried = carryOver(freezer, journal.job);
    expect(carried).toMatchObject({ missing: [], checked: true });
    // A code that is in no table is keyed in by hand.
    expect(carried.settings.find((s) => s.setting === "series-code")!.by).toBe("hand");
    expect(carried.keys.map((k) => k.shows)).toEqual(["00", "36", "36", null]);
    expect(carried.keys[2]!.words).toBe("Hold B 3 s");
    // A value that the new board does not have cannot be carried over by its keys.
    journal.log({ type: "setting", setting: "model-code", value: "99", moment: "found", words: "99" });
    expect(carryOver(freezer, journal.job).checked).toBe(false);
  });
});

describe("nothing left behind", () => {
  test.each(FLEET)("%s: whatever a setup changes is listed by itself, and gone once it is put back", (name) => {
    const machine = machineNamed(name);
    for (const setup of machine.file.setups) {
      const journal = new TestJournal(machine, machine.file.complaints[0]!.id);
      journal.log({ type: "standing", setup: setup.id });
      const items = leftBehind(machine, journal.job).map((l) => l.item);
      for (const [a, b] of setup.jumpers) expect(items).toContain(`jumper ${a} ${b}`);
      for (const p of setup.lifted) expect(items).toContain(`lifted ${p}`);
      for (const c of setup.apart) expect(items).toContain(`apart ${c}`);
      for (const p of setup.good) expect(items).toContain(`good ${p}`);
      for (const item of items) journal.log({ type: "restored", item, words: item });
      expect(leftBehind(machine, journal.job)).toEqual([]);
      // Standing so again opens the list again.
      journal.log({ type: "standing", setup: setup.id });
      expect(leftBehind(machine, journal.job).map((l) => l.item)).toEqual(items);
    }
  });
  test("a belt is coupled again, a lead put back, a resistor taken out: each in its own words", () => {
    const words = (name: string, setup: string) => {
      const machine = machineNamed(name);
      const journal = new TestJournal(machine, machine.file.complaints[0]!.id);
      journal.log({ type: "standing", setup });
      return leftBehind(machine, journal.job).map((l) => l.words);
    };
    expect(words("sellrun-lc-24", "bypass")).toContain("Uncoupled: belt");
    expect(words("kaldruun-uc-80", "compressor-off")).toContain("Lead lifted: compressor");
    expect(words("kaldruun-uc-80", "stand-in")).toContain("Resistor of 7.50 kΩ from S pin 1 to S pin 2");
  });
  test("covers stay on the list until they are closed; what is noted by hand until it is put back; a setting that was moved until it is set back", () => {
    const journal = new TestJournal(freezer, freezer.file.complaints[0]!.id);
    journal.log({ type: "standing", setup: freezer.file.complaints[0]!.setup, panel: "back-cover" });
    journal.log({ type: "changed", item: "valve 1", words: "Water shut at the wall" });
    journal.log({ type: "setting", setting: "model-code", value: "33", moment: "found", words: "" });
    journal.log({ type: "setting", setting: "model-code", value: "36", moment: "set", words: "" });
    const items = () =>
      leftBehind(freezer, journal.job)
        .map((l) => l.item)
        .filter((i) => i !== "mode");
    expect(items()).toEqual(["cover back-cover", "valve 1", "setting model-code"]);
    journal.log({ type: "restored", item: "cover back-cover", words: "" });
    journal.log({ type: "restored", item: "valve 1", words: "" });
    journal.log({ type: "restored", item: "setting model-code", words: "" });
    expect(items()).toEqual(["setting model-code"]);
    journal.log({ type: "setting", setting: "model-code", value: "33", moment: "set", words: "" });
    expect(items()).toEqual([]);
  });
});

describe("the work in the journal", () => {
  test("what was proven before a repair that did not help says nothing of the machine after it", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    journal.log({ type: "proved", step: "a", words: "a", passed: true, typed: "", limit: "" });
    journal.log({ type: "proved", step: "a", words: "a", passed: false, typed: "", limit: "" });
    expect(journal.job.work.proved.map((p) => p.body.passed)).toEqual([false]);
    journal.log({ type: "tried", piece: "panel-board", result: "stays", words: "" });
    expect(journal.job.work.proved).toEqual([]);
    journal.log({ type: "proved", step: "b", words: "b", passed: true, typed: "", limit: "" });
    journal.log({ type: "tried", piece: "panel-board", result: "gone", words: "" });
    expect(journal.job.work.proved.map((p) => p.body.step)).toEqual(["b"]);
  });
  test("stages can be ticked and unticked; a photo keeps its last marks; a wait ends", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    journal.log({ type: "staged", plan: "p", stage: "open", done: true });
    journal.log({ type: "staged", plan: "p", stage: "open", done: false });
    const photo = { type: "photo" as const, hash: "a".repeat(64), stage: "inspect", caption: "" };
    journal.log({ ...photo, marks: [] });
    journal.log({ ...photo, marks: [{ kind: "pin", at: [0.5, 0.5], words: "burnt" }] });
    journal.log({ type: "waiting", wait: "w", words: "cools", seconds: 60 });
    expect(journal.job.work).toMatchObject({
      photos: [{ body: { marks: [{ words: "burnt" }] } }],
      waits: [{ body: { wait: "w" } }],
    });
    expect(journal.job.work.stages.p).toEqual([]);
    journal.log({ type: "waited", wait: "w" });
    expect(journal.job.work.waits).toEqual([]);
  });
});

describe("the proof run", () => {
  test.each(FLEET)(
    "%s: begins with the complaint, ends with safety where the standard applies, and every step says what passes",
    (name) => {
      const machine = machineNamed(name);
      for (const complaint of machine.file.complaints.slice(0, 2)) {
        const steps = proofRun(machine, ORDINARY_METER, complaint.id, null);
        expect(steps.every((s) => s.expected !== "" && s.how !== "")).toBe(true);
        expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
        const order = ["complaint", "repair", "protects", "functions", "loads", "idle", "time", "closing", "safety"];
        const groups = steps.map((s) => order.indexOf(s.group));
        expect(groups).toEqual([...groups].sort((a, b) => a - b));
        const battery = machine.sources.every((s) => ["battery", "engine set"].includes(s.kind.kind));
        expect(steps.some((s) => s.group === "safety")).toBe(!battery);
        expect(proofState(steps, [])).toMatchObject({ passed: 0, complete: false, gone: false });
      }
    },
  );
  test("the fridge: panel lit again, its heater draws its amperes, the reading that was wrong is made again", () => {
    const steps = proofRun(fridge, ORDINARY_METER, "panel-dark", { part: "W4", mode: "open" });
    expect(steps[0]).toMatchObject({ group: "complaint" });
    expect(steps.filter((s) => s.group === "repair").length).toBeGreaterThan(0);
    expect(steps.filter((s) => s.group === "loads").some((s) => s.expected.includes("A"))).toBe(true);
    expect(everydaySetup(fridge)?.power).toBe("on");
    expect(() => proofRun(fridge, ORDINARY_METER, "nothing", null)).toThrow(RangeError);
  });
});

describe("what is handed over", () => {
  test("a proof that failed stays on the list, whatever is ticked, until it is made again and passes", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    const failed = () =>
      leftBehind(fridge, journal.job)
        .filter((l) => l.item.startsWith("proof "))
        .map((l) => l.words);
    journal.log({
      type: "proved",
      step: "safety bonding",
      words: "Protective conductor",
      passed: false,
      typed: "0.6",
      limit: "at most 0.3 Ω",
    });
    expect(failed()).toEqual(["Proof failed: Protective conductor"]);
    journal.log({ type: "restored", item: "proof safety bonding", words: "x" });
    expect(failed()).toHaveLength(1);
    journal.log({
      type: "proved",
      step: "safety bonding",
      words: "Protective conductor",
      passed: true,
      typed: "0.1",
      limit: "at most 0.3 Ω",
    });
    expect(failed()).toEqual([]);
  });
  test("what sleeps is held against its file, after the wait that it takes", () => {
    const panel = machineNamed("hochkar-ip-4");
    const step = proofRun(panel, ORDINARY_METER, panel.file.complaints[0]!.id, null).find(
      (s) => s.id === "time sleep",
    )!;
    expect(step).toMatchObject({ wait: 150, limit: { limit: 4, unit: "mA" } });
    expect([judge(step, "3.2").kind, judge(step, "5").kind, judge(step, "0.9uA").kind]).toEqual([
      "pass",
      "fail",
      "pass",
    ]);
    expect(proofRun(fridge, ORDINARY_METER, "panel-dark", null).some((s) => s.id === "time sleep")).toBe(false);
  });
});

describe("what a proof says of the repair", () => {
  const steps = proofRun(fridge, ORDINARY_METER, "panel-dark", { part: "W4", mode: "open" });
  const of = steps.filter((s) => s.group === "complaint" || s.group === "repair");
  const told = (journal: TestJournal, i: number, passed: boolean) => {
    const body = toldOfRepair(fridge, journal.job, "door-harness", steps, of[i]!, passed, "x");
    journal.log({ type: "proved", step: of[i]!.id, words: of[i]!.words, passed, typed: "x", limit: "" });
    if (body) journal.log(body);
    return body?.result ?? null;
  };
  test("it helped once the last step of complaint and repair passes, and that is said once", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    expect(of.map((_, i) => told(journal, i, true))).toEqual([...of.slice(1).map(() => null), "gone"]);
    expect(told(journal, 0, true)).toBeNull();
  });
  test("it did not when one fails; made again, all of it has to pass anew, and then it did", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    told(journal, 0, true);
    expect(told(journal, 1, false)).toBe("stays");
    expect(journal.job.work.proved).toEqual([]);
    expect(of.map((_, i) => told(journal, i, true)).at(-1)).toBe("gone");
  });
  test("a load, a delay or a limit that fails says nothing of the complaint", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    for (const step of steps.filter((s) => !of.includes(s)))
      expect(toldOfRepair(fridge, journal.job, "door-harness", steps, step, false, "x")).toBeNull();
  });
});

describe("no fault found", () => {
  test("says what was tested, what it excludes and where else to look", () => {
    const journal = new TestJournal(fridge, "panel-dark");
    const found = noFaultFound(fridge, journal.job, {
      cleared: [{ part: "F1", name: "Fuse F1", by: [] }],
      suspects: [{ assembly: "panel-board", name: "Door panel board", probability: 0.3, word: "possible", faults: [] }],
    });
    expect(found.excluded).toEqual(["Fuse F1"]);
    expect(found.elsewhere[0]).toMatch(/door panel board/);
    expect(found.elsewhere.some((e) => e.startsWith("Not asked:"))).toBe(true);
    expect(found.elsewhere.some((e) => /Comes and goes/.test(e))).toBe(true);
  });
});

/** A heater behind two door switches in series, a cut-off, a fuse and a relay: the usual chain of interlocks. */
function oven(extra: Record<string, unknown> = {}) {
  return compileMachine(
    machineFileSchema.parse({
      format: 1,
      id: "oven",
      revision: "1",
      maker: "Nobody",
      model: "O",
      name: "Oven",
      family: "dryer",
      supply: { volts: 230, hertz: 50, percent: 6 },
      doors: [{ id: "door", name: "Door" }],
      pieces: ["house", "cord", "fuse", "s1", "s2", "cut", "relay", "heater", "lamp"].map((id) => ({
        id,
        name: id,
        repair: "Renew",
        minutes: 5,
        price: 5,
      })),
      parts: [
        { id: "src", kind: "outlet", name: "Outlet", piece: "house", at: { line: "L0", neutral: "N", earth: "PE" } },
        { id: "F1", kind: "fuse", name: "Fuse F1", piece: "fuse", amps: 10, at: { a: "L0", b: "L1" } },
        {
          id: "S1",
          kind: "door switch",
          name: "First door switch",
          piece: "s1",
          door: "door",
          closedWhen: "door closed",
          at: { a: "L1", b: "L2" },
        },
        {
          id: "TCO",
          kind: "thermal cut-off",
          name: "Cut-off",
          piece: "cut",
          opensAbove: 120,
          place: "cavity",
          resets: "never",
          at: { a: "L2", b: "L3" },
        },
        { id: "SW", kind: "switch", name: "Start switch", piece: "s2", at: { a: "L3", b: "L4" } },
        {
          id: "H",
          kind: "heater",
          name: "Heater",
          piece: "heater",
          volts: 230,
          watts: 1000,
          at: { a: "L4", b: "N", case: "PE" },
        },
        {
          id: "H2",
          kind: "heater",
          name: "Blower element",
          piece: "lamp",
          volts: 230,
          watts: 300,
          at: { a: "L1", b: "N", case: "PE2" },
        },
      ],
      wires: [
        { id: "W1", name: "Wire to S1", piece: "cord", from: "L2", to: "L2b" },
        { id: "WPE", name: "Earth wire", piece: "cord", from: "PE", to: "PE2" },
      ],
      points: [
        { id: "pL", name: "Line", net: "L0" },
        { id: "pN", name: "Neutral", net: "N" },
        { id: "pPE", name: "Earth", net: "PE" },
        { id: "p2", name: "After S1", net: "L2" },
        { id: "p2b", name: "Spare", net: "L2b" },
        { id: "pPE2", name: "Case", net: "PE2" },
      ],
      references: [{ name: "neutral", points: ["pN"] }],
      setups: [
        { id: "on", name: "On", power: "on", made: ["SW"], how: "Start." },
        { id: "idle", name: "Idle", power: "on", how: "Plug in." },
        { id: "off", name: "Off", power: "off", how: "Unplug." },
      ],
      paths: [{ id: "p", name: "P", stages: [{ at: ["pL", "pN"] }, { box: "Heater", parts: ["H"] }] }],
      complaints: [{ id: "c", words: "cold", setup: "on", path: "p" }],
      ...extra,
    }),
  );
}

describe("a change to the circuit", () => {
  const machine = oven();
  test("the truth table: the heater runs with the door shut and started, not with the door open, not idle, not hot", () => {
    // Situations: on shut, on open, on hot, idle shut, idle open, idle hot.
    expect([...truthTable(machine).get("H")!]).toEqual([0]);
    expect([
      ...truthTable(
        machine,
        [{ part: "S1", mode: "stuck-closed" }].filter((f) =>
          machine.partById.get("S1")!.modes.some((m) => m.id === f.mode),
        ),
      ).get("H")!,
    ]).toContain(0);
  });
  test.each([
    ["a door switch taken out and bridged", { change: "taken out", part: "S1", bridged: true }],
    ["a cut-off bridged", { change: "taken out", part: "TCO", bridged: true }],
    ["a larger fuse", { change: "other part", part: "F1", fields: { amps: 16 } }],
    ["a hotter cut-off", { change: "other part", part: "TCO", fields: { opensAbove: 160 } }],
    ["a cut-off that resets itself", { change: "other part", part: "TCO", fields: { resets: "by itself" } }],
    ["an earth taken out", { change: "taken out", part: "WPE", bridged: false }],
    ["a fuse in the earth", { change: "put in", kind: "fuse", name: "Fuse", part: "WPE", terminal: "b", fields: {} }],
  ] as const)("%s is refused on sight, with its figures", (_, change) => {
    const proof = proveModification(machine, [change as Parameters<typeof proveModification>[1][number]]);
    expect(proof.allowed).toBe(false);
    expect(proof.findings.some((f) => f.of === "protection" && !f.ok && f.words.length > 15)).toBe(true);
  });
  test("the start switch bridged makes the heater run when nobody started it: refused by the table", () => {
    const proof = proveModification(machine, [{ change: "taken out", part: "SW", bridged: true }]);
    expect(proof.allowed).toBe(false);
    expect(proof.findings.find((f) => f.of === "interlock")).toMatchObject({
      ok: false,
      words: expect.stringMatching(/Heater would run: Idle/) as string,
    });
  });
  test("an element that carries too much is refused with its amperes", () => {
    const proof = proveModification(machine, [
      { change: "put in", kind: "fuse", name: "Small fuse", part: "H", terminal: "a", fields: { amps: 2 } },
    ]);
    expect(proof.findings.find((f) => f.of === "current")).toMatchObject({
      ok: false,
      words: expect.stringMatching(/Small fuse.*rated 2/) as string,
    });
    expect(proof.allowed).toBe(false);
  });
  test("a further cut-off in the heater's lead is allowed, and says what is to be minded", () => {
    const proof = proveModification(machine, [
      {
        change: "put in",
        kind: "thermal cut-off",
        name: "Second cut-off",
        part: "H",
        terminal: "a",
        fields: { opensAbove: 110, place: "cavity" },
      },
    ]);
    expect(proof.findings.filter((f) => !f.ok)).toEqual([]);
    expect(proof.allowed).toBe(true);
    expect(proof.situations).toBeGreaterThan(100);
    expect(proof.warnings.length).toBeGreaterThan(0);
    expect(
      builtWords(machine.file, {
        change: "put in",
        kind: "thermal cut-off",
        name: "Second cut-off",
        part: "H",
        terminal: "a",
        fields: {},
      }),
    ).toBe("Second cut-off put in at Heater");
  });
  test("a stronger heater behind the same fuse is refused once it draws more than the fuse carries", () => {
    const at = (watts: number) => proveModification(machine, [{ change: "other part", part: "H", fields: { watts } }]);
    expect(at(1200).allowed).toBe(true);
    expect(at(2600).findings.find((f) => f.of === "current")?.ok).toBe(false);
  });
});

describe("cautions of the work", () => {
  test.each(FLEET)(
    "%s: on every plan for every piece, each danger is said at its step, once, and none is left out",
    (name) => {
      const machine = machineNamed(name);
      const kinds = new Set(machine.parts.map((p) => p.kind.kind));
      const of = new Set(workCautions(machine).map((c) => c.of));
      // The dangers follow from what the machine has.
      expect(of.has("two sources")).toBe(machine.sources.length > 1);
      expect(of.has("gas")).toBe(kinds.has("gas valve coil"));
      expect(of.has("refrigerant")).toBe(kinds.has("compressor") || kinds.has("cooling unit"));
      expect(of.has("charge")).toBe(
        [
          "switched supply",
          "staged supply",
          "non-isolated supply",
          "linear supply",
          "capacitor",
          "run capacitor",
          "motor drive",
        ].some((k) => kinds.has(k)),
      );
      expect(of.has("hot")).toBe(
        kinds.has("heater") ||
          kinds.has("lamp") ||
          kinds.has("compressor") ||
          kinds.has("resistor") ||
          kinds.has("ptc") ||
          kinds.has("inrush resistor"),
      );
      for (const assembly of machine.file.pieces) {
        if (assembly.licensed) continue;
        const plan = procedureFor(machine, { assembly: assembly.id });
        const stages: readonly string[] = plan.stages.map((s) => s.id);
        const handled = stages.includes("out") ? "out" : "prepare";
        const tried = stages.includes("first-power") ? "first-power" : "close";
        const said = plan.stages.flatMap((s) =>
          s.steps.flatMap((x) => x.cautions.map((words) => ({ stage: s.id, words }))),
        );
        expect(new Set(said.map((x) => x.words)).size).toBe(said.length);
        for (const c of workCautions(machine)) {
          if (c.at === "open" && !plan.stages.some((s) => s.id === "open")) continue;
          expect(
            said.filter((x) => x.words === c.words).map((x) => x.stage),
            `${assembly.id}: ${c.of}`,
          ).toEqual([{ "power-down": "power-down", open: "open", swap: handled, trial: tried }[c.at]]);
        }
        // A charge is proven gone before anything is touched; every source is off before that.
        const down = plan.stages.find((s) => s.id === "power-down")!;
        if (of.has("charge"))
          expect(down.steps.findIndex((s) => s.id === "off")).toBeLessThan(
            down.steps.findIndex((s) => s.id === "wait"),
          );
        for (const source of machine.sources)
          if (machine.sources.length > 1) expect(down.steps[0]!.words).toContain(source.name.toLowerCase());
      }
    },
  );
});
