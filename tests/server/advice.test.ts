import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { v4 as uuid } from "uuid";
import { POST } from "../../src/app/api/jobs/[id]/advice/route";
import { advise } from "../../src/core/isolate/advise";
import { evidenceOf } from "../../src/core/journal/fold";
import { jobOn } from "../../src/core/journal/job";
import { closeDatabase, database } from "../../src/server/db";
import { keepMachineFiles } from "../../src/server/demo";
import { appendEvent } from "../../src/server/journal";
import { openJob, readJob, timesOn } from "../../src/server/jobs";
import { units } from "../../src/server/schema";
import { isolationOf } from "../support/fleet";

const unit = uuid();
const now = new Date("2026-11-24T09:00:00.000Z");
const standing = { setup: "idle", openPanels: [] };
const ask = (job: string, body: unknown) =>
  POST(new Request("http://unzo/", { method: "POST", body: JSON.stringify(body) }), {
    params: Promise.resolve({ id: job }),
  });

const isolation = isolationOf("zirvald-bw-15");
const complaint = isolation.machine.file.complaints[0]!;

beforeAll(async () => {
  if (!process.env.UNZO_DATABASE_URL) throw new Error("These tests need the private database: run them by npm test.");
  await keepMachineFiles(new URL("../../machines/", import.meta.url).pathname, now);
  await database()
    .insert(units)
    .values({ id: unit, site: "Test ramp", serial: unit.slice(0, 8), machine: "zirvald-bw-15" });
});
afterAll(closeDatabase);

describe("advice from the server's own dictionary", () => {
  it("is what the same core says here, and null while nobody waits for it", { timeout: 120_000 }, async () => {
    const asked = { ...standing, setup: complaint.setup };
    const { id } = await openJob({ id: uuid(), unit, complaint: complaint.id, actor: "Ida" }, now);
    const early = await ask(id, asked);
    expect(early.status).toBe(200);
    expect(await early.json()).toBeNull();
    const waited = (await (await ask(id, { ...asked, wait: true })).json()) as { evidence: string[]; advice: unknown };
    const evidence = evidenceOf(jobOn(isolation.machine, (await readJob(id)).events));
    expect(waited.evidence).toEqual(["complaint"]);
    expect(waited.advice).toEqual(
      JSON.parse(JSON.stringify(advise(isolation, evidence, { setup: complaint.setup, openPanels: new Set() }))),
    );
    // Now it is there at once.
    expect(await (await ask(id, asked)).json()).not.toBeNull();
  });

  it("refuses a job that is not there and a standing that is none, with a sentence", async () => {
    expect((await ask(uuid(), standing)).status).toBe(404);
    const { id } = await openJob({ id: uuid(), unit, complaint: complaint.id, actor: "Ida" }, now);
    const refused = await ask(id, { setup: 7 });
    expect(refused.status).toBe(400);
    expect(((await refused.json()) as { error: string }).error.length).toBeGreaterThan(10);
  });

  it("takes into the journal what was timed and how warm it is, and refuses what cannot be seen", async () => {
    const { id } = await openJob({ id: uuid(), unit, complaint: complaint.id, actor: "Ida" }, now);
    const add = (body: Parameters<typeof appendEvent>[1]["body"]) =>
      appendEvent(id, { id: uuid(), v: 1, actor: "Ida", body }, now);
    await add({ type: "surroundings", celsius: 8, words: "8 °C here" });
    await expect(
      add({ type: "timed", setup: "nowhere", part: "nobody", label: "x", seconds: 3, watched: 3, words: "w" }),
    ).rejects.toThrow(/no setup/);
    const { events, machine } = await readJob(id);
    expect(evidenceOf(jobOn(machine, events))).toContainEqual(
      expect.objectContaining({ type: "surroundings", celsius: 8 }),
    );
    expect(await timesOn(machine)).toEqual({});
  });
});
