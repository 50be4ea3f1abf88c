import { createHash } from "node:crypto";
import { and, eq, lt, sql } from "drizzle-orm";
import { database, inTransaction, type Database, type Tx } from "./db";
import { refuseWhenFull } from "./disk";
import { Refusal } from "./refusal";
import { photos } from "./schema";
import { env } from "../env";
import { say } from "#words/server";

/** Largest photo taken, bytes; the screen makes them smaller before it sends them. */
export const MOST_PHOTO_BYTES = 4_000_000;
/** All photos of the shop together, bytes, unless `UNZO_PHOTO_BYTES` says otherwise. */
const MOST_IN_ALL = 20_000_000_000;
/** A photo that no journal names is kept so long, milliseconds: its entry may be on its way. */
const ORPHAN_FOR = 24 * 3_600_000;

/** What a picture is, by its first bytes; null for anything else. What a sender calls it counts for nothing. */
export function pictureType(bytes: Uint8Array): "image/jpeg" | "image/png" | "image/webp" | null {
  const text = (from: number, to: number) => String.fromCharCode(...bytes.subarray(from, to));
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return "image/jpeg";
  if (bytes[0] === 0x89 && text(1, 4) === "PNG") return "image/png";
  if (text(0, 4) === "RIFF" && text(8, 12) === "WEBP") return "image/webp";
  return null;
}

/**
 * Keeps a photo under the hash of its content; the same photo twice is kept once. Throws a `Refusal` for what is no
 * picture.
 */
export async function keepPhoto(bytes: Uint8Array, now: Date): Promise<string> {
  if (bytes.length > MOST_PHOTO_BYTES) throw new Refusal(413, say.thePhotoIsLargerThan);
  const type = pictureType(bytes);
  if (!type) throw new Refusal(400, say.thatIsNoJpegPng);
  const hash = createHash("sha256").update(bytes).digest("hex");
  if (await hasPhoto(hash)) return hash;
  refuseWhenFull();
  await inTransaction(async (tx) => {
    const [all] = await tx.select({ bytes: sql<number>`coalesce(sum(${photos.size}), 0)` }).from(photos);
    if (Number(all!.bytes) + bytes.length > (env().UNZO_PHOTO_BYTES ?? MOST_IN_ALL))
      throw new Refusal(507, say.theShopsRoomForPhotos);
    await tx
      .insert(photos)
      .ignore()
      .values({ hash, type, size: bytes.length, content: Buffer.from(bytes), addedAt: now, used: false });
  });
  return hash;
}

export async function hasPhoto(hash: string, db: Database = database()): Promise<boolean> {
  const rows = await db.select({ hash: photos.hash }).from(photos).where(eq(photos.hash, hash));
  return rows.length > 0;
}

/** A journal names this photo: it stays. */
export async function markUsed(tx: Tx, hash: string): Promise<void> {
  await tx.update(photos).set({ used: true }).where(eq(photos.hash, hash));
}

/** A photo with its type. Throws a `Refusal` where there is none. */
export async function readPhoto(
  hash: string,
): Promise<{ readonly bytes: Uint8Array<ArrayBuffer>; readonly type: string }> {
  if (!/^[0-9a-f]{64}$/.test(hash)) throw new Refusal(404, say.thereIsNoSuchPhoto);
  const [row] = await database()
    .select({ content: photos.content, type: photos.type })
    .from(photos)
    .where(eq(photos.hash, hash));
  if (!row) throw new Refusal(404, say.thereIsNoSuchPhoto);
  return { bytes: new Uint8Array(row.content), type: row.type };
}

/** Takes away photos that no journal came to name. Says how many. */
export async function collectOrphans(now: Date): Promise<number> {
  return inTransaction(async (tx) => {
    const [result] = await tx
      .delete(photos)
      .where(and(eq(photos.used, false), lt(photos.addedAt, new Date(now.getTime() - ORPHAN_FOR))));
    return result.affectedRows;
  });
}
