import { describe, expect, it } from "vitest";
import { jobOn } from "../../../src/core/journal";
import type { EventBody, JournalEvent } from "../../../src/core/journal/events";
import { causeSeen, optionSeen, type Outcome, outcomeOf } from "../../../src/core/learn/outcome";
import { demoMachine } from "../../support/demo-machine";

const machine = demoMachine();
const FAULT = "W4:open";
const PIECE = machine.partById.get("W4")!.assembly;
const HASH = "0".repeat(64);

type Change = Partial<Extract<EventBody, { type: "called" }>>;
interface Story {
  readonly opened?: object;
  readonly called?: Change | null;
  readonly decided?: object | null;
  readonly further?: readonly EventBody[];
}

/** A closed repair as it usually is, and what is otherwise in this one. */
function outcome({ opened = {}, called = {}, decided = {}, further = [] }: Story): Outcome | null {
  const bodies = [
    {
      type: "opened",
      kind: "repair",
      machine: machine.file.id,
      machineHash: HASH,
      complaint: "panel-dark",
      complaintWords: "Door panel dark",
      site: "Hut",
      serial: "1",
      ...opened,
    },
    ...further,
    ...(decided === null
      ? []
      : [
          {
            type: "decided",
            piece: PIECE,
            fault: FAULT,
            option: "replace",
            words: "Replace it",
            minutes: 20,
            price: 40,
            temporary: false,
            warranty: "none",
            seals: "none",
            ...decided,
          },
        ]),
    ...(called === null
      ? []
      : [
          {
            type: "called",
            piece: PIECE,
            pieceName: "Loom",
            cause: "W4 open",
            action: "Replaced.",
            sure: "likely",
            proofs: [{ words: "The pin reads 13 V", proven: true }],
            ...called,
          },
        ]),
  ] as EventBody[];
  const events = bodies.map((body, i): JournalEvent => ({
    id: `${i}`,
    job: "j",
    seq: i + 1,
    v: 1,
    actor: "Ida",
    at: new Date(Date.UTC(2026, 0, 1, 9, 10 * i)).toISOString(),
    body,
  }));
  return outcomeOf(jobOn(machine, events), events, machine, Date.parse);
}

const simulatedReading = {
  type: "reading",
  test: { setup: machine.file.setups[0]!.id, function: "ohms", red: "H1-1.cab", black: "H1-3.cab", instant: "settled" },
  typed: "1",
  shown: { kind: "value", value: 1 },
  as: {
    title: "t",
    red: "r",
    black: "b",
    setup: "s",
    exposure: "dead",
    expected: "1",
    shown: "1",
    verdict: "fits",
    proposed: true,
  },
  coreVersion: "1",
  simulated: true,
} as const satisfies EventBody;

const taught = (story: Story, held: "held" | "came back" | "not known" = "not known") => {
  const came = outcome(story);
  return came && causeSeen(came, held);
};

describe("what a closed repair teaches", () => {
  it("is its cause: little where it works since, in full where the part was found bad or the old one brought it back", () => {
    expect(taught({})).toMatchObject({ machine: machine.file.id, part: "W4", mode: "open", weight: 0.3 });
    expect(taught({ called: { confirmed: "old part back" } })).toMatchObject({ weight: 1 });
    expect(taught({ called: { confirmed: "found bad" } })).toMatchObject({ weight: 1 });
    const alone = { type: "alone", part: "W4", found: "bad", tool: "meter", typed: {}, words: "open" } as const;
    expect(taught({ further: [alone] })).toMatchObject({ weight: 1 });
    expect(taught({ further: [{ ...alone, found: "good" }] })).toMatchObject({ weight: 0.3 });
  });

  it.each<[string, Story]>([
    ["one that is open", { called: null }],
    ["practice", { opened: { simulated: true } }],
    ["one with a reading of the simulated meter", { further: [simulatedReading] }],
    ["one that was only measured", { called: { confirmed: "only measured" } }],
    ["one closed with something unproven", { called: { despite: "No time", proofs: [{ words: "x", proven: false }] } }],
    ["one left unsafe", { called: { unsafe: { reason: "Burnt", tag: "7", signed: "Ida" } } }],
    ["one without a fault found", { called: { excluded: ["Loom"], fault: FAULT } }],
    ["one opened by mistake", { called: null, further: [{ type: "dropped", reason: "twice" }] }],
    ["a check over", { opened: { kind: "check", purpose: "before sale" } }],
    ["one whose cause is no fault of the file", { decided: null, called: { fault: "W4:melted" } }],
    ["one that names none", { decided: null }],
  ])("is nothing for %s", (_name, story) => {
    expect(taught(story)).toBeNull();
  });

  it("is taken back where swapped and works did not last; what was found bad stays found", () => {
    expect(taught({}, "came back")).toBeNull();
    expect(taught({ called: { confirmed: "found bad" } }, "came back")).toMatchObject({ weight: 1 });
  });

  it("goes by what was decided about; the call of another assembly by its own fault", () => {
    expect(taught({ called: { fault: "F1:blown" } })).toMatchObject({ part: "W4" });
    expect(taught({ decided: { piece: "elsewhere" }, called: { fault: "F1:blown" } })).toMatchObject({ part: "F1" });
  });

  it("says of a repair option only what is known of it", () => {
    const came = outcome({})!;
    expect(optionSeen(came, "not known")).toBeNull();
    expect(optionSeen(came, "held")).toMatchObject({ option: "replace", held: true });
    expect(optionSeen(came, "came back")).toMatchObject({ option: "replace", held: false });
  });

  it("counts the minutes of hands, not the night between", () => {
    expect(outcome({})!.minutes).toBe(20);
    const night = { type: "note", text: "in the morning" } as const;
    expect(outcome({ further: [night] })!.minutes).toBe(30);
  });
});
