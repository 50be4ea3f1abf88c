import { createHash } from "node:crypto";
import { mkdir, readFile, rename, stat, writeFile } from "node:fs/promises";
import path from "node:path";
import { Refusal } from "./refusal";

/** Largest photo taken, bytes; the screen makes them smaller before it sends them. */
export const MOST_PHOTO_BYTES = 4_000_000;

const folder = () => process.env.UNZO_PHOTOS ?? path.join(process.cwd(), ".unzo/photos");
const placeOf = (hash: string) => path.join(folder(), hash.slice(0, 2), hash);

/** What a picture is, by its first bytes; null for anything else. What a sender calls it counts for nothing. */
export function pictureType(bytes: Uint8Array): "image/jpeg" | "image/png" | "image/webp" | null {
  const text = (from: number, to: number) => String.fromCharCode(...bytes.subarray(from, to));
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return "image/jpeg";
  if (bytes[0] === 0x89 && text(1, 4) === "PNG") return "image/png";
  if (text(0, 4) === "RIFF" && text(8, 12) === "WEBP") return "image/webp";
  return null;
}

/** Keeps a photo under the hash of its content; the same photo twice is one file. Throws a `Refusal` for what is no picture. */
export async function keepPhoto(bytes: Uint8Array): Promise<string> {
  if (bytes.length > MOST_PHOTO_BYTES) throw new Refusal(413, "The photo is larger than 4 MB. Nothing was kept.");
  if (!pictureType(bytes)) throw new Refusal(400, "That is no jpeg, png or webp picture. Nothing was kept.");
  const hash = createHash("sha256").update(bytes).digest("hex");
  const place = placeOf(hash);
  if (await hasPhoto(hash)) return hash;
  await mkdir(path.dirname(place), { recursive: true });
  // Written beside and moved: a file of that name is always whole.
  const beside = `${place}.${process.pid}.${Date.now()}`;
  await writeFile(beside, bytes);
  await rename(beside, place);
  return hash;
}

export async function hasPhoto(hash: string): Promise<boolean> {
  return stat(placeOf(hash)).then(
    (s) => s.isFile(),
    () => false,
  );
}

/** A photo with its type. Throws a `Refusal` where there is none. */
export async function readPhoto(
  hash: string,
): Promise<{ readonly bytes: Uint8Array<ArrayBuffer>; readonly type: string }> {
  if (!/^[0-9a-f]{64}$/.test(hash)) throw new Refusal(404, "There is no such photo.");
  const bytes = await readFile(placeOf(hash)).catch(() => null);
  const type = bytes && pictureType(bytes);
  if (!bytes || !type) throw new Refusal(404, "There is no such photo.");
  return { bytes: new Uint8Array(bytes), type };
}
