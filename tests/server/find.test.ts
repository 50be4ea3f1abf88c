import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET } from "../../src/app/api/find/route";
import { findSchema, type Found } from "../../src/contract/find";
import { findAnything } from "../../src/server/find";
import { likeBefore } from "../../src/server/like-before";
import type { Body } from "../../src/core/journal/slice";
import { asked, closeShop, log, newJob, newUnit, prepareShop } from "../support/shop";

const MACHINE = "zirvald-bw-15";
const COMPLAINT = "still";
/** Letters only: a word of this run alone. */
const mark = uuid()
  .replace(/[^a-f]/g, "")
  .slice(0, 6)
  .padEnd(6, "x");
beforeAll(prepareShop);
afterAll(closeShop);

const find = (more: object) => findAnything(findSchema.parse(more));
const ids = (found: Found) => found.jobs.map((j) => j.id);
const call = (more: object = {}): Body<"called"> => ({
  type: "called",
  piece: "motor",
  pieceName: "Motor",
  cause: "Brushes worn",
  action: "Changed.",
  sure: "likely",
  proofs: [],
  ...more,
});

describe("a job", () => {
  it("is found by a word of its note, its code, its cause, its site and serial, and says why", async () => {
    const unit = await newUnit(MACHINE, { site: `Ramp ${mark}`, serial: `Q7-${mark}` });
    const job = await newJob(unit, COMPLAINT);
    await log(job, { type: "note", text: `Smelled of ${mark}burnt lacquer near the drum` });
    for (const q of [`${mark}burnt`, `${mark}bur`, `lacquer ${mark}burnt`, `ramp ${mark}`, `q7-${mark}`, `Q7${mark}`])
      expect(ids(await find({ q })), q).toEqual([job]);
    expect((await find({ q: `${mark}burnt` })).jobs[0]!.why).toEqual([
      { field: "note", text: `Smelled of ${mark}burnt lacquer near the drum`, word: `${mark}burnt` },
    ]);
    expect(ids(await find({ q: `${mark}burnt`, where: "note" }))).toEqual([job]);
    expect(ids(await find({ q: `${mark}burnt`, where: "cause" }))).toEqual([]);
    expect(ids(await find({ q: `${mark}burnt nowhere${mark}` }))).toEqual([]);

    await log(job, call({ cause: `Brushes ${mark}worn` }));
    expect(ids(await find({ q: `${mark}worn`, where: "cause", state: "closed" }))).toEqual([job]);
    expect(ids(await find({ q: `${mark}worn`, state: "open" }))).toEqual([]);
    expect(ids(await find({ q: `${mark}worn`, machine: MACHINE, person: "Ida" }))).toEqual([job]);
    expect(ids(await find({ q: `${mark}worn`, machine: "hochkar-ip-4" }))).toEqual([]);
    expect(ids(await find({ q: `${mark}worn`, person: "Nobody" }))).toEqual([]);
    expect(ids(await find({ q: `${mark}worn`, since: "2026-11-24" }))).toEqual([job]);
    expect(ids(await find({ q: `${mark}worn`, since: "2026-11-25" }))).toEqual([]);
  });

  it("comes a page at a time, the newest first, each once, however many words begin alike", async () => {
    const unit = await newUnit(MACHINE);
    const made: string[] = [];
    // More endings than are spelled out one by one, and more jobs than a page.
    for (let i = 0; i < 30; i++) {
      const job = await newJob(unit, COMPLAINT);
      await log(job, { type: "note", text: `pages${mark}${String.fromCharCode(97 + (i % 26))}${i < 26 ? "" : "z"}` });
      made.unshift(job);
    }
    const first = await find({ q: `pages${mark}` });
    const second = await find({ q: `pages${mark}`, before: first.next });
    expect([...ids(first), ...ids(second)]).toEqual(made);
    expect(second.next).toBeNull();
    expect(first.isPart).toBe(true);
  });

  it("is a code as it stands: E4 finds no E41", async () => {
    const unit = await newUnit("quellmoor-sb-210");
    const job = await newJob(unit, "panel-dark");
    const note = (text: string) => log(job, { type: "note", text });
    await note(`${mark} shows E4`);
    expect(ids(await find({ q: `${mark} e4` }))).toEqual([job]);
    const other = await newJob(unit, "panel-dark");
    await log(other, { type: "note", text: `${mark} shows E41` });
    expect(ids(await find({ q: `${mark} e4` }))).toEqual([job]);
    expect(ids(await find({ q: `${mark} E41` }))).toEqual([other]);
  });

  it.each(["%", "_", "'; DROP TABLE terms; --", "\\", "😀", "\u{10ffff}", "a".repeat(4000), "((("])(
    "is looked for by %s without harm",
    async (q) => {
      const answer = await GET(asked(`?q=${encodeURIComponent(q)}&state=sideways&before=x&since=yesterday`));
      expect(answer.status).toBe(200);
      expect(((await answer.json()) as Found).jobs.length).toBeLessThanOrEqual(20);
    },
  );
});

describe("machines and units", () => {
  it("are found by board number, code and serial beside the jobs", async () => {
    const found = await find({ q: "quellmoor" });
    expect(found.machines.map((m) => m.id)).toContain("quellmoor-sb-210");
    const unit = await newUnit(MACHINE, { serial: `ZZ ${mark}` });
    expect((await find({ q: `zz ${mark}` })).units.map((u) => u.id)).toContain(unit);
  });
});

describe("a job like this one", () => {
  it("is a closed one on the same machine that showed the same, with what it was", async () => {
    const [a, b, c] = [await newUnit(MACHINE), await newUnit(MACHINE), await newUnit(MACHINE)];
    const found = (words: string) => ({ type: "answered" as const, first: "*", answer: "no" as const, words });
    const past = await newJob(a, COMPLAINT);
    const other = await newJob(b, COMPLAINT);
    const now = await newJob(c, COMPLAINT);
    for (const job of [past, now]) await log(job, found("It smells burnt"));
    // While it is open it tells nothing.
    expect((await likeBefore(now)).map((j) => j.job)).not.toContain(past);
    await log(past, call({ pieceName: `Motor ${mark}` }));
    await log(other, call());
    const alike = await likeBefore(now);
    expect(alike[0]).toMatchObject({
      job: past,
      piece: `Motor ${mark}`,
      by: "Ida",
      held: "not known",
      shared: expect.arrayContaining(["It smells burnt"]) as string[],
    });
    expect(alike.every((j, i) => i === 0 || j.likeness <= alike[i - 1]!.likeness)).toBe(true);
  });
});
