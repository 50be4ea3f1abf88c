import { mkdtemp, readdir, rm } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { hasPhoto, keepPhoto, MOST_PHOTO_BYTES, pictureType, readPhoto } from "../../src/server/photos";

let folder = "";
const before = process.env.UNZO_PHOTOS;
beforeEach(async () => {
  folder = await mkdtemp(path.join(os.tmpdir(), "unzo-photos-"));
  process.env.UNZO_PHOTOS = folder;
});
afterEach(async () => {
  await rm(folder, { recursive: true });
  if (before === undefined) delete process.env.UNZO_PHOTOS;
  else process.env.UNZO_PHOTOS = before;
});

const jpeg = (tail: number[]) => Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, ...tail]);

describe("photos of a job", () => {
  it("are known by their first bytes, not by what a sender calls them", () => {
    expect(pictureType(jpeg([]))).toBe("image/jpeg");
    expect(pictureType(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).toBe("image/png");
    expect(pictureType(new TextEncoder().encode("RIFF0000WEBP"))).toBe("image/webp");
    for (const text of ["<svg xmlns='x'/>", "GIF89a", "RIFF0000WAVE", "", "<html>"])
      expect(pictureType(new TextEncoder().encode(text)), text).toBeNull();
  });
  it("are one file for one content, named by its hash, and come back as they were sent", async () => {
    const [a, again, b] = [await keepPhoto(jpeg([1])), await keepPhoto(jpeg([1])), await keepPhoto(jpeg([2]))];
    expect(again).toBe(a);
    expect(b).not.toBe(a);
    expect(
      (await Promise.all((await readdir(folder)).map((d) => readdir(path.join(folder, d))))).flat().sort(),
    ).toEqual([a, b].sort());
    expect([...(await readPhoto(a)).bytes]).toEqual([...jpeg([1])]);
    expect((await readPhoto(a)).type).toBe("image/jpeg");
    expect([await hasPhoto(a), await hasPhoto("0".repeat(64))]).toEqual([true, false]);
  });
  it("are refused when they are no picture or too large, and nothing is kept", async () => {
    await expect(keepPhoto(new TextEncoder().encode("<svg/>"))).rejects.toThrow(/no jpeg, png or webp/);
    await expect(keepPhoto(new Uint8Array(MOST_PHOTO_BYTES + 1))).rejects.toThrow(/larger than 4 MB/);
    expect(await readdir(folder)).toEqual([]);
  });
  it("of any other name are not there, wherever the name would lead", async () => {
    for (const name of ["0".repeat(64), "../../etc/passwd", "", "A".repeat(64)])
      await expect(readPhoto(name), name).rejects.toThrow(/no such photo/);
  });
});
