import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as health } from "../../src/app/api/health/route";
import { POST as postJob } from "../../src/app/api/jobs/route";
import { GET as getEvents, POST as postEvent } from "../../src/app/api/jobs/[id]/events/route";
import type { EventBody, JournalEvent } from "../../src/core/journal/events";
import { closeDatabase } from "../../src/server/db";
import { appendEvent } from "../../src/server/journal";
import { eventsOf } from "../../src/server/journals";
import { listJobs, openJob, readJob } from "../../src/server/jobs";
import { keepMachine } from "../../src/server/machines";
import { demoMachineText } from "../support/demo-machine";
import { asked, at, closeShop, entry, newJob as jobOn, newUnit, NOW, posted, prepareShop } from "../support/shop";
import { readEnvAnew } from "../../src/env";

const now = NOW;
const note = (text: string): EventBody => ({ type: "note", text });
const call: EventBody = {
  type: "called",
  piece: "hinge-plug",
  pieceName: "Hinge plug H1",
  cause: "No contact",
  action: "Clean.",
  sure: "likely",
  proofs: [],
};

let unit = "";
beforeAll(async () => {
  await prepareShop();
  unit = await newUnit("quellmoor-sb-210");
});
afterAll(closeShop);

const newJob = () => jobOn(unit, "panel-dark");
const post = (job: string, body: unknown) => postEvent(posted(body), at(job));
const event = entry;

describe("the journal in MariaDB", () => {
  it("gives sequence numbers without gaps to twenty writers at once", async () => {
    const job = await newJob();
    const written = await Promise.all(
      Array.from({ length: 20 }, (_, i) => appendEvent(job, event(note(`n${i}`)), now)),
    );
    expect(written.map((e) => e.seq).sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i + 2));
    expect((await eventsOf(job)).map((e) => e.seq)).toEqual(Array.from({ length: 21 }, (_, i) => i + 1));
  });

  it("accepts the same event once, however often and however concurrently it is sent", async () => {
    const job = await newJob();
    const same = event(note("once"));
    const answers = await Promise.all(Array.from({ length: 6 }, () => post(job, same)));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200, 200]);
    const seqs = await Promise.all(answers.map(async (a) => ((await a.json()) as { event: JournalEvent }).event.seq));
    expect(new Set(seqs)).toEqual(new Set([2]));
    expect((await eventsOf(job)).length).toBe(2);
  });

  it("refuses another body under the same id with 409 and keeps the first", async () => {
    const job = await newJob();
    const id = uuid();
    expect((await post(job, event(note("first"), id))).status).toBe(200);
    const second = await post(job, event(note("second"), id));
    expect(second.status).toBe(409);
    expect(((await second.json()) as { error: string }).error).toMatch(/Nothing was changed/);
    expect((await eventsOf(job))[1]!.body).toEqual(note("first"));
    // The same id in another job is another event too.
    expect((await post(await newJob(), event(note("first"), id))).status).toBe(409);
  });

  it("takes a job that was opened by mistake out of the open ones, with its reason on record", async () => {
    const job = await newJob();
    await appendEvent(job, event({ type: "dropped", reason: "wrong unit" }), now);
    const row = (await listJobs({ state: "closed" }, 1000)).jobs.find((j) => j.id === job)!;
    expect(row).toMatchObject({ result: "dropped" });
    expect((await listJobs({ state: "open" }, 1000)).jobs.some((j) => j.id === job)).toBe(false);
    await expect(appendEvent(job, event({ type: "dropped", reason: "again" }), now)).rejects.toMatchObject({
      status: 409,
    });
  });

  it("lets a reader resume by sequence number", async () => {
    const job = await newJob();
    for (const text of ["a", "b", "c"]) await appendEvent(job, event(note(text)), now);
    const answer = await getEvents(asked("?after=2"), at(job));
    expect(((await answer.json()) as { events: JournalEvent[] }).events.map((e) => e.seq)).toEqual([3, 4]);
    expect((await getEvents(asked("?after=x"), at(job))).status).toBe(400);
  });

  it("keeps late events as addenda: the result of the job stays", async () => {
    const job = await newJob();
    await appendEvent(job, event(call), now);
    await appendEvent(job, event({ ...call, pieceName: "Something quite other" } as EventBody), now);
    const row = (await listJobs({ state: "closed" }, 1000)).jobs.find((j) => j.id === job)!;
    expect(row.result).toBe("Hinge plug H1");
  });

  it("opens a job once for the same id, and refuses another content under it", async () => {
    const id = uuid();
    const input = { id, unit, complaint: "panel-dark", actor: "Ida", again: true };
    await openJob(input, now);
    expect(await openJob(input, now)).toEqual({ id });
    await expect(openJob({ ...input, complaint: "all-dead" }, now)).rejects.toMatchObject({ status: 409 });
    // That it comes and goes is part of what was complained of, in the words and for the search.
    const fleeting = { ...input, id: uuid(), comesAndGoes: true };
    await openJob(fleeting, now);
    expect(await openJob(fleeting, now)).toEqual({ id: fleeting.id });
    const read = await readJob(fleeting.id);
    expect(read.events[0]!.body).toMatchObject({ comesAndGoes: true });
    expect(JSON.stringify(read.events[0]!.body)).toContain("; comes and goes");
    expect((await readJob(id)).events.length).toBe(1);
    const twice = { ...input, id: uuid() };
    expect(await Promise.all([openJob(twice, now), openJob(twice, now), openJob(twice, now)])).toEqual([
      { id: twice.id },
      { id: twice.id },
      { id: twice.id },
    ]);
    expect((await readJob(twice.id)).events.length).toBe(1);
  });

  it("gives the same id to one of two jobs only, also when both write at once", async () => {
    const [a, b] = [await newJob(), await newJob()];
    const same = event(note("whose?"));
    const answers = await Promise.all([post(a, same), post(b, same)]);
    expect(answers.map((r) => r.status).sort()).toEqual([200, 409]);
  });

  it("keeps the machine version a job was made with when the file changes", async () => {
    const job = await newJob();
    // Later than any clock this test may run under: the demo data is added at the real time.
    await keepMachine(
      demoMachineText.replace("name: Side-by-side refrigerator", "name: Side-by-side refrigerator, changed"),
      "changed.yaml",
      new Date("2100-01-01T00:00:00Z"),
    );
    expect((await readJob(job)).file.name).toBe("Side-by-side refrigerator");
    expect((await readJob(await newJob())).file.name).toMatch(/changed/);
    await keepMachine(
      demoMachineText.replace('revision: "1"', 'revision: "1b"'),
      "back.yaml",
      new Date("2100-01-02T00:00:00Z"),
    );
  });
});

describe("bad input", () => {
  it.each([
    ["no JSON", "{", 400],
    ["an unknown event", { id: uuid(), v: 1, actor: "Ida", body: { type: "erase" } }, 400],
    ["no id", { v: 1, actor: "Ida", body: note("x") }, 400],
    ["another version", { id: uuid(), v: 9, actor: "Ida", body: note("x") }, 400],
    ["a huge body", "x".repeat(200_000), 413],
    [
      "a second opening",
      event({
        type: "opened",
        kind: "repair",
        machine: "m",
        machineHash: "h",
        complaint: "c",
        complaintWords: "w",
        site: "s",
        serial: "1",
      }),
      409,
    ],
    ["a stroke through nothing", event({ type: "struck", event: uuid(), reason: "misread" }), 404],
  ])("%s gets a sentence and a status, and changes nothing", async (_name, body, status) => {
    const job = await newJob();
    const answer = await post(job, body);
    expect(answer.status).toBe(status);
    expect(((await answer.json()) as { error: string }).error.length).toBeGreaterThan(5);
    expect((await eventsOf(job)).length).toBe(1);
  });

  it("an unknown job, unit or complaint is 404 or 400", async () => {
    expect((await post(uuid(), event(note("x")))).status).toBe(404);
    expect((await post("not-an-id", event(note("x")))).status).toBe(404);
    const job = (body: object) => postJob(posted(body));
    expect((await job({ id: uuid(), unit: uuid(), complaint: "panel-dark", actor: "Ida" })).status).toBe(404);
    expect((await job({ id: uuid(), unit, complaint: "sings", actor: "Ida" })).status).toBe(400);
    const nobody = await job({ id: uuid(), unit, complaint: "panel-dark", actor: " " });
    expect(nobody.status).toBe(400);
    expect(((await nobody.json()) as { error: string }).error).toMatch(/who you are/);
  });

  it("a lost database is 503 with a sentence, and work goes on when it is back", async () => {
    const job = await newJob();
    const url = process.env.UNZO_DATABASE_URL!;
    await closeDatabase();
    process.env.UNZO_DATABASE_URL = "mysql://unzo:x@127.0.0.1:1/unzo";
    readEnvAnew();
    try {
      for (const answer of [await health(asked()), await post(job, event(note("lost")))]) {
        expect(answer.status).toBe(503);
        expect(((await answer.json()) as { error: string }).error).toMatch(/database does not answer/);
      }
    } finally {
      await closeDatabase();
      process.env.UNZO_DATABASE_URL = url;
      readEnvAnew();
    }
    expect((await health(asked())).status).toBe(200);
    expect((await eventsOf(job)).length).toBe(1);
  });
});
