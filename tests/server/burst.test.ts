import { randomUUID as uuid } from "node:crypto";
import { fork, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { eq } from "drizzle-orm";
import mysql from "mysql2/promise";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as health } from "../../src/app/api/health/route";
import { POST as postEvent } from "../../src/app/api/jobs/[id]/events/route";
import type { EventBody, NewEvent } from "../../src/core/journal/events";
import { closeDatabase, database, inTransaction } from "../../src/server/db";
import { appendEvent } from "../../src/server/journal";
import { eventsOf } from "../../src/server/journals";
import { newestMachine } from "../../src/server/machine-store";
import { hasCode, isLostDatabase, MaybeWritten, Refusal, sentenceFor } from "../../src/server/refusal";
import { events, streams } from "../../src/server/schema";
import { asked, at, closeShop, entry, log, newJob, newUnit, NOW, posted, prepareShop } from "../support/shop";
import { readEnvAnew } from "../../src/env";

const note = (text: string): EventBody => ({ type: "note", text });
let [unit, complaint] = ["", ""];
beforeAll(async () => {
  await prepareShop();
  complaint = (await newestMachine("brenzik-cd-30")).machine.file.complaints[0]!.id;
  unit = await newUnit("brenzik-cd-30");
});
afterAll(closeShop);
const job = () => newJob(unit, complaint);
const isStream = (id: string) => eq(streams.id, id);

describe("a burst of entries", () => {
  it("of forty on forty jobs, and of forty on one, are all answered, while health answers too", async () => {
    const many = await Promise.all(Array.from({ length: 40 }, job));
    const apart = many.map((id) => postEvent(posted(entry({ type: "standing", setup: "nowhere" })), at(id)));
    const one = many[0]!;
    const together = Array.from({ length: 40 }, (_, i) => postEvent(posted(entry(note(`n${i}`))), at(one)));
    const [first, second, alive] = [await Promise.all(apart), await Promise.all(together), await health(asked())];
    // The setup is none of this machine's: each of them was looked at, and refused.
    expect(first.map((r) => r.status)).toEqual(Array.from({ length: 40 }, () => 400));
    expect(second.map((r) => r.status)).toEqual(Array.from({ length: 40 }, () => 200));
    expect(alive.status).toBe(200);
    expect((await eventsOf(one)).map((e) => e.seq)).toEqual(Array.from({ length: 41 }, (_, i) => i + 1));
  });

  it("that wait for each other in a circle are tried again, not lost", async () => {
    const [a, b] = [await job(), await job()];
    const both = await Promise.all(
      [
        [a, b],
        [b, a],
      ].map(([first, second]) => {
        let tries = 0;
        return inTransaction(async (tx) => {
          tries++;
          await tx.select().from(streams).where(isStream(first!)).for("update");
          await new Promise((resolve) => setTimeout(resolve, 150));
          await tx.select().from(streams).where(isStream(second!)).for("update");
          return tries;
        });
      }),
    );
    expect(both.reduce((sum, n) => sum + n, 0)).toBeGreaterThan(2);
  });
});

describe("an append", () => {
  it("reads as many rows at the 5,000th entry as at the fifth", async () => {
    const id = await job();
    // One connection, so that what the session has read can be asked of the database itself.
    await closeDatabase();
    process.env.UNZO_DATABASE_CONNECTIONS = "1";
    readEnvAnew();
    try {
      const rows = async () => {
        const [found] = (await database().execute("SHOW SESSION STATUS LIKE 'Handler_read%'")) as unknown as [
          { Value: string }[],
        ];
        return found.reduce((sum, r) => sum + Number(r.Value), 0);
      };
      const cost = async () => {
        const before = await rows();
        const idle = (await rows()) - before;
        const start = await rows();
        await log(id, note("counted"));
        return (await rows()) - start - idle;
      };
      for (let i = 0; i < 3; i++) await log(id, note("early"));
      const early = await cost();
      const [{ lastSeq }] = (await database()
        .select({ lastSeq: streams.lastSeq })
        .from(streams)
        .where(isStream(id))) as [{ lastSeq: number }];
      const body = note("filled in");
      const filled = Array.from({ length: 4990 }, (_, i) => ({
        id: uuid(),
        stream: id,
        seq: lastSeq + 1 + i,
        v: 1,
        type: "note",
        actor: "Ida",
        at: NOW,
        body,
        sent: "0".repeat(64),
      }));
      for (let i = 0; i < filled.length; i += 500)
        await database()
          .insert(events)
          .values(filled.slice(i, i + 500));
      await database()
        .update(streams)
        .set({ lastSeq: lastSeq + filled.length })
        .where(isStream(id));
      // Once, to read what another process would have written meanwhile.
      await log(id, note("read in"));
      expect(await cost()).toBe(early);
    } finally {
      await closeDatabase();
      delete process.env.UNZO_DATABASE_CONNECTIONS;
      readEnvAnew();
    }
  });
});

describe("two processes on one database", () => {
  let second: ChildProcess;
  beforeAll(async () => {
    second = fork(new URL("../support/second-process.ts", import.meta.url).pathname, {
      execArgv: ["--import", "tsx"],
      env: process.env,
    });
    await once(second, "message");
  });
  afterAll(async () => {
    second.send("end");
    await once(second, "exit");
  });
  const there = async (job: string, event: NewEvent) => {
    second.send({ job, event });
    const [answer] = (await once(second, "message")) as [{ seq?: number; status?: number; error?: string }];
    return answer;
  };

  it("agree: each decides by what the other has written", async () => {
    const setting = (await newestMachine("brenzik-cd-30")).machine.file.settings[0]!;
    const id = await job();
    const set = (moment: "found" | "set"): EventBody => ({
      type: "setting",
      setting: setting.id,
      value: setting.values[0]?.value ?? "1",
      moment,
      words: "w",
    });
    expect(await there(id, entry(set("set")))).toMatchObject({ status: 400 });
    const found = entry(set("found"));
    expect((await appendEvent(id, found, NOW)).seq).toBe(2);
    expect(await there(id, entry(set("set")))).toEqual({ seq: 3 });
    expect((await there(id, entry({ type: "struck", event: found.id, reason: "misread" }))).seq).toBe(4);
    await expect(log(id, set("set"))).rejects.toMatchObject({ status: 400 });
    // The same entry by way of both counts once.
    const same = entry(note("once"));
    expect([(await appendEvent(id, same, NOW)).seq, (await there(id, same)).seq]).toEqual([5, 5]);
  });

  it("give every entry its own number when they write at once", async () => {
    const id = await job();
    const here = Array.from({ length: 10 }, (_, i) => log(id, note(`here ${i}`)));
    const seqs = [];
    for (let i = 0; i < 10; i++) seqs.push((await there(id, entry(note(`there ${i}`)))).seq!);
    for (const written of await Promise.all(here)) seqs.push(written.seq);
    expect(seqs.sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i + 2));
  });
});

describe("a database that goes away", () => {
  it("in the middle of a commit: may or may not be logged, and sent again it counts once", async () => {
    const id = await job();
    const event = entry(note("in doubt"));
    const admin = await mysql.createConnection({ uri: process.env.UNZO_DATABASE_URL! });
    const killed = inTransaction(async (tx) => {
      const [rows] = (await tx.execute("SELECT CONNECTION_ID() AS id")) as unknown as [{ id: number }[]];
      await admin.query(`KILL ${rows[0]!.id}`);
    });
    const error = await killed.catch((e: unknown) => e);
    expect(error).toBeInstanceOf(MaybeWritten);
    expect(sentenceFor(error)).toMatchObject({ status: 503, again: true });
    expect(sentenceFor(error).sentence).toMatch(/may or may not be logged; sent again it counts once/);
    await admin.end();
    expect((await appendEvent(id, event, NOW)).seq).toBe(2);
    expect((await appendEvent(id, event, NOW)).seq).toBe(2);
  });

  it("before it: nothing was changed, and the connection is not used again", async () => {
    const admin = await mysql.createConnection({ uri: process.env.UNZO_DATABASE_URL! });
    const lost = inTransaction(async (tx) => {
      const [rows] = (await tx.execute("SELECT CONNECTION_ID() AS id")) as unknown as [{ id: number }[]];
      await admin.query(`KILL ${rows[0]!.id}`);
      await tx.execute("SELECT 1");
    });
    const error = await lost.catch((e: unknown) => e);
    expect(isLostDatabase(error)).toBe(true);
    expect(sentenceFor(error)).toMatchObject({ status: 503, again: true });
    await admin.end();
    expect((await health(asked())).status).toBe(200);
  });

  it("is known by the driver's sentences too", () => {
    for (const words of [
      "Failed query: rollback",
      "Can't add new command when connection is in closed state",
      "Pool is closed.",
    ]) {
      expect(isLostDatabase(new Error(words)), words).toBe(true);
      expect(isLostDatabase(new Error("Failed query: insert", { cause: new Error(words) }))).toBe(true);
    }
    expect(isLostDatabase(new Error("Failed query: insert into rollback_notes"))).toBe(false);
    expect(sentenceFor(new Error("Queue limit reached.")).status).toBe(503);
    expect(hasCode(Object.assign(new Error("x"), { code: "ER_DUP_ENTRY" }), "ER_DUP_ENTRY")).toBe(true);
    expect(sentenceFor(new Refusal(507, "Full.", true))).toEqual({ status: 507, sentence: "Full.", again: true });
  });

  it("whose disk is nearly full: refused with a plain sentence, nothing is lost", async () => {
    const id = await job();
    process.env.UNZO_FREE_BYTES = String(199 * 1024 * 1024);
    readEnvAnew();
    try {
      const answer = await postEvent(posted(entry(note("x"))), at(id));
      expect(answer.status).toBe(507);
      expect(((await answer.json()) as { error: string }).error).toMatch(/disk is nearly full/);
      process.env.UNZO_FREE_BYTES = String(201 * 1024 * 1024);
      readEnvAnew();
      expect((await postEvent(posted(entry(note("x"))), at(id))).status).toBe(200);
    } finally {
      delete process.env.UNZO_FREE_BYTES;
      readEnvAnew();
    }
    expect((await eventsOf(id)).length).toBe(2);
  });
});
