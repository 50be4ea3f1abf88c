import { randomUUID as uuid } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { createHash } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { POST as settle } from "../../src/app/api/machines/[id]/offer/route";
import { canonicalJson } from "../../src/core/model/file/canonical-json";
import { readMachineYaml } from "../../src/core/model/file/machine-yaml";
import type { MachineFile, PartEntry } from "../../src/core/model/schema";
import { database } from "../../src/server/db";
import { listMachines } from "../../src/server/library";
import { newestMachine } from "../../src/server/machine-store";
import { keepMachineFile, keepShippedMachine, shippedOffer, sourceOf } from "../../src/server/machines";
import { machineHeads, machines } from "../../src/server/schema";
import { machineNamed } from "../support/fleet";
import { at, closeShop, NOW, posted, prepareShop, said } from "../support/shop";

const FOLDER = new URL("../../machines/", import.meta.url);
beforeAll(prepareShop);
afterAll(closeShop);

/** A machine of its own for each test: a shipped revision, and changes of it. */
function machine() {
  const id = `ship-${uuid().slice(0, 8)}`;
  const first: MachineFile = { ...machineNamed("zirvald-bw-15").file, id, revision: "1" };
  const named = (file: MachineFile, revision: string, more: Partial<MachineFile>): MachineFile => ({
    ...file,
    revision,
    ...more,
  });
  const part = (file: MachineFile, change: object): MachineFile["parts"] =>
    (file.parts as PartEntry[]).map((p, i) => (i === 0 ? { ...p, ...change } : p)) as MachineFile["parts"];
  return {
    id,
    first,
    shop: named(first, "1a", { name: "Our winch" }),
    second: named(first, "2", { parts: part(first, { name: "Newer battery" }) }),
  };
}
const head = async (id: string) =>
  (await database().select().from(machineHeads).where(eq(machineHeads.machine, id)))[0]!;
const ship = (file: MachineFile, ever: string[] = []) => keepShippedMachine(file, new Set(ever), NOW);
const inUse = async (id: string) => (await newestMachine(id)).machine.file;

describe("a shipped file", () => {
  it("is used where the shop has none, and follows while the shop leaves it alone", async () => {
    const { id, first, second } = machine();
    await ship(first);
    expect(await head(id)).toMatchObject({ origin: "shipped", offered: null });
    await ship(second);
    expect((await inUse(id)).revision).toBe("2");
    expect(await head(id)).toMatchObject({ origin: "shipped", offered: null });
  });

  it("never pushes aside the shop's own; it is offered, once, whichever way it is settled", async () => {
    const { id, first, shop, second } = machine();
    await ship(first);
    await keepMachineFile(shop, "edited", NOW);
    await ship(first);
    expect(await shippedOffer(id)).toBeNull();
    await ship(second);
    expect((await inUse(id)).name).toBe("Our winch");
    const offer = (await shippedOffer(id))!;
    expect(offer.hasBase).toBe(true);
    const part = (first.parts as PartEntry[])[0]!.id;
    expect(Object.fromEntries(offer.facts.map((f) => [f.key, f.changedBy]))).toEqual({
      [`parts / #${part} / name`]: "theirs",
      name: "ours",
      revision: "both",
    });
    const asked = { offered: offer.hash, own: offer.own.hash, actor: "Ida" };
    // Kept as it is: what was looked at is what the next revision is held against, and it is not offered again.
    expect((await settle(posted({ ...asked, take: [] }), at(id))).status).toBe(200);
    await ship(second);
    expect(await shippedOffer(id)).toBeNull();
    expect((await inUse(id)).name).toBe("Our winch");
    expect((await settle(posted({ ...asked, take: [] }), at(id))).status).toBe(409);
  });

  it("is taken fact by fact: the shop's own change and the newer one stand side by side", async () => {
    const { id, first, shop, second } = machine();
    await ship(first);
    await keepMachineFile(shop, "edited", NOW);
    await ship(second);
    const offer = (await shippedOffer(id))!;
    const take = offer.facts.filter((f) => f.changedBy === "theirs").map((f) => f.key);
    expect(
      (await settle(posted({ offered: offer.hash, own: offer.own.hash, take, actor: "Ida" }), at(id))).status,
    ).toBe(200);
    const file = await inUse(id);
    expect([file.name, (file.parts as PartEntry[])[0]!.name, file.revision]).toEqual([
      "Our winch",
      "Newer battery",
      "1a",
    ]);
    expect(await head(id)).toMatchObject({ origin: "edited", base: offer.hash, offered: null });
  });

  it("is taken whole, and from then on follows again", async () => {
    const { id, first, shop, second } = machine();
    await ship(first);
    await keepMachineFile(shop, "edited", NOW);
    await ship(second);
    const offer = (await shippedOffer(id))!;
    const take = offer.facts.map((f) => f.key);
    await settle(posted({ offered: offer.hash, own: offer.own.hash, take, actor: "Ida" }), at(id));
    expect(await head(id)).toMatchObject({ origin: "shipped", hash: offer.hash });
    expect((await inUse(id)).name).toBe(first.name);
  });

  it("is not taken in part where the parts do not fit together, nor once the file has changed; nothing changes", async () => {
    const { id, first, shop } = machine();
    await ship(first);
    await keepMachineFile(shop, "edited", NOW);
    const [assembly] = first.pieces;
    // A part more, of an assembly more: the part alone hangs on nothing.
    const more = { ...assembly!, id: "spare-piece", name: "Spare" };
    const [part] = first.parts as PartEntry[];
    const parts = (first.parts as PartEntry[]).map((p) => (p.id === part!.id ? { ...p, piece: "spare-piece" } : p));
    await ship({ ...first, revision: "2", pieces: [...first.pieces, more], parts } as MachineFile);
    const offer = (await shippedOffer(id))!;
    const take = [`parts / #${part!.id} / piece`];
    const asked = { offered: offer.hash, own: offer.own.hash, take, actor: "Ida" };
    const refused = await said(await settle(posted(asked), at(id)));
    expect(refused.status).toBe(400);
    expect(refused.error).toContain("spare-piece");
    await keepMachineFile({ ...shop, revision: "1b" }, "edited", NOW);
    expect((await settle(posted(asked), at(id))).status).toBe(409);
    expect((await inUse(id)).revision).toBe("1b");
  });

  it("kept before origins were written down is known by the hashes of all that ever shipped", async () => {
    const old = machine();
    // As an earlier Unzo stored it: the hash is of the file as it was read then.
    const stored = async (file: MachineFile) => {
      const text = canonicalJson(file);
      const hash = createHash("sha256").update(text).digest("hex");
      await database().insert(machines).values({ hash, machine: file.id, name: "x", file: text, addedAt: NOW });
      await database().insert(machineHeads).values({ machine: file.id, hash }).onDuplicateKeyUpdate({ set: { hash } });
      return hash;
    };
    const ever = [await stored(old.first)];
    await ship(old.second, ever);
    expect(await head(old.id)).toMatchObject({ origin: "shipped" });
    expect((await inUse(old.id)).revision).toBe("2");
    // The same file again, whose stored hash was made another way: nothing new, no second version.
    const same = machine();
    const hash = await stored(same.first);
    await ship(same.first, [hash]);
    expect(await head(same.id)).toMatchObject({ hash, origin: "shipped", offered: null });
    // Edited then: offered now.
    const edited = machine();
    const base = await stored(edited.first);
    await stored(edited.shop);
    await ship(edited.second, [base]);
    expect(await head(edited.id)).toMatchObject({ origin: "edited", base });
    expect(await shippedOffer(edited.id)).not.toBeNull();
    expect((await listMachines()).find((m) => m.id === edited.id)).toMatchObject({ offered: true });
  });

  it("is in the list of all that ever shipped, every one of them, and the list names nothing else", () => {
    const list = JSON.parse(readFileSync(new URL("shipped.json", FOLDER), "utf8")) as Record<string, string[]>;
    const names = readdirSync(FOLDER).filter((n) => n.endsWith(".yaml"));
    expect(Object.keys(list).sort()).toEqual(names.map((n) => n.replace(".yaml", "")).sort());
    for (const name of names) {
      const { file } = readMachineYaml(readFileSync(new URL(name, FOLDER), "utf8"), name);
      expect(list[file.id], `${name}: run npm run machines:shipped`).toContain(sourceOf(file).hash);
      expect(new Set(list[file.id]).size).toBe(list[file.id]!.length);
    }
  });
});
