import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as live } from "../../src/app/api/jobs/[id]/live/route";
import type { JournalEvent, RawEvent } from "../../src/core/journal/events";
import { Follower, follower } from "../../src/server/live";
import { asked, at, closeShop, log, newJob, newUnit, prepareShop } from "../support/shop";

const MACHINE = "quellmoor-sb-210";
const note = (text: string) => ({ type: "note" as const, text });
let unit = "";
beforeAll(async () => {
  await prepareShop();
  unit = await newUnit(MACHINE);
});
afterAll(async () => {
  follower().close();
  await closeShop();
});
const job = () => newJob(unit, "panel-dark");

/** Resolves once a list has so many items. */
async function until(list: readonly unknown[], many: number): Promise<void> {
  while (list.length < many) await new Promise((resolve) => setTimeout(resolve, 10));
}

/** The messages of a stream as they come. */
function listen(response: Response) {
  const messages: { id: number; entry: JournalEvent }[] = [];
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  const done = (async () => {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const parts = (rest + value).split("\n\n");
      rest = parts.pop()!;
      for (const part of parts) {
        const [id, data] = [/^id: (.*)$/m.exec(part)?.[1], /^data: (.*)$/m.exec(part)?.[1]];
        if (id && data) messages.push({ id: Number(id), entry: JSON.parse(data) as JournalEvent });
      }
    }
  })();
  return { messages, done, close: () => reader.cancel() };
}

describe("a journal is followed live", () => {
  it("gives what is there, then every entry once and in order, to whoever listens", async () => {
    const id = await job();
    await log(id, note("before"));
    const [one, two] = [listen(await live(asked(), at(id))), listen(await live(asked("?after=2"), at(id)))];
    await until(one.messages, 2);
    await Promise.all(Array.from({ length: 20 }, (_, i) => log(id, note(`n${i}`))));
    await until(one.messages, 22);
    await until(two.messages, 20);
    expect(one.messages.map((m) => m.id)).toEqual(Array.from({ length: 22 }, (_, i) => i + 1));
    expect(two.messages.map((m) => m.entry.seq)).toEqual(Array.from({ length: 20 }, (_, i) => i + 3));
    await Promise.all([one.close(), two.close()]);
  });

  it("goes on after the last entry that was received", async () => {
    const id = await job();
    for (const text of ["a", "b", "c"]) await log(id, note(text));
    const again = new Request("http://127.0.0.1/?after=0", { headers: { host: "127.0.0.1", "last-event-id": "3" } });
    const stream = listen(await live(again, at(id)));
    await until(stream.messages, 1);
    expect(stream.messages.map((m) => m.id)).toEqual([4]);
    await stream.close();
  });

  it("hears of what another process writes on the same database", async () => {
    const id = await job();
    // Of its own process nothing tells it: it finds by looking.
    const elsewhere = new Follower();
    const heard: (JournalEvent | RawEvent)[] = [];
    const leave = elsewhere.follow(
      id,
      0,
      (entries) => heard.push(...entries),
      () => {},
    );
    await until(heard, 1);
    await log(id, note("from here"));
    await until(heard, 2);
    expect(heard.map((e) => e.seq)).toEqual([1, 2]);
    leave();
    expect(elsewhere.following).toBe(0);
    const looks = elsewhere.looks;
    await log(id, note("nobody listens"));
    await new Promise((resolve) => setTimeout(resolve, 900));
    expect(elsewhere.looks).toBe(looks);
  });

  it("one look serves every page of every job", async () => {
    const shared = new Follower();
    const ids = await Promise.all(Array.from({ length: 6 }, job));
    const heard: (JournalEvent | RawEvent)[] = [];
    const leave = ids.flatMap((id) =>
      [1, 2, 3].map(() =>
        shared.follow(
          id,
          0,
          (e) => heard.push(...e),
          () => {},
        ),
      ),
    );
    await until(heard, 18);
    expect(shared.looks).toBeLessThanOrEqual(3);
    for (const stop of leave) stop();
  });

  it("ends with the process, and takes no more pages than it can serve", async () => {
    const id = await job();
    const own = new Follower();
    let ended = 0;
    for (let i = 0; i < 300; i++)
      own.follow(
        id,
        0,
        () => {},
        () => ended++,
      );
    expect(() =>
      own.follow(
        id,
        0,
        () => {},
        () => {},
      ),
    ).toThrow(/Too many pages/);
    own.close();
    expect([ended, own.following]).toEqual([300, 0]);
  });

  it("refuses what is no job, no place in it, and whoever the door does not let in", async () => {
    const id = await job();
    expect((await live(asked(), at("7b0e8f6e-6a3c-4c57-9a53-000000000001"))).status).toBe(404);
    expect((await live(asked(), at("x"))).status).toBe(404);
    expect((await live(asked("?after=-1"), at(id))).status).toBe(400);
    expect(
      (await live(new Request("http://evil.example/", { headers: { host: "evil.example" } }), at(id))).status,
    ).toBe(421);
  });
});
