import { gunzipSync } from "node:zlib";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET } from "../../src/app/api/dictionaries/[hash]/[engine]/route";
import { POST } from "../../src/app/api/jobs/[id]/advice/route";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { database, inTransaction } from "../../src/server/db";
import { gzippedDictionary, isStored, keepDictionary, withoutDictionary } from "../../src/server/dictionaries";
import { engineHash } from "../../src/server/engine";
import { newestMachine } from "../../src/server/machine-store";
import { dictionaries } from "../../src/server/schema";
import { isolationOf } from "../support/fleet";
import { asked, at, closeShop, newJob, newUnit, NOW, posted, prepareShop } from "../support/shop";

const SMALL = "zirvald-bw-15";
const fresh = isolationOf(SMALL);
const complaint = fresh.machine.file.complaints[0]!;
const ask = async (job: string, wait: boolean) =>
  (await POST(posted({ setup: complaint.setup, openPanels: [], wait }), at(job))).json();
const get = (hash: string, engine: string) => GET(asked(), { params: Promise.resolve({ hash, engine }) });

let hash = "";
let job = "";
beforeAll(async () => {
  await prepareShop();
  await inTransaction(async (tx) => {
    await tx.delete(dictionaries);
  });
  job = await newJob(await newUnit(SMALL), complaint.id);
  ({ hash } = await newestMachine(SMALL));
});
afterAll(closeShop);

describe("the store of dictionaries", () => {
  it("is empty at first, and the route says so; who waits for advice fills it", async () => {
    expect(await isStored(hash)).toBe(false);
    expect((await get(hash, engineHash())).status).toBe(404);
    expect(await ask(job, true)).not.toBeNull();
    expect(await isStored(hash)).toBe(true);
  });

  it("gives the bytes that the core here builds, to be kept by the browser for good", async () => {
    const response = await get(hash, engineHash());
    expect(response.status).toBe(200);
    expect(response.headers.get("content-type")).toBe("application/gzip");
    expect(response.headers.get("cache-control")).toContain("immutable");
    const bytes = gunzipSync(Buffer.from(await response.arrayBuffer()));
    expect(Buffer.compare(bytes, Buffer.from(fresh.packed()))).toBe(0);
    expect(() => FaultDictionary.restored(fresh.machine, ORDINARY_METER, bytes)).not.toThrow();
    // Small enough for a phone on a bad line.
    expect((await gzippedDictionary(hash))!.length).toBeLessThan(250_000);
  });

  it("gives nothing to another engine, nor of a file that is not there", async () => {
    expect((await get(hash, "0".repeat(64))).status).toBe(404);
    expect((await get("f".repeat(64), engineHash())).status).toBe(404);
    expect((await get("", engineHash())).status).toBe(404);
  });

  it("forgets what other engines built, and names what is missing", async () => {
    const body = Buffer.from([1]);
    await inTransaction(async (tx) => {
      await tx.insert(dictionaries).values({ machineHash: hash, engine: "1".repeat(64), body, builtAt: NOW });
    });
    const missing = await withoutDictionary();
    expect(missing).not.toContain(hash);
    expect(missing).toContain((await newestMachine("kaldruun-uc-80")).hash);
    const rows = await database().select().from(dictionaries).where(eq(dictionaries.machineHash, hash));
    expect(rows.map((r) => r.engine)).toEqual([engineHash()]);
  });

  it("is passed over where what it holds is broken: the dictionary is built, and advice comes all the same", async () => {
    const { hash: broken, machine } = await newestMachine("tannrast-ft-20");
    const other = await newJob(await newUnit("tannrast-ft-20"), machine.file.complaints[0]!.id);
    await keepDictionary(broken, new Uint8Array(100), NOW);
    const response = await POST(posted({ setup: machine.file.setups[0]!.id, openPanels: [], wait: true }), at(other));
    expect(response.status).toBe(200);
    // And kept in its place.
    expect(gunzipSync((await gzippedDictionary(broken))!).length).toBeGreaterThan(1000);
    expect(
      ((await response.json()) as { answers: { advice: { suspects: unknown[] } } }).answers.advice.suspects.length,
    ).toBeGreaterThan(0);
  });

  it("is passed over, too, where it is no archive at all", async () => {
    const { hash: torn, machine } = await newestMachine("hochkar-ip-4");
    const body = Buffer.from("no archive");
    await inTransaction(async (tx) => {
      await tx.insert(dictionaries).values({ machineHash: torn, engine: engineHash(), body, builtAt: NOW });
    });
    const complained = machine.file.complaints[0]!;
    const other = await newJob(await newUnit("hochkar-ip-4"), complained.id);
    const response = await POST(posted({ setup: complained.setup, openPanels: [], wait: true }), at(other));
    expect(response.status).toBe(200);
    expect(gunzipSync((await gzippedDictionary(torn))!).length).toBeGreaterThan(1000);
  });
});
