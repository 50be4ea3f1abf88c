import { randomUUID as uuid } from "node:crypto";
import { unzipSync, zipSync, strToU8, strFromU8 } from "fflate";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { GET as fetchPack, POST as takeIn } from "../../src/app/api/machines/pack/route";
import { POST as settle } from "../../src/app/api/machines/[id]/offer/route";
import { familyMachine } from "../../src/core/model/family/family-machine";
import { familyOf } from "../../src/core/model/family/families-known";
import { listMachines, versionsOf } from "../../src/server/library";
import { newestMachine } from "../../src/server/machine-store";
import { keepMachineFile, keepShippedMachine, shippedOffer } from "../../src/server/machines";
import { at, closeShop, NOW, posted, prepareShop } from "../support/shop";

beforeAll(prepareShop);
afterAll(closeShop);

const ADDRESS = "http://localhost/api/machines/pack";
const fresh = () => {
  const id = `pack-${uuid().slice(0, 8)}`;
  return {
    id,
    file: familyMachine(familyOf("cooker"), { id, maker: "Nobody", model: id, supply: "230" }, { face: "none" }),
  };
};
const fetched = async (...ids: string[]) => {
  const request = new Request(`${ADDRESS}?by=Talhof&${ids.map((id) => `of=${id}`).join("&")}`, {
    headers: { host: "localhost" },
  });
  return fetchPack(request);
};
const sent = (bytes: Uint8Array, type = "application/zip", actor = "Ben") =>
  takeIn(
    new Request(`${ADDRESS}?actor=${actor}`, {
      method: "POST",
      headers: { host: "localhost", "content-type": type },
      body: new Uint8Array(bytes),
    }),
  );
const bytesOf = async (response: Response) => new Uint8Array(await response.arrayBuffer());
const said = async (response: Response) => ((await response.json()) as { error: string }).error;

/** The pack of one machine under another id, as another shop would have it. */
async function packAs(id: string, change: (yaml: string) => string = (y) => y): Promise<Uint8Array> {
  const own = fresh();
  await keepMachineFile(own.file, "edited", NOW, {
    actor: "Ida",
    told: { learned: [{ words: "Seen", by: "Ida", at: NOW.toISOString() }] },
  });
  const files = unzipSync(await bytesOf(await fetched(own.id)));
  const rename = (bytes: Uint8Array) => strFromU8(bytes).replaceAll(own.id, id);
  return zipSync({
    "pack.json": strToU8(rename(files["pack.json"]!)),
    [`machines/${id}.yaml`]: strToU8(change(rename(files[`machines/${own.id}.yaml`]!))),
  });
}

describe("a pack of machines", () => {
  it("brings a machine that is new here into use, with who learned what of it", async () => {
    const id = `pack-${uuid().slice(0, 8)}`;
    const answer = await sent(await packAs(id));
    expect(await answer.json()).toMatchObject({ shop: "Talhof", machines: [{ id, became: "new" }] });
    expect((await newestMachine(id)).machine.file.id).toBe(id);
    expect((await versionsOf(id))[0]!.kept).toMatchObject({
      by: "Ben",
      origin: "imported",
      pack: { shop: "Talhof" },
      learned: [{ words: "Seen", by: "Ida" }],
    });
  });

  it("leaves the shop's own in use and offers the other, fact by fact; a start does not push it aside", async () => {
    const { id, file } = fresh();
    await keepMachineFile({ ...file, name: "Our cooker" }, "edited", NOW);
    const pack = await packAs(id, (yaml) => yaml.replace('revision: "1"', 'revision: "7"'));
    expect(await (await sent(pack)).json()).toMatchObject({ machines: [{ id, became: "offered" }] });
    expect((await newestMachine(id)).machine.file.name).toBe("Our cooker");
    await keepShippedMachine(file, new Set(), NOW);
    const offer = (await shippedOffer(id))!;
    expect(offer).toMatchObject({ revision: "7", pack: { shop: "Talhof" } });
    expect(offer.facts.map((f) => f.key)).toContain("name");
    const take = ["revision"];
    const settled = await settle(posted({ offered: offer.hash, own: offer.own.hash, take, actor: "Ben" }), at(id));
    expect(settled.status).toBe(200);
    const { file: now } = (await newestMachine(id)).machine;
    expect([now.name, now.revision]).toEqual(["Our cooker", "7"]);
    expect((await versionsOf(id)).find((v) => v.current)!.kept).toMatchObject({ by: "Ben", pack: { shop: "Talhof" } });
  });

  it("says that a machine is the same here", async () => {
    const { id, file } = fresh();
    await keepMachineFile(file, "edited", NOW);
    expect(await (await sent(await bytesOf(await fetched(id)))).json()).toMatchObject({
      machines: [{ became: "same" }],
    });
  });

  it("is read whole before anything is kept: one bad file refuses all, by its name and line", async () => {
    const before = (await listMachines()).length;
    const [good, bad] = [`pack-${uuid().slice(0, 8)}`, `pack-${uuid().slice(0, 8)}`];
    const files = { ...unzipSync(await packAs(good)), ...unzipSync(await packAs(bad, (y) => `${y}\nvolts: [`)) };
    const made = (await listMachines()).length;
    const answer = await sent(zipSync(files));
    expect(answer.status).toBe(400);
    expect((await listMachines()).length).toBe(made);
    expect(made).toBe(before + 2);
  });

  it.each([
    ["no archive", strToU8("PK nothing"), 400, "no pack"],
    ["an archive without a list", zipSync({ "machines/a.yaml": strToU8("id: a") }), 400, "no pack"],
    ["a list that is none", zipSync({ "pack.json": strToU8("{") }), 400, "no pack"],
    ["names that climb out", zipSync({ "pack.json": strToU8("{}"), "../../etc/passwd": strToU8("x") }), 400, "no pack"],
    [
      "one that swells",
      zipSync({ "pack.json": new Uint8Array(70_000_000) }, { level: 9 }),
      413,
      "more than can be taken",
    ],
  ])("is refused when it is %s", async (_, bytes, status, words) => {
    const answer = await sent(bytes);
    expect(answer.status).toBe(status);
    expect(await said(answer)).toContain(words);
  });

  it("is refused as another type, without a name, and for a machine under a name that is not its own", async () => {
    const id = `pack-${uuid().slice(0, 8)}`;
    const pack = await packAs(id);
    expect((await sent(pack, "text/plain")).status).toBe(415);
    expect((await sent(pack, "application/zip", "")).status).toBe(400);
    const { [`machines/${id}.yaml`]: yaml, ...rest } = unzipSync(pack);
    const answer = await sent(zipSync({ ...rest, "machines/other.yaml": yaml! }));
    expect(answer.status).toBe(400);
    expect(await said(answer)).toContain(`calls itself ${id}`);
    expect((await fetched("no-such")).status).toBe(404);
  });
});
