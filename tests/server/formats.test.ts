import { randomUUID as uuid } from "node:crypto";
import { parse } from "csv-parse/sync";
import ICAL from "ical.js";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as calendarOf } from "../../src/app/api/calendar/route";
import { GET as fileOf } from "../../src/app/api/jobs/[id]/file/route";
import { GET as readingsOf } from "../../src/app/api/jobs/[id]/readings/route";
import { POST as take } from "../../src/app/api/jobs/import/route";
import { GET as unitReadingsOf } from "../../src/app/api/units/[id]/readings/route";
import { machineNamed } from "../support/fleet";
import { candidateTests } from "../../src/core/diagnose";
import { database } from "../../src/server/db";
import { appendEvent } from "../../src/server/journal";
import { readJob } from "../../src/server/jobs";
import { jobs, units } from "../../src/server/schema";
import { asked, at, closeShop, entry, log, newJob, newUnit, NOW, prepareShop, said } from "../support/shop";

beforeAll(prepareShop);
/** What was begun here: what it waits for would be overdue on every screen of the shop. */
const begun: string[] = [];
afterAll(async () => {
  for (const job of begun) await log(job, { type: "dropped", reason: "a test" }).catch(() => undefined);
  await closeShop();
});

const MACHINE = "quellmoor-sb-210";
const machine = machineNamed(MACHINE);
const DARK = machine.file.complaints[0]!.id;

/** A job with readings, a struck one, a note that no format likes, and a diagnosis. */
async function worked(site = 'Hut, upper; "Žluťák"') {
  const unit = await newUnit(MACHINE, { site });
  const job = await newJob(unit, DARK);
  begun.push(job);
  const setup = machine.file.setups.find((s) => s.power === "off")!.id;
  await log(job, { type: "note", text: '=1+1, "quoted"\nand a second line; 5 Ω' });
  await log(job, { type: "standing", setup });
  await log(job, { type: "promised", at: "2026-12-01T15:00:00.000Z" });
  await log(job, { type: "visit", at: "2026-12-01T08:30:00.000Z", minutes: 90 });
  await log(job, { type: "waiting", wait: "w1", words: 'Dries; contact, "L"', seconds: 600, care: "locked" });
  return { unit, job };
}

const posted = (body: unknown, by = "Ida") =>
  new Request(`http://127.0.0.1/api/jobs/import?by=${by}`, {
    method: "POST",
    headers: { "content-type": "application/json", host: "127.0.0.1" },
    body: JSON.stringify(body),
  });
type File = {
  job: string;
  unit: { id: string; serial: string | null };
  entries: { id: string; actor: string; at: string; body: { type: string } }[];
  photos: { hash: string; data: string }[];
};
const exported = async (job: string) => (await (await fileOf(asked(), at(job))).json()) as File;
/** The same job as it would come from another shop: nothing in it is here. */
function elsewhere(file: File): File {
  const ids = new Map(file.entries.map((e) => [e.id, uuid()]));
  const text = JSON.stringify({ ...file, job: uuid(), unit: { ...file.unit, id: uuid(), serial: uuid().slice(0, 8) } });
  const made = JSON.parse([...ids].reduce((t, [from, to]) => t.replaceAll(from, to), text)) as File;
  begun.push(made.job);
  return made;
}

describe("the calendar, read by another program", () => {
  it("has promised times, visits and waits with their places; the same names each time; lines of 75 octets", async () => {
    const { job } = await worked();
    const read = async () => {
      const answer = await calendarOf(asked());
      expect(answer.headers.get("content-type")).toMatch(/^text\/calendar/);
      return answer.text();
    };
    const text = await read();
    for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const mine = calendar
      .getAllSubcomponents("vevent")
      .map((e) => new ICAL.Event(e))
      .filter((e) => e.uid.startsWith(job));
    expect(mine.map((e) => [e.summary, e.location, e.startDate.toJSDate().toISOString()])).toEqual(
      expect.arrayContaining([
        ['Promised: Hut, upper; "Žluťák"', 'Hut, upper; "Žluťák"', "2026-12-01T15:00:00.000Z"],
        ['Visit: Hut, upper; "Žluťák"', 'Hut, upper; "Žluťák"', "2026-12-01T08:30:00.000Z"],
        ['Due: Dries; contact, "L"', 'Hut, upper; "Žluťák"', new Date(NOW.getTime() + 600_000).toISOString()],
      ]),
    );
    const visit = mine.find((e) => e.summary.startsWith("Visit"))!;
    expect(visit.endDate.toJSDate().getTime() - visit.startDate.toJSDate().getTime()).toBe(90 * 60_000);
    expect((await read()).includes(visit.uid)).toBe(true);
    await log(job, { type: "promised", at: null });
    expect(await read()).not.toContain(`${job}-promised`);
  });
});

describe("readings as lines, read by another parser", () => {
  it("every reading of a job and of its unit, with its value in SI, struck ones with their reason", async () => {
    const { unit, job } = await worked();
    const test = candidateTests(machine).find((t) => t.function === "ohms")!;
    const body = {
      type: "reading" as const,
      test: { ...test, instant: "settled" as const },
      typed: "4.7k",
      shown: { kind: "value" as const, value: 4700 },
      as: {
        title: 'Ohms, "plug"',
        red: "one",
        black: "two",
        setup: "Off",
        exposure: "Dead",
        expected: "about 4.7 kΩ",
        shown: "4.7 kΩ",
        verdict: "fits" as const,
        proposed: false,
      },
      coreVersion: "1",
    };
    const first = await appendEvent(job, entry(body), NOW);
    await appendEvent(job, entry({ ...body, typed: "OL", shown: { kind: "overload" } }), NOW);
    await log(job, { type: "struck", event: first.id, reason: 'wrong, "plug"' });
    const rows = async (answer: Response) => parse(await answer.text(), { columns: true }) as Record<string, string>[];
    const lines = await rows(await readingsOf(asked(), at(job)));
    expect(lines.map((l) => [l.value, l.unit, l.struck])).toEqual([
      ["4700", "ohm", 'wrong, "plug"'],
      ["", "", ""],
    ]);
    expect(lines[0]).toMatchObject({ test: 'Ohms, "plug"', at: NOW.toISOString(), site: 'Hut, upper; "Žluťák"' });
    expect(await rows(await unitReadingsOf(asked(), at(unit)))).toEqual(lines);
  });
});

describe("a job as one file", () => {
  it("goes out and comes into another shop whole; sent twice it is taken once", async () => {
    const file = elsewhere(await exported((await worked()).job));
    expect(await (await take(posted(file))).json()).toEqual({ id: file.job, became: "new" });
    expect(await (await take(posted(file))).json()).toEqual({ id: file.job, became: "same" });
    const again = await exported(file.job);
    expect(again.entries).toEqual(file.entries);
    const [row] = await database().select().from(jobs).where(eq(jobs.id, file.job));
    expect(row).toMatchObject({ complaintId: DARK, closedAt: null });
    expect(row!.promisedAt?.toISOString()).toBe("2026-12-01T15:00:00.000Z");
    const { events } = await readJob(file.job);
    expect(events.map((e) => e.at)).toEqual(file.entries.map((e) => e.at));
    // Work goes on here.
    await log(file.job, { type: "note", text: "Here now" });
    expect((await exported(file.job)).entries).toHaveLength(file.entries.length + 1);
  });

  it("of a unit that is known here by its serial number it is a job of that unit", async () => {
    const { unit, job } = await worked();
    const [known] = await database().select().from(units).where(eq(units.id, unit));
    const file = elsewhere(await exported(job));
    file.unit.serial = known!.serial;
    await take(posted(file));
    const [row] = await database().select().from(jobs).where(eq(jobs.id, file.job));
    expect(row!.unit).toBe(unit);
  });

  it.each<[string, (file: File) => unknown]>([
    ["no file at all", () => "x"],
    ["another format", (f) => ({ ...f, format: "unzo job 9" })],
    ["no entries", (f) => ({ ...f, entries: [] })],
    ["a journal without its opening", (f) => ({ ...f, entries: f.entries.slice(1) })],
    [
      "an entry that no Unzo writes",
      (f) => ({ ...f, entries: [...f.entries, { ...f.entries[1]!, id: uuid(), body: { type: "explode" } }] }),
    ],
    [
      "a setup that the machine has not",
      (f) => ({
        ...f,
        entries: [
          ...f.entries,
          { ...f.entries[1]!, id: uuid(), v: 1, body: { type: "standing", setup: "on the moon" } },
        ],
      }),
    ],
    [
      "a photo that it does not bring",
      (f) => ({
        ...f,
        entries: [
          ...f.entries,
          {
            ...f.entries[1]!,
            id: uuid(),
            v: 1,
            body: { type: "photo", hash: "a".repeat(64), stage: "out", caption: "", marks: [] },
          },
        ],
      }),
    ],
    ["a photo that is another one", (f) => ({ ...f, photos: [{ hash: "a".repeat(64), data: "AAAA" }] })],
    ["one entry twice", (f) => ({ ...f, entries: [...f.entries, f.entries.at(-1)!] })],
  ])("is refused whole: %s", async (_what, spoil) => {
    const file = elsewhere(await exported((await worked()).job));
    const answer = await said(await take(posted(spoil(file))));
    expect([400, 409]).toContain(answer.status);
    expect(answer.error).toMatch(/\.$/);
    expect(await database().select().from(jobs).where(eq(jobs.id, file.job))).toEqual([]);
    expect(await database().select().from(units).where(eq(units.id, file.unit.id))).toEqual([]);
  });

  it("under the name of another job it is refused, and that job stays", async () => {
    const { job } = await worked();
    const file = { ...elsewhere(await exported(job)), job };
    expect((await said(await take(posted(file)))).status).toBe(409);
    expect((await exported(job)).entries.map((e) => e.id)).not.toEqual(file.entries.map((e) => e.id));
  });
});
