import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST } from "../../src/app/api/jobs/[id]/advice/route";
import { advise } from "../../src/core/diagnose/advice/advise";
import { evidenceOf } from "../../src/core/journal/fold";
import { jobOn } from "../../src/core/journal/job";
import { inTransaction } from "../../src/server/db";
import { appendEvent } from "../../src/server/journal";
import { readJob } from "../../src/server/jobs";
import { dictionaries } from "../../src/server/schema";
import { learnTimesOf, timesOn } from "../../src/server/learned-times";
import { isolationOf } from "../support/fleet";
import { at, closeShop, newJob, newUnit, NOW, posted, prepareShop } from "../support/shop";

let unit = "";
const now = NOW;
const unitState = { setup: "idle", openPanels: [] };
const ask = (job: string, body: unknown) => POST(posted(body), at(job));

const dictionary = isolationOf("zirvald-bw-15");
const complaint = dictionary.machine.file.complaints[0]!;

beforeAll(async () => {
  await prepareShop();
  await inTransaction(async (tx) => {
    await tx.delete(dictionaries);
  });
  unit = await newUnit("zirvald-bw-15", { site: "Test ramp" });
});
afterAll(closeShop);

describe("advice from the server's own dictionary", () => {
  it("is what the same core says here, and null while nobody waits for it", async () => {
    const asked = { ...unitState, setup: complaint.setup };
    const id = await newJob(unit, complaint.id);
    const early = await ask(id, asked);
    expect(early.status).toBe(200);
    expect(await early.json()).toBeNull();
    const waited = (await (await ask(id, { ...asked, wait: true })).json()) as {
      evidence: string[];
      answers: { advice: unknown };
    };
    const evidence = evidenceOf(jobOn(dictionary.machine, (await readJob(id)).events));
    expect(waited.evidence).toEqual(["complaint"]);
    expect(waited.answers.advice).toEqual(
      // By single faults: for more a page asks by itself.
      JSON.parse(
        JSON.stringify(
          advise(dictionary, evidence, { setup: complaint.setup, openPanels: new Set() }, "single faults"),
        ),
      ),
    );
    // Now it is there at once.
    expect(await (await ask(id, asked)).json()).not.toBeNull();
  });

  it("refuses a job that is not there and a standing that is none, with a sentence", async () => {
    expect((await ask(uuid(), unitState)).status).toBe(404);
    const id = await newJob(unit, complaint.id);
    const refused = await ask(id, { setup: 7 });
    expect(refused.status).toBe(400);
    expect(((await refused.json()) as { error: string }).error.length).toBeGreaterThan(10);
  });

  it("takes into the journal what was timed and how warm it is, and refuses what cannot be seen", async () => {
    const id = await newJob(unit, complaint.id);
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
    expect(await learnTimesOf(machine.file.id, now)).toEqual({});
    expect(await timesOn(machine.file.id)).toEqual({});
  });
});
