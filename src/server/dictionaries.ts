import { promisify } from "node:util";
import { gunzip, gzip } from "node:zlib";
import { and, eq, ne } from "drizzle-orm";
import { log } from "../log";
import { database, inTransaction } from "./db";
import { engineHash } from "./engine";
import { dictionaries, machineHeads } from "./schema";

/** The stored dictionary of a machine file as the present engine builds it, gzipped; null where there is none. */
export async function gzippedDictionary(hash: string): Promise<Buffer | null> {
  const [row] = await database()
    .select({ body: dictionaries.body })
    .from(dictionaries)
    .where(and(eq(dictionaries.machineHash, hash), eq(dictionaries.engine, engineHash())));
  return row?.body ?? null;
}

/** The same as the engine reads it; null also for what cannot be unpacked: it is then built anew. */
export async function storedDictionary(hash: string): Promise<Uint8Array | null> {
  const body = await gzippedDictionary(hash);
  if (!body) return null;
  try {
    return await promisify(gunzip)(body);
  } catch (error) {
    log().warn({ err: error, machine: hash }, "A stored dictionary could not be unpacked");
    return null;
  }
}

/** Whether it is there. */
export async function isStored(hash: string): Promise<boolean> {
  const rows = await database()
    .select({ hash: dictionaries.machineHash })
    .from(dictionaries)
    .where(and(eq(dictionaries.machineHash, hash), eq(dictionaries.engine, engineHash())));
  return rows.length > 0;
}

/** Keeps what was built, in place of what could not be used. It can be built again: where it cannot be kept, that is logged and no more. */
export async function keepDictionary(hash: string, bytes: Uint8Array, now: Date): Promise<void> {
  try {
    const body = await promisify(gzip)(bytes);
    await inTransaction(async (tx) => {
      await tx
        .insert(dictionaries)
        .values({ machineHash: hash, engine: engineHash(), body, builtAt: now })
        .onDuplicateKeyUpdate({ set: { body, builtAt: now } });
    });
  } catch (error) {
    log().warn({ err: error }, "A dictionary could not be kept");
  }
}

/** Takes away what other engines have built; says which machine files in use have no dictionary of this one. */
export async function withoutDictionary(): Promise<readonly string[]> {
  await inTransaction(async (tx) => {
    await tx.delete(dictionaries).where(ne(dictionaries.engine, engineHash()));
  });
  const heads = await database().select({ hash: machineHeads.hash }).from(machineHeads);
  const missing: string[] = [];
  for (const { hash } of heads) if (!(await isStored(hash))) missing.push(hash);
  return missing;
}
