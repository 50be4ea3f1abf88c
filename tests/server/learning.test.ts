import { randomUUID as uuid } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as oddsOf, POST as resetOf } from "../../src/app/api/machines/[id]/odds/route";
import type { ShopOdds } from "../../src/contract/odds";
import type { Body } from "../../src/core/journal/slice";
import { database } from "../../src/server/db";
import { adviceOn } from "../../src/server/isolation";
import { appendEvent } from "../../src/server/journal";
import { openJob, readJob } from "../../src/server/jobs";
import { oddsFor } from "../../src/server/kept-odds";
import { learned } from "../../src/server/learning";
import { machineWith, newestMachine } from "../../src/server/machine-store";
import { followUps } from "../../src/server/outcomes";
import { odds, outcomes } from "../../src/server/schema";
import { ownDatabase } from "../support/own-database";
import { asked, at, entry, log, newJob, newUnit, NOW, posted, said } from "../support/shop";

const MACHINE = "tannrast-ft-20";
let leave: () => Promise<void>;
beforeAll(async () => {
  leave = await ownDatabase();
});
afterAll(() => leave());

const later = (days: number) => new Date(NOW.getTime() + days * 86_400_000);
const held = async (job: string) => (await database().select().from(outcomes).where(eq(outcomes.job, job)))[0];
const shown = async () => (await (await oddsOf(asked(), at(MACHINE))).json()) as ShopOdds;

async function firstFault() {
  const { machine } = await newestMachine(MACHINE);
  const part = machine.parts.find((p) => p.modes.some((m) => m.odds > 0))!;
  const mode = part.modes.find((m) => m.odds > 0)!;
  return {
    fault: `${part.id}:${mode.id}`,
    piece: part.assembly,
    name: `${part.name}: ${mode.words}`,
    complaint: machine.file.complaints[0]!.id,
  };
}

const call = (piece: string, more: Partial<Body<"called">> = {}): Body<"called"> => ({
  type: "called",
  piece,
  pieceName: "What it was",
  cause: "c",
  action: "Changed.",
  sure: "likely",
  proofs: [{ words: "Shown", proven: true }],
  ...more,
});

describe("whether a repair held", () => {
  it("is asked when it is time, answered once, and taken back by the same complaint", async () => {
    const { piece, complaint } = await firstFault();
    const unit = await newUnit(MACHINE);
    const job = await newJob(unit, complaint);
    expect((await said(await refusedFollowUp(job))).status).toBe(409);
    await log(job, call(piece));
    expect(await held(job)).toMatchObject({ held: "not known" });
    const due = (now: Date) => followUps(now, 100_000).then((list) => list.some((f) => f.job === job));
    expect([await due(later(3)), await due(later(90))]).toEqual([false, true]);
    await appendEvent(job, entry({ type: "followed up", held: true, words: "Asked the hut" }), later(40));
    expect(await held(job)).toMatchObject({ held: "held" });
    expect(await due(later(90))).toBe(false);
    // The record of the job is as it was, with one more addendum.
    const again = { id: uuid(), unit, complaint, actor: "Ida" };
    await openJob(again, later(45));
    expect(await held(job)).toMatchObject({ held: "came back", againJob: again.id });
    // It was opened by mistake: then nothing came back.
    await log(again.id, { type: "dropped", reason: "wrong unit" });
    expect(await held(job)).toMatchObject({ held: "held", againJob: null });
  });

  async function refusedFollowUp(job: string): Promise<Response> {
    const { POST } = await import("../../src/app/api/jobs/[id]/events/route");
    return POST(posted({ ...entry({ type: "followed up", held: true, words: "" }) }), at(job));
  }
});

describe("the odds of the shop", () => {
  it("move with proven causes; a job keeps those it was made with; begun anew they are the file's", async () => {
    const { fault, piece, name, complaint } = await firstFault();
    const before = (await shown()).rows.find((r) => r.name === name);
    const early = await newJob(await newUnit(MACHINE), complaint);
    for (let i = 0; i < 4; i++) {
      const job = await newJob(await newUnit(MACHINE), complaint);
      // Now: an earlier run of this test began anew.
      await appendEvent(job, entry(call(piece, { fault, confirmed: "found bad" })), new Date());
    }
    await learned();
    const now = (await shown()).rows.find((r) => r.name === name)!;
    expect(now.seen).toBeCloseTo((before?.seen ?? 0) + 4, 1);
    expect(now.used).toBeGreaterThan(now.said);

    const job = await newJob(await newUnit(MACHINE), complaint);
    const hash = (await oddsFor(MACHINE))!;
    const opened = (await readJob(job)).events[0]!.body;
    expect(opened).toMatchObject({ type: "opened", odds: hash });
    expect((await readJob(early)).odds).not.toBe(hash);
    const shareIn = async (id: string) => {
      const { machine } = await readJob(id);
      const all = machine.parts.flatMap((p) => p.modes.map((m) => ({ key: `${p.id}:${m.id}`, odds: m.odds })));
      return all.find((m) => m.key === fault)!.odds / all.reduce((sum, m) => sum + m.odds, 0);
    };
    expect(await shareIn(job)).toBeCloseTo(now.used, 3);
    expect(await shareIn(early)).toBeLessThan(now.used);
    // The search of a job goes by its own odds.
    const belief = async (id: string) => {
      const { machine } = await readJob(id);
      const setup = machine.file.complaints.find((c) => c.id === complaint)!.setup;
      const advice = (await adviceOn(id, { setup, openPanels: [], wait: true }))!.answers.advice;
      return advice.suspects.find((s) => s.assembly === piece)?.probability ?? 0;
    };
    expect(await belief(job)).not.toBe(await belief(early));

    // An answer that takes a repair back teaches anew: of later jobs, not of this one.
    const reset = { id: uuid(), actor: "Ida" };
    for (let i = 0; i < 2; i++) expect((await resetOf(posted(reset), at(MACHINE))).status).toBe(200);
    expect((await shown()).rows.find((r) => r.name === name)?.seen ?? 0).toBe(0);
    expect((await readJob(job)).odds).toBe(hash);
    expect((await machineWith((await newestMachine(MACHINE)).hash, hash)).machine.file.odds).toBeDefined();
    expect(await database().select().from(odds).where(eq(odds.hash, hash))).toHaveLength(1);
  });

  it("of a machine that is not there are refused", async () => {
    expect((await oddsOf(asked(), at("no-such"))).status).toBe(404);
    expect((await resetOf(posted({ id: uuid(), actor: "Ida" }), at("no-such"))).status).toBe(404);
    expect((await resetOf(posted({ actor: "Ida" }), at(MACHINE))).status).toBe(400);
  });
});
