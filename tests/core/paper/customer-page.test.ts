import { describe, expect, it } from "vitest";
import { jobOn } from "../../../src/core/journal";
import type { EventBody, JournalEvent } from "../../../src/core/journal/events";
import { customerPage } from "../../../src/core/paper";
import { FLEET, machineNamed } from "../../support/fleet";
import { plainFault } from "../../../src/core/paper";
import { demoMachine } from "../../support/demo-machine";

const machine = demoMachine();
const LOOM = machine.partById.get("W4")!.assembly;
const BOARD = machine.file.pieces.find((p) => p.board)!;

const day = (at: string, days: number) => new Date(Date.parse(at) + days * 86_400_000).toISOString().slice(0, 10);

/** The page of a job that was closed as told. */
function page(told: readonly object[], called: object = {}, opened: object = {}) {
  const bodies = [
    {
      type: "opened",
      kind: "repair",
      machine: machine.file.id,
      machineHash: "0".repeat(64),
      complaint: "panel-dark",
      complaintWords: "Door panel dark.",
      site: "Hut",
      serial: "1",
      ...opened,
    },
    ...told,
    {
      type: "called",
      piece: LOOM,
      pieceName: "Loom",
      cause: "W4 open",
      action: "Loom replaced",
      sure: "likely",
      fault: "W4:open",
      proofs: [],
      ...called,
    },
  ];
  const events = bodies.map((body, i): JournalEvent => ({
    id: `00000000-0000-4000-8000-${String(i).padStart(12, "0")}`,
    job: "job",
    seq: i + 1,
    v: 1,
    actor: "Ida",
    at: "2026-11-30T10:00:00.000Z",
    body: body as EventBody,
  }));
  return customerPage(machine, jobOn(machine, events), day);
}

const decided = (other: object = {}) => ({
  type: "decided",
  piece: LOOM,
  fault: "W4:open",
  option: "replace",
  words: "Replace the loom",
  minutes: 20,
  price: 60,
  temporary: false,
  warranty: "none",
  seals: "none",
  ...other,
});
const proved = (step: string, passed = true, typed = "seen", limit = "") => ({
  type: "proved",
  step,
  words: step,
  passed,
  typed,
  limit,
});

describe("the customer's page", () => {
  it("tells what was wrong, done and proven in plain words, with the price that was agreed", () => {
    const told = page([
      decided({ approved: { by: "Warden", price: 55 } }),
      proved("complaint run|look|panel||settled"),
      proved("repair off|ohms|a|b|settled", true, "0.2"),
      proved("functions keys"),
      proved("safety bonding", true, "0.12", "at most 0.3 Ω"),
    ]);
    expect(told.wrong[0]).toBe("You told us: Door panel dark.");
    expect(told.wrong[1]).toMatch(/was broken: no current went through it any more\.$/);
    expect(told.done).toEqual([`${machine.assemblyById.get(LOOM)!.name} was replaced.`]);
    expect(told.proven).toEqual([
      "What you complained of is gone: looked at or measured 2 times after the repair.",
      "1 function was shown to work.",
      "The electrical safety test after the repair passed: 1 value measured, overleaf.",
    ]);
    expect(told.price).toBe(55);
    expect(told.safety).toMatchObject({
      passed: true,
      tester: null,
      rows: [{ value: "0.12 Ω", limit: "at most 0.3 Ω" }],
    });
    // A household machine that runs daily is asked about after two weeks.
    expect(told.next).toMatchObject({ on: "2026-12-14" });
  });

  it("says nothing works that was not tested, and what failed first", () => {
    expect(page([decided()]).proven).toEqual(["Nothing was tested after the work."]);
    const failed = page([decided(), proved("complaint run|look|panel||settled", false), proved("functions keys")]);
    expect(failed.proven[0]).toMatch(/^Did not pass: /);
    expect(failed.proven.join(" ")).not.toMatch(/is gone/);
    expect(failed.proven.at(-1)).toBe("No electrical safety test was made.");
    const unproven = page([decided()], { proofs: [{ words: "The lead by itself", proven: false }] });
    expect(unproven.proven[0]).toBe("Not shown: The lead by itself.");
  });

  it("a safety test that failed is never called passed", () => {
    const told = page([decided(), proved("safety bonding", true, "0.1"), proved("safety insulation", false, "0.1 MΩ")]);
    expect(told.safety?.passed).toBe(false);
    expect(told.proven.at(-1)).toBe("The electrical safety test did not pass. The machine must not be used.");
  });

  it("a unit left unsafe is told first, and nothing is said to be replaced on it", () => {
    const unsafe = { reason: "the element leaks to its case", tag: "T-7", signed: "Ida" };
    const told = page([decided()], { unsafe, action: "Left disconnected" });
    expect(told.unsafe).toBe(
      "Do not use this machine: the element leaks to its case. It was left disconnected, tag T-7.",
    );
    expect(told.done).toEqual(["Left disconnected."]);
  });

  it("nothing found is said so, with what was ruled out", () => {
    const told = page([], { fault: undefined, excluded: ["the board", "the loom"], elsewhere: ["the outlet"] });
    expect(told.wrong.slice(1)).toEqual([
      "We found no fault in the machine.",
      "Tested and ruled out: the board, the loom.",
      "Worth looking at outside the machine: the outlet.",
    ]);
    expect(told.next).toBeNull();
  });

  it("what was left over, a makeshift and what comes and goes are to be watched", () => {
    const told = page(
      [decided({ temporary: true })],
      { left: [{ item: "c", words: "One screw is missing" }], leftBecause: "on order" },
      { comesAndGoes: true },
    );
    expect(told.watch).toEqual([
      "This is a makeshift. It has to be made good.",
      "It came and went before: if it comes back, note the time and what was running.",
      "Left as it is: One screw is missing.",
    ]);
    expect(told.next!.words).toBe("It is to be made good by then.");
  });

  it("a board is told by what was put in; in warranty there is no price to pay", () => {
    const told = page([decided({ piece: BOARD.id, option: "donor-board", warranty: "in warranty" })], {
      piece: BOARD.id,
    });
    expect(told.done[0]).toBe(`A used, tested ${BOARD.name} was put in.`);
    expect(told.warranty).toBe(true);
  });

  it("shows the photos that were chosen last, and no others; a next date of none stays none", () => {
    const hash = (c: string) => c.repeat(64);
    const photo = (c: string) => ({ type: "photo", hash: hash(c), stage: "out", caption: c, marks: [] });
    const told = page([
      photo("a"),
      photo("b"),
      { type: "customer page", photos: [hash("b"), hash("f")], words: "Thank you", next: null },
    ]);
    expect(told.photos).toEqual([{ hash: hash("b"), caption: "b" }]);
    expect([told.words, told.next]).toEqual(["Thank you", null]);
  });

  it("every fault of every machine that ships has its sentence", () => {
    for (const name of FLEET) {
      const fleet = machineNamed(name);
      for (const part of fleet.parts)
        for (const mode of part.modes)
          expect(plainFault(fleet, `${part.id}:${mode.id}`), `${name} ${part.id}:${mode.id}`).toMatch(/^\S.+[.]$/);
    }
    expect(plainFault(machine, "W4:melted")).toBeNull();
  });
});
