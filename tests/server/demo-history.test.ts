import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { eventBodySchema, type JournalEvent } from "../../src/core/journal/events";
import { jobOn } from "../../src/core/journal/job";
import { causeSeen, outcomeOf } from "../../src/core/learn/outcome";
import { readHistory } from "../../src/server/demo-history";
import { DEMO_UNITS } from "../../src/server/demo-units";
import { FLEET, machineNamed } from "../support/fleet";

const past = readHistory(readFileSync(new URL("../../machines/demo-history.json.gz", import.meta.url)));
const machines = new Map(FLEET.map((name) => [machineNamed(name).file.id, machineNamed(name)]));

/** The journal of a past job, as it is when it began at that moment. */
const journalOf = (entries: (typeof past)[number]["entries"]): JournalEvent[] =>
  entries.map(([seconds, body], i) => ({
    id: String(i),
    job: "j",
    seq: i + 1,
    v: 1,
    actor: "Ida",
    at: new Date(Date.UTC(2026, 0, 1) + 1000 * seconds).toISOString(),
    body,
  }));

describe("the past of the demo shop", () => {
  it("is of forty units on twelve sites or more, over every machine that ships, and of three people", () => {
    expect(DEMO_UNITS.length).toBe(40);
    expect(new Set(DEMO_UNITS.map((u) => u.site.split(",")[0])).size).toBeGreaterThanOrEqual(12);
    expect(new Set(DEMO_UNITS.map((u) => u.machine))).toEqual(new Set(machines.keys()));
    expect(new Set(DEMO_UNITS.map((u) => `${u.machine} ${u.serial}`)).size).toBe(40);
    expect(past.length).toBe(200);
    expect(new Set(past.map((p) => p.actor)).size).toBe(3);
    expect(past.every((p) => p.daysAgo > 0 && p.daysAgo < 800)).toBe(true);
  });

  it("can be read and folded on the machines as they are drawn today; most of it teaches something", () => {
    let taught = 0;
    for (const { unit, entries } of past) {
      for (const [, body] of entries) eventBodySchema.parse(body);
      const machine = machines.get(DEMO_UNITS.find((u) => u.key === unit)!.machine)!;
      const events = journalOf(entries);
      const job = jobOn(machine, events);
      expect(job.called, `${unit} ${job.opened.complaint}`).not.toBeNull();
      const outcome = outcomeOf(job, events, machine, Date.parse);
      expect(outcome?.minutes).toBeGreaterThan(0);
      if (outcome && causeSeen(outcome, "not known")) taught++;
    }
    expect(taught).toBeGreaterThan(60);
  });
});
