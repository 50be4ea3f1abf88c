import { describe, expect, it } from "vitest";
import { boughtInVain, stepsTaken } from "../../../src/core/figures";
import { jobOn } from "../../../src/core/journal";
import type { EventBody, JournalEvent } from "../../../src/core/journal/events";
import { demoMachine } from "../../support/demo-machine";

const machine = demoMachine();
const PIECE = machine.partById.get("W4")!.assembly;
const BOARD = machine.file.pieces.find((p) => p.board)!.id;

/** Entries, each with the minute in which it was made. */
type Told = readonly (readonly [number, object])[];

function job(told: Told) {
  const opened = {
    type: "opened",
    kind: "repair",
    machine: machine.file.id,
    machineHash: "0".repeat(64),
    complaint: "panel-dark",
    complaintWords: "Door panel dark",
    site: "Hut",
    serial: "1",
  };
  const events = ([[0, opened], ...told] as Told).map(([minute, body], i): JournalEvent => ({
    id: `00000000-0000-4000-8000-${String(i).padStart(12, "0")}`,
    job: "job",
    seq: i + 1,
    v: 1,
    actor: "Mira",
    at: new Date(minute * 60_000).toISOString(),
    body: body as EventBody,
  }));
  return { events, folded: jobOn(machine, events) };
}

const decided = (piece: string, other: object = {}) => ({
  type: "decided",
  piece,
  option: "maker-board",
  words: "Board",
  minutes: 40,
  price: 220,
  temporary: false,
  warranty: "none",
  seals: "none",
  ...other,
});
const staged = (stage: string) => ({ type: "staged", plan: PIECE, stage, done: true });
const proved = (step: string) => ({ type: "proved", step, words: "Step", passed: true, typed: "seen", limit: "" });
const called = {
  type: "called",
  piece: PIECE,
  pieceName: "Loom",
  cause: "W4 open",
  action: "Replaced.",
  sure: "likely",
  proofs: [],
};
const tried = (piece: string, result: string) => ({ type: "tried", piece, result, words: "Tried" });

describe("minutes of a job beside its book", () => {
  it("the repair from the decision to its last step, the proof from there to the call; pauses are no work", () => {
    const { events, folded } = job([
      [5, decided(PIECE, { option: "replace" })],
      [15, staged("out")],
      // Lunch, and an hour in the store.
      [135, staged("in")],
      [145, staged("close")],
      [149, proved("look covers")],
      [152, proved("safety bonding")],
      [153, called],
    ]);
    // By hand: 10 + 10 minutes of repair beside 40; 4 + 3 + 1 of proof beside a look (0.5) and a limit (2).
    expect(stepsTaken(machine, folded, events, Date.parse)).toEqual([
      { kind: "repair", count: 1, took: 20, book: 40 },
      { kind: "proof", count: 1, took: 8, book: 2.5 },
    ]);
  });

  it("nothing decided or proven, nothing timed", () => {
    const { events, folded } = job([[3, called]]);
    expect(stepsTaken(machine, folded, events, Date.parse)).toEqual([]);
  });
});

describe("boards bought in vain", () => {
  const vain = (told: Told) => {
    const { events, folded } = job(told);
    return boughtInVain(machine, folded, events);
  };

  it("a board that was put in while the complaint stayed, with what was asked for it", () => {
    expect(
      vain([
        [1, decided(BOARD)],
        [30, tried(BOARD, "stays")],
        [60, called],
      ]),
    ).toEqual([{ assembly: BOARD, name: machine.assemblyById.get(BOARD)!.name, isBoard: true, price: 220 }]);
  });

  it("not one that was mended, struck out, helped, or is the cause in the end", () => {
    expect(
      vain([
        [1, decided(BOARD, { option: "solder" })],
        [30, tried(BOARD, "stays")],
        [60, called],
      ]),
    ).toEqual([]);
    expect(
      vain([
        [1, decided(BOARD)],
        [30, tried(BOARD, "gone")],
        [60, called],
      ]),
    ).toEqual([]);
    expect(
      vain([
        [1, tried(PIECE, "stays")],
        [60, called],
      ]),
    ).toEqual([]);
    const struck = { type: "struck", event: "00000000-0000-4000-8000-000000000002", reason: "wrong job" };
    expect(
      vain([
        [1, decided(BOARD)],
        [30, tried(BOARD, "stays")],
        [31, struck],
        [60, called],
      ]),
    ).toEqual([]);
  });
});
