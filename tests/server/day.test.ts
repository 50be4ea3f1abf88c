import { randomUUID as uuid } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET } from "../../src/app/api/day/route";
import { POST as setCrew } from "../../src/app/api/shop/crew/route";
import type { DayAhead } from "../../src/contract/day";
import type { EventBody } from "../../src/core/journal/events";
import { procedureFor } from "../../src/core/repair";
import { dayAhead } from "../../src/server/day";
import { dayWorkedOut } from "../../src/server/day-behind";
import { appendEvent } from "../../src/server/journal";
import { openJob } from "../../src/server/jobs";
import { newestMachine } from "../../src/server/machine-store";
import { ownDatabase } from "../support/own-database";
import { asked, entry, newUnit, posted, said } from "../support/shop";

const MACHINE = "quellmoor-sb-210";
let leave: () => Promise<void>;
beforeAll(async () => {
  leave = await ownDatabase();
});
afterAll(async () => {
  await dayWorkedOut();
  await leave();
});

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
    expect(whole.steps[0]!.minutes).toBeCloseTo(40, 1);
    expect(whole.place).toContain(`/jobs/${job}/repair`);
    const { stages } = procedureFor(machine, { assembly: board.id, option: "maker-board", fault: null });
    await write(job, { type: "staged", plan: board.id, stage: stages[0]!.id, done: true });
    expect((await mine())!.steps[0]!.minutes).toBeLessThan(40);
    await write(job, { type: "proved", step: "look covers", words: "Look", passed: true, typed: "seen", limit: "" });
    const proving = (await mine())!;
    expect(proving.steps.map((s) => s.words)).toEqual(["prove it"]);
    // What its proof waits for holds its place in the workshop; with the power off and locked it needs none.
    await write(job, { type: "waiting", wait: "run", words: "Runs", seconds: 600, care: "leave" });
    expect((await mine())!.steps[0]!.needs).toEqual(["place"]);
    await write(job, { type: "waiting", wait: "run", words: "Rests", seconds: 600, care: "locked" });
    expect((await mine())!.steps[0]!.needs).toEqual([]);
    await write(job, { type: "waited", wait: "run" });
    expect(proving.place).toContain("step=prove");
  });

  it("promised and driven to: minutes from now, the way there and back; taken back it is gone; closed it is no more", async () => {
    const { job, mine } = await begun();
    const at = new Date(Date.now() + 3 * 3_600_000).toISOString();
    await write(job, { type: "promised", at });
    await write(job, { type: "visit", at, minutes: 60 });
    const told = (await mine())!;
    expect(Math.round(told.promised!)).toBe(180);
    // Half an hour of the way is before it.
    expect([Math.round(told.from), Math.round(told.expected!)]).toEqual([150, 150]);
    expect([told.steps[0]!.words, told.steps[0]!.minutes]).toEqual(["drive there", 30]);
    expect(told.steps.at(-1)!.words).toBe("drive back");
    // What waits until then costs nothing; what waits longer is waited for before one drives.
    await write(job, { type: "waiting", wait: "part", words: "Part", seconds: 2 * 3600, care: "locked" });
    expect((await mine())!.steps[0]!.words).toBe("drive there");
    await write(job, { type: "waiting", wait: "part", words: "Part", seconds: 3 * 3600, care: "locked" });
    expect(Math.round((await mine())!.steps[0]!.minutes)).toBe(30);
    await write(job, { type: "waited", wait: "part" });
    // Something is entered there: the way there is behind, and nobody is expected any more.
    const there = (await dayAhead(new Date(Date.parse(at) + 60_000))).jobs.find((j) => j.id === job)!;
    expect(there.steps[0]!.words).toBe("drive there");
    // What is changed at the desk meanwhile is no sign of anybody being there.
    await appendEvent(job, entry({ type: "promised", at: null }), new Date(at));
    const still = (await dayAhead(new Date(Date.parse(at) + 60_000))).jobs.find((j) => j.id === job)!;
    expect(still.steps[0]!.words).toBe("drive there");
    await appendEvent(job, entry({ type: "note", text: "Here." }), new Date(at));
    const begunThere = (await dayAhead(new Date(Date.parse(at) + 60_000))).jobs.find((j) => j.id === job)!;
    expect(begunThere.steps[0]!.words).toBe("find it");
    expect([begunThere.from, begunThere.expected, begunThere.isAway]).toEqual([0, undefined, true]);
    // The next day that visit is over, and the job is one of the workshop's.
    const after = (await dayAhead(new Date(Date.parse(at) + 24 * 3_600_000))).jobs.find((j) => j.id === job)!;
    expect([after.isAway, after.steps.at(-1)!.words]).toEqual([undefined, "prove it"]);
    await write(job, { type: "promised", at: null });
    expect((await mine())!.promised).toBeNull();
    await write(job, { type: "dropped", reason: "wrong unit" });
    expect(await mine()).toBeUndefined();
  });

  it("hands are on what was written to last: what is left of it shrinks, and runs over once it takes longer", async () => {
    const { job } = await begun();
    const first = async (minutes: number) => {
      const told = await dayAhead(new Date(Date.now() + 60_000 * minutes));
      return told.jobs.find((j) => j.id === job)!;
    };
    const [at, later, over] = [await first(0), await first(10), await first(60)];
    expect(later.steps[0]!.minutes).toBeLessThan(at.steps[0]!.minutes);
    expect([at.over, later.over]).toEqual([0, 0]);
    expect(Math.round(over.over)).toBe(Math.round(60 - at.steps[0]!.minutes));
    expect(over.steps[0]!.minutes).toBeGreaterThan(1);
    // Whoever waits, or has written nothing for half a day, is not at it.
    await write(job, { type: "waiting", wait: "a", words: "Dries", seconds: 7200, care: "locked" });
    expect((await first(60)).over).toBe(0);
    await write(job, { type: "waited", wait: "a" });
    expect((await first(600)).over).toBe(0);
  });

  it("whose hands there are is said for everybody, once; what cannot be is refused and changes nothing", async () => {
    expect((await now()).crew).toBeNull();
    const rigs = { places: 2, water: 1, supplies: null };
    const crew = { id: uuid(), actor: "Vera", people: ["Ida", "Jon"], ...rigs };
    expect((await setCrew(posted(crew))).status).toBe(200);
    expect((await setCrew(posted(crew))).status).toBe(200);
    expect((await now()).crew).toEqual({ people: ["Ida", "Jon"], ...rigs });
    for (const bad of [
      { people: [] },
      { people: [" "] },
      { people: Array.from({ length: 13 }, (_, i) => `Hand ${i}`) },
      { places: 0 },
      { places: 1.5 },
      { places: "2" },
      { water: 0 },
      { supplies: 51 },
    ]) {
      const answer = await setCrew(posted({ ...crew, id: uuid(), ...bad }));
      const refused = await said(answer);
      expect(refused.status).toBe(400);
      expect(refused.error).toMatch(/Say who is here|more than twelve|Places and rigs are counted/);
    }
    expect((await now()).crew).toEqual({ people: ["Ida", "Jon"], ...rigs });
    const all = { people: ["Ida"], places: null, water: null, supplies: null };
    await setCrew(posted({ ...crew, id: uuid(), ...all }));
    expect((await now()).crew).toEqual(all);
  });
});
