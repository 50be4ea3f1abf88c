import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET } from "../../src/app/api/day/route";
import type { DayAhead } from "../../src/contract/day";
import type { EventBody } from "../../src/core/journal/events";
import { procedureFor } from "../../src/core/repair";
import { appendEvent } from "../../src/server/journal";
import { openJob } from "../../src/server/jobs";
import { newestMachine } from "../../src/server/machine-store";
import { ownDatabase } from "../support/own-database";
import { asked, entry, newUnit } from "../support/shop";

const MACHINE = "quellmoor-sb-210";
let leave: () => Promise<void>;
beforeAll(async () => {
  leave = await ownDatabase();
});
afterAll(() => leave());

const now = async () => ((await (await GET(asked())).json()) as { day: DayAhead }).day;
const write = (job: string, body: EventBody) => appendEvent(job, entry(body), new Date());
async function begun() {
  const { machine } = await newestMachine(MACHINE);
  const [id, unit, complaint] = [uuid(), await newUnit(MACHINE), machine.file.complaints[0]!.id];
  const { id: job } = await openJob({ id, unit, complaint, actor: "Ida" }, new Date());
  return { machine, job, mine: async () => (await now()).jobs.find((j) => j.id === job) };
}

describe("what is in hand", () => {
  it("a search, its repair and its proof; waits side by side are over with the longest, and stay if one has to", async () => {
    const { job, mine } = await begun();
    expect((await mine())!.steps.map((s) => s.words)).toEqual(["find it", "repair", "prove it"]);
    await write(job, { type: "waiting", wait: "a", words: "Dries", seconds: 600, care: "locked" });
    await write(job, { type: "waiting", wait: "b", words: "Log", seconds: 1800, care: "leave" });
    const [wait] = (await mine())!.steps;
    expect(wait!.minutes).toBeGreaterThan(28);
    expect(wait!.minutes).toBeLessThanOrEqual(30);
    expect(wait!.care).toBe("leave");
    await write(job, { type: "waiting", wait: "c", words: "Runs open", seconds: 60, care: "watch" });
    expect((await mine())!.steps[0]!.care).toBe("watch");
  });

  it("once decided it is the repair that is left, less what is done of it; proven in part, only the proof", async () => {
    const { machine, job, mine } = await begun();
    const board = machine.file.pieces.find((p) => p.board)!;
    const decided: EventBody = {
      type: "decided",
      piece: board.id,
      option: "maker-board",
      words: "A board",
      minutes: 40,
      price: 200,
      temporary: false,
      warranty: "none",
      seals: "none",
    };
    await write(job, decided);
    const whole = (await mine())!;
    expect(whole.steps.map((s) => s.words)).toEqual(["repair", "prove it"]);
    expect(whole.steps[0]!.minutes).toBe(40);
    expect(whole.place).toContain(`/jobs/${job}/repair`);
    const { stages } = procedureFor(machine, { assembly: board.id, option: "maker-board", fault: null });
    await write(job, { type: "staged", plan: board.id, stage: stages[0]!.id, done: true });
    expect((await mine())!.steps[0]!.minutes).toBeLessThan(40);
    await write(job, { type: "proved", step: "look covers", words: "Look", passed: true, typed: "seen", limit: "" });
    const proving = (await mine())!;
    expect(proving.steps.map((s) => s.words)).toEqual(["prove it"]);
    expect(proving.place).toContain("step=prove");
  });

  it("promised and driven to: minutes from now, the way there and back; taken back it is gone; closed it is no more", async () => {
    const { job, mine } = await begun();
    const at = new Date(Date.now() + 3 * 3_600_000).toISOString();
    await write(job, { type: "promised", at });
    await write(job, { type: "visit", at, minutes: 60 });
    const told = (await mine())!;
    expect(Math.round(told.promised!)).toBe(180);
    expect(Math.round(told.from)).toBe(180);
    expect([told.steps[0]!.words, told.steps[0]!.minutes]).toEqual(["drive there", 30]);
    expect(told.steps.at(-1)!.words).toBe("drive back");
    await write(job, { type: "promised", at: null });
    expect((await mine())!.promised).toBeNull();
    await write(job, { type: "dropped", reason: "wrong unit" });
    expect(await mine()).toBeUndefined();
  });
});
