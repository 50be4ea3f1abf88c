import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as begin } from "../../src/app/api/waits/route";
import { POST as end } from "../../src/app/api/waits/[wait]/route";
import { newestMachine } from "../../src/server/machine-store";
import { openWaits } from "../../src/server/waits";
import { closeShop, log, newJob, newUnit, posted, prepareShop, said } from "../support/shop";

beforeAll(prepareShop);
afterAll(closeShop);

const at = (wait: string) => ({ params: Promise.resolve({ wait }) });
const open = async (wait: string) => (await openWaits()).waits.find((w) => w.wait === wait);
// Sooner than what other tests wait for: a list is of the soonest.
const SOON = 1;

describe("what is waited for", () => {
  it("without a job: begun, told, ended once; sent twice it is one", async () => {
    const wait = { id: uuid(), wait: uuid(), words: "Part on order", seconds: SOON, care: "locked", actor: "Ida" };
    expect((await begin(posted(wait))).status).toBe(200);
    expect((await begin(posted(wait))).status).toBe(200);
    expect(await open(wait.wait)).toMatchObject({ job: null, site: null, words: "Part on order", care: "locked" });
    const ended = { id: uuid(), actor: "Ida" };
    expect((await end(posted(ended), at(wait.wait))).status).toBe(200);
    expect(await open(wait.wait)).toBeUndefined();
    // What is over cannot be ended again.
    expect((await said(await end(posted({ ...ended, id: uuid() }), at(wait.wait)))).status).toBe(404);
  });

  it("given more time it is the same wait, due later", async () => {
    const wait = { id: uuid(), wait: uuid(), words: "Yes or no", seconds: SOON, care: "leave", actor: "Ida" };
    await begin(posted(wait));
    const first = (await open(wait.wait))!.due;
    await begin(posted({ ...wait, id: uuid(), seconds: SOON + 5 }));
    expect(Date.parse((await open(wait.wait))!.due)).toBeGreaterThan(Date.parse(first));
    await end(posted({ id: uuid(), actor: "Ida" }), at(wait.wait));
  });

  it.each([
    [{ words: " " }, /Say what/],
    [{ seconds: 0 }, /./],
    [{ seconds: 91 * 86_400 }, /quarter of a year/],
    [{ care: "asleep" }, /./],
    [{ wait: "1" }, /./],
  ])("refused: %j", async (wrong, sentence) => {
    const wait = { id: uuid(), wait: uuid(), words: "x", seconds: SOON, care: "leave", actor: "Ida", ...wrong };
    const answer = await said(await begin(posted(wait)));
    expect(answer.status).toBe(400);
    expect(answer.error).toMatch(sentence);
    expect(await open(wait.wait)).toBeUndefined();
  });

  it("of a job it knows its unit; an old entry that says nothing of leaving is stayed with; the call ends it", async () => {
    const unit = await newUnit("quellmoor-sb-210");
    const { machine } = await newestMachine("quellmoor-sb-210");
    const job = await newJob(unit, machine.file.complaints[0]!.id);
    await log(job, { type: "waiting", wait: "old", words: "Dries", seconds: SOON });
    expect(await open("old")).toMatchObject({ job, care: null, site: expect.any(String) as string });
    await log(job, { type: "dropped", reason: "wrong unit" });
    expect(await open("old")).toBeUndefined();
  });
});
