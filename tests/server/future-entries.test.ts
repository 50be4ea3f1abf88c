import { randomUUID as uuid } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as advice } from "../../src/app/api/jobs/[id]/advice/route";
import { POST as postEvent } from "../../src/app/api/jobs/[id]/events/route";
import { database } from "../../src/server/db";
import { eventsOf, journalOf } from "../../src/server/journals";
import { listJobs } from "../../src/server/jobs";
import { events, streams } from "../../src/server/schema";
import { unitRecord } from "../../src/server/units";
import { at, closeShop, entry, log, newJob, newUnit, NOW, posted, prepareShop, said } from "../support/shop";

beforeAll(prepareShop);
afterAll(closeShop);

/** Writes what a later program would: another type, or another version of a known one. */
async function later(job: string, v: number, body: { type: string }): Promise<void> {
  const [row] = await database().select().from(streams).where(eq(streams.id, job));
  const seq = row!.lastSeq + 1;
  await database()
    .insert(events)
    .values({ id: uuid(), stream: job, seq, v, type: body.type, actor: "Later", at: NOW, body, sent: "0".repeat(64) });
  await database().update(streams).set({ lastSeq: seq }).where(eq(streams.id, job));
}

describe("an entry from the future", () => {
  it.each([
    ["of a type that is not known", 1, { type: "gas checked", ppm: 3 }],
    ["of a later version", 7, { type: "note", text: "x" }],
  ])(
    "%s is shown as it is; its job takes nothing more and gives no advice; everyone else is untroubled",
    async (_name, v, body) => {
      const unit = await newUnit("zirvald-bw-15");
      const [job, other] = [await newJob(unit, "still"), await newJob(unit, "still")];
      await log(job, { type: "note", text: "before" });
      await later(job, v, body);
      const journal = await journalOf(job);
      expect(journal.events.map((e) => e.seq)).toEqual([1, 2]);
      expect(journal.raw).toEqual([expect.objectContaining({ seq: 3, v, body })]);
      const refused = await said(await postEvent(posted(entry({ type: "note", text: "after" })), at(job)));
      expect(refused.status).toBe(409);
      expect(refused.error).toContain("newer Unzo");
      const none = await said(await advice(posted({ setup: "idle", openPanels: [], wait: true }), at(job)));
      expect(none.status).toBe(409);
      expect((await unitRecord(unit)).unreadable).toEqual([job]);
      expect((await listJobs({ state: "open" }, 1000)).jobs.map((j) => j.id)).toContain(job);
      expect((await log(other, { type: "note", text: "fine" })).seq).toBe(2);
      expect((await eventsOf(other)).length).toBe(2);
    },
  );

  it("that opened the job leaves nothing to be read, and the unit can still be worked on", async () => {
    const unit = await newUnit("zirvald-bw-15");
    const job = await newJob(unit, "still");
    await database().update(events).set({ v: 9 }).where(eq(events.stream, job));
    expect(await unitRecord(unit)).toMatchObject({ unreadable: [job], jobs: [{ id: job }] });
    expect(await newJob(unit, "still")).toBeTruthy();
  });
});
