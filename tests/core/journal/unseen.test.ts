import { describe, expect, it } from "vitest";
import { judgeTyped, loneOne } from "../../../src/core/journal/bodies";
import type { EventBody, JournalEvent } from "../../../src/core/journal/events";
import { jobOn } from "../../../src/core/journal/job";
import { conflictsIn, unseenIn } from "../../../src/core/journal/unseen";
import { describeTest } from "../../../src/core/diagnose/advice/test-sheet";
import { believe } from "../../../src/core/diagnose/belief/beliefs";
import { ORDINARY_METER } from "../../../src/core/instrument/meter";
import { makeTest } from "../../../src/core/simulate/test";
import { demoDictionary } from "../../support/demo-machine";

const dictionary = demoDictionary();
const { machine } = dictionary;
const uuid = (n: number) => `0b0e8f6e-6a3c-4c57-9a53-${String(n).padStart(12, "0")}`;
const test = dictionary.candidates.find((t) => t.function === "dcv")!;
const card = describeTest(dictionary, believe(dictionary, []), { setup: test.setup, openPanels: new Set() }, test);

/** A journal of entries, each with who wrote it and the entry (by its number) that was the last on that screen. */
function journal(...entries: readonly (readonly [actor: string, after: number | null, body: EventBody])[]) {
  return entries.map(([actor, after, body], i): JournalEvent => ({
    id: uuid(i + 1),
    job: "j",
    seq: i + 1,
    v: 1,
    at: `2026-11-24T08:${String(i).padStart(2, "0")}:00.000Z`,
    actor,
    body: after === null ? body : ({ ...body, after: uuid(after) } as EventBody),
  }));
}
const opened: EventBody = {
  type: "opened",
  kind: "repair",
  machine: machine.file.id,
  machineHash: "c".repeat(64),
  complaint: machine.file.complaints[0]!.id,
  complaintWords: "dark",
  site: "Hut",
  serial: "1",
};
const reading = (typed: string): EventBody => {
  const judged = judgeTyped(card, typed, true);
  if (judged.kind !== "read") throw new Error(typed);
  return judged.body;
};
const sign = (there: boolean): EventBody => ({ type: "noticed", part: "*", sign: "moved", there, words: "It moved." });
const conflicts = (events: readonly JournalEvent[]) =>
  conflictsIn(jobOn(machine, events), unseenIn(events), ORDINARY_METER).map((c) => [c.first.said, c.second.said]);

describe("entries made without knowing others", () => {
  it("are those whose screen did not have all that stands before them", () => {
    const events = journal(
      ["Ida", null, opened],
      ["Ida", 1, reading("13")],
      ["Jon", 1, reading("13")],
      ["Jon", 3, sign(true)],
      ["Ida", 2, sign(false)],
    );
    expect([...unseenIn(events)].map(([id, missed]) => [id, missed.map((e) => e.seq)])).toEqual([
      [uuid(3), [2]],
      [uuid(5), [3, 4]],
    ]);
  });

  it("an old entry, which does not say, and one after an unknown one count as having seen all", () => {
    expect(unseenIn(journal(["Ida", null, opened], ["Ida", null, reading("13")], ["Jon", 9, reading("0")])).size).toBe(
      0,
    );
  });
});

describe("two answers to one question", () => {
  const start = [
    ["Ida", null, opened],
    ["Ida", 1, reading("13")],
  ] as const;
  it("are a conflict if the second did not know the first and says something else", () => {
    expect(conflicts(journal(...start, ["Jon", 1, reading("0")]))).toEqual([["13.0 V", "0 V"]]);
    expect(conflicts(journal(...start, ["Jon", 1, sign(true)], ["Ida", 2, sign(false)]))).toEqual([
      ["there", "not there"],
    ]);
  });
  it("are none if they say the same, if the second knew the first, or if a repair lies between", () => {
    expect(conflicts(journal(...start, ["Jon", 1, reading("13.02")]))).toEqual([]);
    expect(conflicts(journal(...start, ["Jon", 2, reading("0")]))).toEqual([]);
    const tried: EventBody = { type: "tried", piece: "panel-board", result: "stays", words: "Tried." };
    expect(conflicts(journal(...start, ["Jon", 2, tried], ["Ida", 1, reading("0")]))).toEqual([]);
  });
  it("are settled by striking one out, or by one who knew both and says the same as one of them", () => {
    const two = [...start, ["Jon", 1, reading("0")]] as const;
    expect(conflicts(journal(...two, ["Ida", 3, { type: "struck", event: uuid(3), reason: "r" }]))).toEqual([]);
    expect(conflicts(journal(...two, ["Ida", 3, reading("13")]))).toEqual([]);
    // A third answer settles nothing.
    expect(conflicts(journal(...two, ["Ida", 3, reading("6")]))).toEqual([["13.0 V", "0 V"]]);
  });
});

describe("typed text is judged once, for the screen and for the journal", () => {
  it("is empty, cannot be read, or is a reading with its entry", () => {
    expect(judgeTyped(card, "  ", true)).toEqual({ kind: "empty" });
    expect(judgeTyped(card, "thirteen", true)).toMatchObject({ kind: "unread", ask: null });
    expect(judgeTyped(card, " 13 ", true)).toMatchObject({
      kind: "read",
      shown: { kind: "value", value: 13 },
      body: { type: "reading", typed: "13", as: { title: card.title, proposed: true } },
    });
  });
  it("asks back at a lone 1 on ohms, and takes either answer", () => {
    const ohms = makeTest("off", "ohms", test.red, test.black);
    const setup = machine.file.setups.find((s) => s.power === "off")!;
    const own = describeTest(
      dictionary,
      believe(dictionary, []),
      { setup: setup.id, openPanels: new Set() },
      { ...ohms, setup: setup.id },
    );
    expect(judgeTyped(own, "1", false)).toMatchObject({ kind: "unread", ask: "overload?" });
    expect(loneOne(own, "overload", false).shown).toEqual({ kind: "overload" });
    expect(loneOne(own, "one ohm", false).shown).toEqual({ kind: "value", value: 1 });
  });
});
