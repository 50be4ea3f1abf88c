import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import {
  readJournal,
  upcast,
  newEventSchema,
  type EventBody,
  type JournalEvent,
  type StoredEvent,
} from "../../../src/core/journal/events";
import { BrokenJournal, evidenceOf, judgedOf, unitStateOf } from "../../../src/core/journal/fold";
import { jobOn } from "../../../src/core/journal/job";
import { readingBody } from "../../../src/core/journal/reading-body";
import { describeTest } from "../../../src/core/diagnose/advice/test-sheet";
import { makeTest } from "../../../src/core/simulate/test";
import { demoDictionary } from "../../support/demo-machine";
import { believe } from "../../../src/core/diagnose/belief/beliefs";

const dictionary = demoDictionary();
const { machine } = dictionary;
const JOB = "0b0e8f6e-6a3c-4c57-9a53-0c9f6b1f0001";
const uuid = (n: number) => `0b0e8f6e-6a3c-4c57-9a53-${String(n).padStart(12, "0")}`;

const opened: EventBody = {
  type: "opened",
  kind: "repair",
  machine: machine.file.id,
  machineHash: "a".repeat(64),
  complaint: "panel-dark",
  complaintWords: "Door panel dark",
  site: "Larch Pass Hut",
  serial: "40177",
};
const readingAt = (value: number) =>
  readingBody(
    describeTest(
      dictionary,
      believe(dictionary, []),
      { setup: "cold-call", openPanels: new Set() },
      makeTest("cold-call", "dcv", "H1-1.cab", "H1-3.cab"),
    ),
    String(value),
    { kind: "value", value },
    true,
  );
const events = (...bodies: EventBody[]): JournalEvent[] =>
  bodies.map((body, i) => ({
    id: uuid(i + 1),
    job: JOB,
    seq: i + 1,
    v: 1,
    actor: "Ida",
    at: `2026-11-24T08:${String(i).padStart(2, "0")}:00.000Z`,
    body,
  }));
const called: EventBody = {
  type: "called",
  piece: "hinge-plug",
  pieceName: "Hinge plug H1",
  cause: "No contact",
  action: "Clean and reseat.",
  sure: "likely",
  proofs: [],
};

describe("a job folded from its journal", () => {
  it("keeps readings as they were shown, and the covers they needed open", () => {
    const job = jobOn(machine, events(opened, { type: "warned", notice: "working-live" }, readingAt(13.1)));
    expect(job.readings[0]!.body.as).toMatchObject({
      title: "DC volts at Hinge plug, cabinet half",
      shown: "13.1 V",
      verdict: "fits",
      exposure: "low voltage",
    });
    expect(job.openPanels).toEqual(["hinge-cover"]);
    expect(job.warned).toBe(true);
    expect(unitStateOf(job).setup).toBe("cold-call");
    expect(evidenceOf(job).map((e) => e.type)).toEqual(["complaint", "reading"]);
  });

  it("strikes a reading out without erasing it; it counts no more", () => {
    const job = jobOn(
      machine,
      events(opened, readingAt(0.02), { type: "struck", event: uuid(2), reason: "black lead was on the door" }),
    );
    expect(job.readings[0]!.struck).toMatchObject({ reason: "black lead was on the door" });
    expect(evidenceOf(job).map((e) => e.type)).toEqual(["complaint"]);
    expect(judgedOf(job)).toEqual([]);
  });

  it("takes what comes after the call as addenda that change nothing", () => {
    const before = jobOn(machine, events(opened, readingAt(13.1), called));
    const after = jobOn(
      machine,
      events(
        opened,
        readingAt(13.1),
        called,
        readingAt(0),
        { type: "struck", event: uuid(2), reason: "late" },
        { type: "note", text: "Part ordered" },
      ),
    );
    expect(after.addenda.length).toBe(3);
    expect({ ...after, addenda: [], lastSeq: 0 }).toEqual({ ...before, addenda: [], lastSeq: 0 });
  });

  it("does not mind the order in which events arrive", () => {
    const all = events(opened, readingAt(13.1), readingAt(12.9), called);
    expect(jobOn(machine, [...all].reverse())).toEqual(jobOn(machine, all));
  });

  it("refuses a journal without a beginning, or with two", () => {
    expect(() => jobOn(machine, [])).toThrow(BrokenJournal);
    expect(() => jobOn(machine, events(called))).toThrow(BrokenJournal);
    expect(() => jobOn(machine, events(opened, opened))).toThrow(BrokenJournal);
  });

  it("leaves an event of a newer program as it is, apart from what it can read", () => {
    const stored = { id: uuid(1), job: JOB, seq: 1, actor: "Ida", at: "2026-11-24T08:00:00.000Z" };
    const later = { ...stored, v: 3, body: opened };
    expect(upcast(later)).toEqual({ ...later, raw: true });
    const unknown = { ...stored, v: 1, body: { type: "gas checked", ppm: 3 } };
    expect(upcast(unknown)).toEqual({ ...unknown, raw: true });
    // A version that a type never had is of a later program too.
    expect(upcast({ ...stored, v: 2, body: { type: "note", text: "x" } })).toHaveProperty("raw", true);
    expect(readJournal([later, { ...stored, seq: 2, v: 1, body: { type: "note", text: "x" } }])).toMatchObject({
      events: [{ seq: 2, body: { type: "note" } }],
      raw: [{ seq: 1 }],
    });
  });

  it("says who was given the job, and nothing while nobody was", () => {
    const body = { type: "handed over" as const, to: "Jon", words: "The fuse is out; the new board comes on Tuesday." };
    expect(jobOn(machine, events(opened)).handedOver).toBeUndefined();
    expect(jobOn(machine, events(opened, body)).handedOver?.map((h) => h.body.to)).toEqual(["Jon"]);
  });

  it("that was dropped is over: its reason is told, and what comes after it is an addendum", () => {
    const body = { type: "dropped" as const, reason: "wrong unit" };
    expect(jobOn(machine, events(opened)).dropped).toBeUndefined();
    const job = jobOn(machine, events(opened, body, { type: "note", text: "The other one." }));
    expect(job.dropped?.body.reason).toBe("wrong unit");
    expect(job.notes).toEqual([]);
    expect(job.called).toBeNull();
  });

  it.each([
    ["no reading", { type: "reading", typed: "x" }],
    ["an infinite value", { ...readingAt(1), shown: { kind: "value", value: Infinity } }],
    ["an unknown kind", { type: "erased" }],
    ["a field too much", { type: "note", text: "x", bold: true }],
    ["an empty note", { type: "note", text: "  " }],
  ])("refuses %s at the edge", (_name, body) => {
    expect(newEventSchema.safeParse({ id: uuid(1), v: 1, actor: "Ida", body }).success).toBe(false);
  });
});

describe("golden journals fold for ever", () => {
  const folder = new URL("../../journals/", import.meta.url);
  const names = readdirSync(folder).filter((n) => n.endsWith(".events.json"));
  it("exist", () => expect(names.length).toBeGreaterThan(0));
  it.each(names)("%s", (name) => {
    const stored = JSON.parse(readFileSync(new URL(name, folder), "utf8")) as StoredEvent[];
    const wanted = JSON.parse(readFileSync(new URL(name.replace(".events.", ".job."), folder), "utf8")) as unknown;
    expect(JSON.parse(JSON.stringify(jobOn(machine, readJournal(stored).events)))).toEqual(wanted);
  });
});
