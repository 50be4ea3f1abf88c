import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { and, eq, inArray } from "drizzle-orm";
import { database, inTransaction } from "./db";
import { keepPhoto } from "./photos";
import { events, photos } from "./schema";
import { log } from "../log";

/**
 * Takes photos that an earlier version kept in a folder into the database. Files that are there already, or are no
 * pictures, are left.
 */
export async function importPhotoFolder(folder: string, now: Date): Promise<number> {
  const files = listed(folder).flatMap((part) =>
    listed(path.join(folder, part)).map((name) => path.join(folder, part, name)),
  );
  let count = 0;
  for (const file of files) {
    try {
      await keepPhoto(readFileSync(file), now);
      count++;
    } catch (error) {
      log().error({ err: error, file }, "A photo was not taken over");
    }
  }
  if (count > 0) await markNamed();
  return count;
}

/** Marks the photos that journals name. */
async function markNamed(): Promise<void> {
  const rows = await database().select({ body: events.body }).from(events).where(eq(events.type, "photo"));
  const named = rows.map((r) => ((typeof r.body === "string" ? JSON.parse(r.body) : r.body) as { hash: string }).hash);
  if (named.length > 0)
    await inTransaction((tx) =>
      tx
        .update(photos)
        .set({ used: true })
        .where(and(eq(photos.used, false), inArray(photos.hash, [...new Set(named)]))),
    );
}

function listed(folder: string): readonly string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}
