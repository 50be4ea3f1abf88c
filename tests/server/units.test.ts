import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as postJob } from "../../src/app/api/jobs/route";
import { GET as getUnit, POST as correct } from "../../src/app/api/units/[id]/route";
import { POST as merge } from "../../src/app/api/units/[id]/merge/route";
import { GET as search } from "../../src/app/api/units/route";
import { isPowered } from "../../src/core/safety/exposure";
import { foldUnit } from "../../src/core/journal/unit-events";
import { findSchema } from "../../src/contract/find";
import { database } from "../../src/server/db";
import { findAnything } from "../../src/server/find";
import { listJobs, openJob, readJob } from "../../src/server/jobs";
import { unitEvents, entriesOf } from "../../src/server/streams";
import type { UnitSearch } from "../../src/contract/units";
import { unitRecord, unitState } from "../../src/server/units";
import { asked, at, closeShop, log, newJob, newUnit, posted, prepareShop, said } from "../support/shop";

const MACHINE = "zirvald-bw-15";
const COMPLAINT = "still";
const mark = uuid().slice(0, 6);
beforeAll(prepareShop);
afterAll(closeShop);

const plate = (more: object = {}) => ({
  id: uuid(),
  site: `Ramp ${mark}`,
  machine: MACHINE,
  serial: `S ${uuid().slice(0, 8)}`,
  ...more,
});
const newJobOn = (more: object) => postJob(posted({ id: uuid(), complaint: COMPLAINT, actor: "Ida", ...more }));

describe("a new job on a unit typed from its plate", () => {
  it("makes the unit on the way, once however often the form is sent; the job keeps what the plate said", async () => {
    const newUnit = plate({ productCode: "911 042", productIndex: "03" });
    const body = { id: uuid(), newUnit, complaint: COMPLAINT, actor: "Ida" };
    const answers = await Promise.all([1, 2, 3].map(() => postJob(posted(body))));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
    const record = await unitRecord(newUnit.id);
    expect(record).toMatchObject({ ...newUnit, jobs: [{ id: body.id, open: true }] });
    expect((await readJob(body.id)).events[0]!.body).toMatchObject({
      type: "opened",
      kind: "repair",
      serial: newUnit.serial,
      productCode: "911 042",
      productIndex: "03",
    });
    expect(await unitEvents(database(), newUnit.id)).toHaveLength(1);
  });

  it("takes 'none on the plate' for an answer, as often as it comes", async () => {
    for (const _ of [1, 2]) expect((await newJobOn({ newUnit: plate({ serial: null }) })).status).toBe(200);
  });

  it("knows a serial number again without case and blanks, and says where that unit stands", async () => {
    const first = plate({ serial: `Ab 12 ${mark}` });
    expect((await newJobOn({ newUnit: first })).status).toBe(200);
    const again = await said(await newJobOn({ newUnit: plate({ serial: `aB12${mark.toUpperCase()}` }) }));
    expect(again).toMatchObject({ status: 409 });
    expect(again.error).toContain(first.site);
    // Another machine may bear the same number.
    const other = plate({ serial: first.serial, machine: "hochkar-ip-4" });
    const check = { newUnit: other, complaint: undefined, kind: "check", purpose: "before sale" };
    expect((await newJobOn(check)).status).toBe(200);
  });

  it.each([
    ["fit", undefined],
    ["check", undefined],
    ["check", "because"],
    ["lay up", "second opinion"],
  ])("a job of kind %s for %s is not opened: it does not say what for", async (kind, purpose) => {
    const asked = {
      newUnit: plate({ serial: `P${mark}` }),
      complaint: undefined,
      kind,
      ...(purpose ? { purpose } : {}),
    };
    const answer = await said(await newJobOn(asked));
    expect(answer.status).toBe(400);
    expect(answer.error).toContain("what the job is for");
  });

  it.each([
    ["no site", { site: " " }, "where the unit stands"],
    ["an empty serial number", { serial: "" }, "none on the plate"],
    ["an unknown machine", { machine: "constructor" }, "no machine file called constructor"],
  ])("refuses %s by a sentence and registers nothing", async (_name, change, words) => {
    const newUnit = plate(change);
    const answer = await said(await newJobOn({ newUnit }));
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.error).toContain(words);
    expect((await getUnit(asked(), at(newUnit.id))).status).toBe(404);
  });

  it("refuses neither unit nor plate, and both", async () => {
    const unit = await newUnit(MACHINE);
    expect((await newJobOn({})).status).toBe(400);
    expect((await newJobOn({ unit, newUnit: plate() })).status).toBe(400);
  });
});

describe("a unit", () => {
  it("is found while it is typed by serial, site, product code, model and board number", async () => {
    const own = plate({ productCode: `PC${mark}`, site: `Glacier hut ${mark}` });
    await newJobOn({ newUnit: own });
    const find = async (words: string) =>
      (await (await search(asked(`?q=${encodeURIComponent(words)}`))).json()) as UnitSearch;
    for (const words of [own.serial, `pc${mark}`, `glacier ${mark}`, `zirvald ${mark}`])
      expect(
        (await find(words)).units.map((u) => u.id),
        words,
      ).toContain(own.id);
    expect((await find(`zirvald 100%_${mark}`)).units).toEqual([]);
    // A board number leads to the machine that has it, though no unit of it is known.
    expect((await find("RB-4T")).machines.map((m) => m.id)).toEqual(["kaldruun-uc-80"]);
  });

  it("has a page whether or not it has jobs", async () => {
    const unit = await newUnit(MACHINE);
    expect(await unitRecord(unit)).toMatchObject({
      jobs: [],
      machineName: expect.stringContaining("Zirvald") as string,
    });
  });

  it("shows its open jobs before another is opened", async () => {
    const unit = await newUnit(MACHINE);
    const first = await newJob(unit, COMPLAINT);
    const answer = await said(await newJobOn({ unit }));
    expect(answer.status).toBe(409);
    expect(answer.error).toContain("open job");
    const shown = (await (await getUnit(asked(), at(unit))).json()) as { open: { id: string }[] };
    expect(shown.open.map((j) => j.id)).toEqual([first]);
    expect((await newJobOn({ unit, again: true })).status).toBe(200);
  });

  it("can be corrected; what jobs wrote down stays as it was", async () => {
    const unit = await newUnit(MACHINE, { site: "Old site" });
    const job = await newJob(unit, COMPLAINT);
    const change = { id: uuid(), actor: "Jon", site: "New site", serial: null };
    for (const _ of [1, 2]) expect((await correct(posted(change), at(unit))).status).toBe(200);
    expect(await unitRecord(unit)).toMatchObject({ site: "New site", serial: null });
    expect((await readJob(job)).events[0]!.body).toMatchObject({ site: "Old site" });
    expect(foldUnit(await unitEvents(database(), unit))).toMatchObject({ site: "New site", serial: null });
    expect(await unitEvents(database(), unit)).toHaveLength(2);
    expect((await correct(posted({ ...change, id: uuid(), site: " " }), at(unit))).status).toBe(400);
    const taken = await newUnit(MACHINE, { serial: `T${mark}` });
    expect((await correct(posted({ id: uuid(), actor: "J", serial: `t ${mark}` }), at(unit))).status).toBe(409);
    expect((await unitRecord(taken)).serial).toBe(`T${mark}`);
  });

  it("that is found to be another is merged into it, and nothing is lost", async () => {
    const [gone, stays] = [await newUnit(MACHINE, { serial: `M${mark}` }), await newUnit(MACHINE, { serial: null })];
    const jobs = [await newJob(gone, COMPLAINT), await newJob(stays, COMPLAINT)];
    await log(jobs[0]!, { type: "standing", setup: (await readJob(jobs[0]!)).file.setups[0]!.id });
    const state = (await unitState(gone)).state;
    const before = (await entriesOf(database(), gone)).length;
    expect((await merge(posted({ into: stays, actor: "Jon" }), at(gone))).status).toBe(200);
    const record = await unitRecord(stays);
    expect(record.jobs.map((j) => j.id).sort()).toEqual([...jobs].sort());
    // What the one that stays did not know, the other told; how it stands goes over too.
    expect(record).toMatchObject({ serial: `M${mark}`, absorbed: [{ id: gone }], state });
    expect(await entriesOf(database(), gone)).toHaveLength(before + 1);
    expect((await unitRecord(gone)).mergedInto).toBe(stays);
    // Sent again it is the same merge; a job on the one that is gone is not opened.
    expect((await merge(posted({ into: stays, actor: "Jon" }), at(gone))).status).toBe(200);
    expect((await newJobOn({ unit: gone, again: true })).status).toBe(409);
    const other = await newUnit("hochkar-ip-4");
    expect((await said(await merge(posted({ into: other, actor: "Jon" }), at(stays)))).error).toContain(
      "different machines",
    );
    expect((await merge(posted({ into: stays, actor: "Jon" }), at(stays))).status).toBe(400);
  });

  it("merged from both sides at once ends as one, and hangs nobody", async () => {
    const [a, b] = [await newUnit(MACHINE), await newUnit(MACHINE)];
    const answers = await Promise.all([
      merge(posted({ into: b, actor: "Ida" }), at(a)),
      merge(posted({ into: a, actor: "Jon" }), at(b)),
    ]);
    expect(answers.map((r) => r.status).sort()).toEqual([200, 409]);
  });
});

describe("how a unit stands", () => {
  it("belongs to the unit: what one job says, every other one hears", async () => {
    const unit = await newUnit(MACHINE);
    expect(await unitState(unit)).toEqual({ state: null });
    const [a, b] = [await newJob(unit, COMPLAINT), await newJob(unit, COMPLAINT)];
    const { setups } = (await readJob(a)).file;
    const on = setups.find((s) => s.power === "on")!.id;
    const off = setups.find((s) => !isPowered(s))!.id;
    await log(a, { type: "standing", setup: on });
    expect((await unitState(unit)).state).toMatchObject({ setup: on, powered: true, by: "Ida", job: a });
    await log(b, { type: "standing", setup: off });
    expect((await unitState(unit)).state).toMatchObject({ setup: off, powered: false, job: b });
  });
});

describe("the start screen", () => {
  it("counts every open job, draws the newest fifty, and leads to the rest; closed ones are searched and paged", async () => {
    const unit = await newUnit(MACHINE, { site: `Far ${mark}` });
    // Later than what any other test, or an earlier run of this one, has opened.
    const later = Date.now() + 50 * 365 * 86_400_000;
    const ids: string[] = [];
    for (let i = 0; i < 53; i++)
      ids.push(
        (
          await openJob(
            { id: uuid(), unit, complaint: COMPLAINT, actor: `P${i}`, again: true },
            new Date(later + i * 60_000),
          )
        ).id,
      );
    const first = await listJobs({ state: "open" });
    expect(first.jobs.map((j) => j.id)).toEqual(ids.slice(3).reverse());
    expect(first.total).toBeGreaterThanOrEqual(53);
    const second = await listJobs({ state: "open", page: 2 });
    expect(second.jobs.slice(0, 3).map((j) => j.id)).toEqual(ids.slice(0, 3).reverse());
    const call = { type: "called" as const, piece: "motor", cause: "c", action: "a", sure: "likely", proofs: [] };
    await log(ids[0]!, { ...call, pieceName: `Piece ${mark}` });
    await log(ids[1]!, { ...call, pieceName: "Another" });
    const find = (more: object) => findAnything(findSchema.parse(more));
    const found = await find({ state: "closed", q: `piece ${mark} zirvald` });
    expect(found.jobs).toMatchObject([{ id: ids[0], result: `Piece ${mark}` }]);
    expect((await find({ state: "open", q: `far ${mark} p52` })).jobs).toHaveLength(1);
  });
});
