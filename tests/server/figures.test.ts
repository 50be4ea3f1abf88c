import { randomUUID as uuid } from "node:crypto";
import { parse } from "csv-parse/sync";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET } from "../../src/app/api/figures/csv/route";
import { figuresSchema } from "../../src/contract/figures";
import type { Body } from "../../src/core/journal/slice";
import { database } from "../../src/server/db";
import { shopSees } from "../../src/server/figures";
import { appendEvent } from "../../src/server/journal";
import { newestMachine } from "../../src/server/machine-store";
import { openJob } from "../../src/server/jobs";
import { ownDatabase } from "../support/own-database";
import { entry, NOW, newUnit } from "../support/shop";

const MACHINE = "quellmoor-sb-210";
/** Nobody else in the shop is called so; the name is what a table would take for a formula. */
const WHO = `=Mira ${uuid().slice(0, 6)}`;
const later = (days: number) => new Date(NOW.getTime() + days * 86_400_000);

let leave: () => Promise<void>;
beforeAll(async () => {
  leave = await ownDatabase();
});
afterAll(() => leave());

const call = (piece: string, more: Partial<Body<"called">> = {}): Body<"called"> => ({
  type: "called",
  piece,
  pieceName: "Loom",
  cause: 'W4, "open"',
  action: "Changed.",
  sure: "likely",
  fault: "W4:open",
  proofs: [],
  ...more,
});
const decided = (piece: string, option: string, price: number): Body<"decided"> => ({
  type: "decided",
  piece,
  option,
  words: "Put in",
  minutes: 20,
  price,
  temporary: false,
  warranty: "none",
  seals: "none",
});

/** A repair of its own unit, written as told. */
async function repair(bodies: readonly Body<"called" | "decided" | "tried" | "followed up">[], on?: string, day = 0) {
  const { machine } = await newestMachine(MACHINE);
  const unit = on ?? (await newUnit(MACHINE));
  const job = { id: uuid(), unit, complaint: machine.file.complaints[0]!.id, actor: WHO };
  await openJob(job, later(day));
  for (const [i, body] of bodies.entries())
    await appendEvent(
      job.id,
      { ...entry(body), actor: WHO },
      later(day + (body.type === "followed up" ? 40 : 0) + i / 1440),
    );
  return { unit, job: job.id };
}

describe("what the shop sees, on jobs whose figures are known", () => {
  const asked = figuresSchema.parse({ person: WHO, by: "person", since: later(-1).toISOString().slice(0, 10) });

  it("counts first jobs, come-backs, boards in vain and nothing found", async () => {
    const { machine } = await newestMachine(MACHINE);
    const loom = machine.partById.get("W4")!.assembly;
    const board = machine.file.pieces.find((p) => p.board)!.id;
    const held: Body<"followed up"> = { type: "followed up", held: true, words: "" };
    const stays: Body<"tried"> = { type: "tried", piece: board, result: "stays", words: "Board in, still dark" };
    // Held; a good board bought on the way, then held; came back by a new job, of which nobody knows; nothing found.
    await repair([decided(loom, "replace", 60), call(loom), held]);
    await repair([decided(board, "maker-board", 220), stays, decided(loom, "replace", 60), call(loom), held]);
    const first = await repair([decided(loom, "clean", 15), call(loom)]);
    await repair([call(loom)], first.unit, 20);
    await repair([call("whole", { fault: undefined, excluded: ["The mains"] })]);

    const sees = await shopSees(asked, NOW);
    expect(sees.jobs).toBe(5);
    expect([sees.whole!.firstTime.count, sees.whole!.firstTime.of]).toEqual([2, 3]);
    expect([sees.whole!.cameBack.count, sees.whole!.cameBack.of]).toEqual([1, 3]);
    expect(sees.whole!.notKnown).toBe(1);
    expect([sees.whole!.noFault.count, sees.whole!.noFault.of]).toEqual([1, 5]);
    expect([sees.whole!.boardsInVain.count, sees.whole!.boardsInVainCost]).toEqual([1, 220]);
  });

  it("closed and nothing found are as many as the database counts in the journals themselves", async () => {
    const [rows] = await database().execute(sql`
      SELECT COUNT(*) AS closed, SUM(JSON_EXISTS(body, '$.excluded')) AS nothing
      FROM events WHERE type = 'called' AND actor = ${WHO}`);
    const [counted] = rows as unknown as { closed: number; nothing: number }[];
    const { whole } = await shopSees(asked, NOW);
    expect([whole!.jobs, whole!.noFault.count]).toEqual([Number(counted!.closed), Number(counted!.nothing)]);
  });

  it("each job as a file, read by another parser: quotes and commas whole, a formula made text", async () => {
    const query = new URLSearchParams({ ...asked, table: "jobs" });
    const answer = await GET(
      new Request(`http://127.0.0.1/api/figures/csv?${query}`, { headers: { host: "127.0.0.1" } }),
    );
    expect(answer.status).toBe(200);
    expect(answer.headers.get("content-disposition")).toBe('attachment; filename="unzo-jobs.csv"');
    const rows = parse(await answer.text(), { columns: true }) as Record<string, string>[];
    expect(rows).toHaveLength(5);
    expect(new Set(rows.map((r) => r.person))).toEqual(new Set([`'${WHO}`]));
    expect(rows.filter((r) => r.cause === 'W4, "open"')).toHaveLength(4);
  });

  it("a table that is none is refused", async () => {
    const answer = await GET(
      new Request("http://127.0.0.1/api/figures/csv?table=all", { headers: { host: "127.0.0.1" } }),
    );
    expect(answer.status).toBe(400);
  });
});
