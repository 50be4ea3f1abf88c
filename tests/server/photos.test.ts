import { eq, inArray } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { database } from "../../src/server/db";
import { collectOrphans, hasPhoto, keepPhoto, MOST_PHOTO_BYTES, pictureType, readPhoto } from "../../src/server/photos";
import { photos } from "../../src/server/schema";
import { closeShop, log, newJob, newUnit, NOW, prepareShop } from "../support/shop";
import { readEnvAnew } from "../../src/env";

beforeAll(prepareShop);
afterAll(closeShop);

const jpeg = (...tail: number[]) => Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, ...tail]);
const count = async (...hashes: string[]) =>
  (await database().select({ hash: photos.hash }).from(photos).where(inArray(photos.hash, hashes))).length;

describe("photos of a job", () => {
  it("are known by their first bytes, not by what a sender calls them", () => {
    expect(pictureType(jpeg())).toBe("image/jpeg");
    expect(pictureType(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).toBe("image/png");
    expect(pictureType(new TextEncoder().encode("RIFF0000WEBP"))).toBe("image/webp");
    for (const text of ["<svg xmlns='x'/>", "GIF89a", "RIFF0000WAVE", "", "<html>"])
      expect(pictureType(new TextEncoder().encode(text)), text).toBeNull();
  });

  it("are kept once for one content, named by its hash, and come back as they were sent", async () => {
    const [a, again, b] = [
      await keepPhoto(jpeg(1, 7), NOW),
      await keepPhoto(jpeg(1, 7), NOW),
      await keepPhoto(jpeg(2, 7), NOW),
    ];
    expect(again).toBe(a);
    expect(await count(a, b)).toBe(2);
    expect([...(await readPhoto(a)).bytes]).toEqual([...jpeg(1, 7)]);
    expect((await readPhoto(a)).type).toBe("image/jpeg");
    expect([await hasPhoto(a), await hasPhoto("0".repeat(64))]).toEqual([true, false]);
  });

  it("are refused when they are no picture, too large, or more than the shop has room for; nothing is kept", async () => {
    await expect(keepPhoto(new TextEncoder().encode("<svg/>"), NOW)).rejects.toThrow(/no jpeg, png or webp/);
    await expect(keepPhoto(new Uint8Array(MOST_PHOTO_BYTES + 1), NOW)).rejects.toThrow(/larger than 4 MB/);
    process.env.UNZO_PHOTO_BYTES = "3";
    readEnvAnew();
    try {
      await expect(keepPhoto(jpeg(9, 9, 9), NOW)).rejects.toMatchObject({ status: 507 });
    } finally {
      delete process.env.UNZO_PHOTO_BYTES;
      readEnvAnew();
    }
  });

  it("of any other name are not there, wherever the name would lead", async () => {
    for (const name of ["0".repeat(64), "../../etc/passwd", "", "A".repeat(64)])
      await expect(readPhoto(name), name).rejects.toThrow(/no such photo/);
  });

  it("that no journal names go after a day; those that one names stay", async () => {
    const [orphan, named] = [await keepPhoto(jpeg(5, 1), NOW), await keepPhoto(jpeg(5, 2), NOW)];
    const job = await newJob(await newUnit("zirvald-bw-15"), "still");
    await log(job, { type: "photo", hash: named, stage: "open", caption: "", marks: [] });
    expect((await database().select().from(photos).where(eq(photos.hash, named)))[0]!.used).toBe(true);
    await collectOrphans(new Date(NOW.getTime() + 3_600_000));
    expect(await count(orphan, named)).toBe(2);
    await collectOrphans(new Date(NOW.getTime() + 25 * 3_600_000));
    expect([await hasPhoto(orphan), await hasPhoto(named)]).toEqual([false, true]);
    await expect(log(job, { type: "photo", hash: orphan, stage: "open", caption: "", marks: [] })).rejects.toThrow(
      /not kept here/,
    );
  });
});
