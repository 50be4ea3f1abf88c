import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as importMachine } from "../../src/app/api/machines/route";
import { PUT as saveMachine } from "../../src/app/api/machines/[id]/route";
import { GET as exportMachine } from "../../src/app/api/machines/[id]/export/route";
import { POST as duplicate } from "../../src/app/api/machines/[id]/duplicate/route";
import { POST as quick } from "../../src/app/api/quick/route";
import { POST as offer } from "../../src/app/api/jobs/[id]/offer/route";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import { appendEvent } from "../../src/server/journal";
import { eventsOf } from "../../src/server/journals";
import { openJob, readJob } from "../../src/server/jobs";
import { listMachines, versionsOf } from "../../src/server/library";
import { newestMachine } from "../../src/server/machine-store";
import { jobLessons } from "../../src/server/lessons";
import { keepPhoto } from "../../src/server/photos";
import { keepMachineFile, keepShippedMachine } from "../../src/server/machines";
import { unitRecord } from "../../src/server/units";
import { machineNamed, machineText } from "../support/fleet";
import { asked, at, closeShop, newUnit, NOW, posted, prepareShop } from "../support/shop";

const now = NOW;
const post = posted;
const name = `test-${uuid().slice(0, 8)}`;
const file = { ...machineNamed("zirvald-bw-15").file, id: name };

beforeAll(async () => {
  await prepareShop();
  await keepMachineFile(file, "edited", now);
});
afterAll(closeShop);

describe("the machine library in MariaDB", () => {
  it("lists the fleet with its boards, codes and supplies", async () => {
    const rows = await listMachines();
    expect(rows.length).toBeGreaterThanOrEqual(15);
    expect(rows.find((r) => r.id === "kaldruun-uc-80")).toMatchObject({
      family: "refrigerator",
      volts: 230,
      boards: ["RB-4T"],
    });
    expect(rows.find((r) => r.id === "firnau-bf-330")!.codes).toContain("E1 Freezer sensor open");
  });

  it("follows the version kept last, also back to an earlier one; a shipped file does not push a change aside", async () => {
    await keepMachineFile({ ...file, revision: "2" }, "edited", now);
    expect((await newestMachine(name)).machine.file.revision).toBe("2");
    await keepMachineFile(file, "edited", now);
    expect((await newestMachine(name)).machine.file.revision).toBe("1");
    expect((await versionsOf(name)).map((v) => v.revision).sort()).toEqual(["1", "2"]);
    await keepMachineFile({ ...file, revision: "3" }, "edited", now);
    await keepShippedMachine(file, new Set(), now);
    expect((await newestMachine(name)).machine.file.revision).toBe("3");
  });

  it("goes out as text and comes in again the same", async () => {
    const response = await exportMachine(asked(), at("hochkar-ip-4"));
    const text = await response.text();
    expect(readMachineYaml(text, "out.yaml").file).toEqual((await newestMachine("hochkar-ip-4")).machine.file);
    expect((await importMachine(post({ name: "out.yaml", text }))).status).toBe(200);
  });

  it("refuses a bad file with line and field, an id that changes, a copy onto another; and changes nothing", async () => {
    // Other tests keep machines of their own meanwhile.
    const own = async () =>
      (await listMachines()).filter((m) => ["other", "no spaces", name].includes(m.id) || m.model === "X");
    const before = await own();
    const bad = await importMachine(
      post({ name: "bad.yaml", text: machineText("zirvald-bw-15").replace("amps: 150", "amps: many") }),
    );
    expect(bad.status).toBe(400);
    const answer = (await bad.json()) as { error: string; problems: { line: number; field: string }[] };
    expect(answer.problems[0]!.line).toBeGreaterThan(10);
    expect(answer.problems[0]!.field).toBe("parts.1.amps");
    expect((await saveMachine(post({ ...file, id: "other" }), at(name))).status).toBe(400);
    expect((await saveMachine(post({ id: name, format: 1 }), at(name))).status).toBe(400);
    expect((await duplicate(post({ id: "quellmoor-sb-210", model: "X" }), at(name))).status).toBe(409);
    expect((await duplicate(post({ id: "no spaces", model: "X" }), at(name))).status).toBe(400);
    expect((await exportMachine(asked(), at("no-such"))).status).toBe(404);
    expect(await own()).toEqual(before);
  });
});

describe("a machine without a file", () => {
  const input = {
    id: uuid(),
    unit: uuid(),
    serial: "TD 77-1",
    what: "tumble dryer",
    supply: "120",
    filter: false,
    fuse: true,
    loads: "heater 1800, drum motor 250W",
    dead: 1,
    actor: "Ida",
  };
  it("becomes a file, a unit and a job, once however often it is sent", async () => {
    const answers = await Promise.all([quick(post(input)), quick(post(input)), quick(post(input))]);
    expect(answers.map((r) => r.status)).toEqual([200, 200, 200]);
    const { file: kept, events } = await readJob(input.id);
    expect(kept.maker).toBe("No file");
    expect(events.length).toBe(1);
    expect(await unitRecord(input.unit)).toMatchObject({
      serial: "TD 77-1",
      site: "At the door",
      jobs: [{ id: input.id }],
    });
  });
  it.each([
    [{ loads: "1800" }, "names no load"],
    [{ dead: 5 }, "which load"],
    [{ what: "" }, "what machine"],
    [{ supply: "17" }, "AC or DC"],
    [{ supply: "" }, "hangs on"],
    [{ loads: "heater 1800, flux thing" }, "flux thing"],
  ])("refuses %j with a sentence", async (change, words) => {
    const response = await quick(post({ ...input, id: uuid(), unit: uuid(), ...change }));
    expect(response.status).toBe(400);
    expect(((await response.json()) as { error: string }).error).toContain(words);
  });
});

describe("what was found on a unit", () => {
  it("can be put into the machine's file as a new version; the job keeps its own", async () => {
    const unit = await newUnit(name);
    const job = (await openJob({ id: uuid(), unit, complaint: "still", actor: "Ida" }, now)).id;
    const looked = async () => (await jobLessons(job)).machine.hash;
    const take = async (...ids: string[]) => offer(post({ own: await looked(), take: ids, actor: "Ben" }), at(job));
    expect((await take("anything")).status).toBe(409);
    expect((await offer(post({ own: "0".repeat(64), take: ["anything"], actor: "Ben" }), at(job))).status).toBe(409);
    expect((await offer(post({ own: "0", take: [], actor: "" }), at(job))).status).toBe(400);
    const change = {
      change: "put in" as const,
      kind: "fuse",
      name: "Fuse in the motor lead",
      part: "motor",
      terminal: "a",
      fields: { amps: "40" },
    };
    await appendEvent(
      job,
      { id: uuid(), v: 1, actor: "Ida", body: { type: "varied", change, words: "Fuse found" } },
      now,
    );
    // One that cannot be made is refused, or nobody could open the job again.
    await expect(
      appendEvent(
        job,
        {
          id: uuid(),
          v: 1,
          actor: "Ida",
          body: { type: "varied", change: { ...change, part: "no-such" }, words: "x" },
        },
        now,
      ),
    ).rejects.toMatchObject({ status: 400 });
    const { lessons } = await jobLessons(job);
    expect(lessons).toMatchObject([{ words: "Fuse found", by: "Ida", isKnown: false, conflicts: [] }]);
    expect((await take(lessons[0]!.id)).status).toBe(200);
    expect(JSON.stringify((await newestMachine(name)).machine.file.pieces)).toContain("Fuse in the motor lead");
    const newest = (await versionsOf(name)).find((v) => v.current)!;
    expect(newest.kept).toMatchObject({
      by: "Ben",
      origin: "found",
      job,
      learned: [{ words: "Fuse found", by: "Ida" }],
    });
    // A photo that only begins like one has no size: it is passed over, and the rest stays.
    const broken = await keepPhoto(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]), now);
    const photo = { type: "photo" as const, hash: broken, stage: "seen:motor", caption: "", marks: [] };
    await appendEvent(job, { id: uuid(), v: 1, actor: "Ida", body: photo }, now);
    expect((await jobLessons(job)).lessons).toHaveLength(1);
    // It is there now: it is offered no more, and not taken twice.
    expect((await jobLessons(job)).lessons).toMatchObject([{ isKnown: true }]);
    expect((await take(lessons[0]!.id)).status).toBe(409);
    expect(JSON.stringify((await readJob(job)).file.pieces)).not.toContain("Fuse in the motor lead");
    expect((await eventsOf(job)).length).toBe(3);
  });
});
