import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { z } from "zod";
import { MOST_BYTES, writeMachineYaml } from "../core/model";
import type { FileOrigin } from "../core/journal";
import type { KeptVersion, PackTaken } from "../contract/machines";
import { database } from "./db";
import { prepareDictionary } from "./isolation";
import { librarySummaries } from "./library";
import { readMachineText } from "./machine-reader/reader";
import { machineByHash } from "./machine-store";
import { offerMachine, RefusedMachine } from "./machines";
import { Refusal } from "./refusal";
import { keptVersions } from "./streams";
import { say } from "#words/server";

/**
 * A pack: machine files for another shop, as a zip archive. `machines/<id>.yaml` are the files as they are exported, with
 * the pictures of their assemblies in them; `pack.json` says who packed them, when, and how each came to be what it is.
 */

/** Largest pack taken, bytes; and what is in it, unpacked. */
export const MOST_PACK_BYTES = 20_000_000;
const MOST_UNPACKED = 60_000_000;
const MOST_FILES = 400;
const LIST = "pack.json";
const FORMAT = "machine pack 1";
const AT = /^machines\/([A-Za-z0-9][A-Za-z0-9._-]{0,59})\.yaml$/;

const packSchema = z.object({
  format: z.literal(FORMAT),
  shop: z.string().trim().min(1).max(120),
  at: z.iso.datetime(),
  machines: z
    .array(
      z.object({
        id: z.string().max(60),
        revision: z.string().max(20),
        learned: z
          .array(z.object({ words: z.string().max(2000), by: z.string().min(1).max(80), at: z.iso.datetime() }))
          .max(500),
      }),
    )
    .max(MOST_FILES),
});

/** Everything that was ever learned of a machine here, oldest first. */
const learnedOf = (kept: ReadonlyMap<string, KeptVersion>) => [...kept.values()].flatMap((k) => k.learned);

/** The pack of these machines, or of all but what was drawn at the door; `shop`: who packs it. */
export async function packOf(ids: readonly string[], shop: string, now: Date): Promise<Uint8Array<ArrayBuffer>> {
  const library = await librarySummaries();
  const chosen = library.filter((m) =>
    ids.length === 0 ? m.origin !== ("quick" satisfies FileOrigin) : ids.includes(m.id),
  );
  if (chosen.length === 0) throw new Refusal(404, say.thereIsNoMachineFile);
  const machines = await Promise.all(
    chosen.map(async ({ id, hash, revision }) => ({
      id,
      revision,
      text: writeMachineYaml((await machineByHash(hash)).file),
      learned: learnedOf(await keptVersions(database(), id)),
    })),
  );
  const list = {
    format: FORMAT,
    shop,
    at: now.toISOString(),
    machines: machines.map(({ id, revision, learned }) => ({ id, revision, learned })),
  };
  return zipSync({
    [LIST]: strToU8(JSON.stringify(list, null, 1)),
    ...Object.fromEntries(machines.map((m) => [`machines/${m.id}.yaml`, strToU8(m.text)])),
  }) as Uint8Array<ArrayBuffer>;
}

/** What is in an archive, never more than may be. Throws a `Refusal` for what is no pack. */
function unpacked(bytes: Uint8Array): Readonly<Record<string, Uint8Array>> {
  let size = 0;
  let count = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== LIST && !AT.test(name)) return false;
        size += originalSize;
        count++;
        if (size > MOST_UNPACKED || count > MOST_FILES + 1 || originalSize > 2 * MOST_BYTES)
          throw new Refusal(413, say.thePackHoldsTooMuch);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(400, say.thatIsNoPack);
  }
}

function listIn(files: Readonly<Record<string, Uint8Array>>): z.output<typeof packSchema> {
  const text = files[LIST];
  const read = text === undefined ? null : packSchema.safeParse(jsonIn(text));
  if (!read?.success) throw new Refusal(400, say.thatIsNoPack);
  return read.data;
}

function jsonIn(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(bytes));
  } catch {
    return null;
  }
}

/**
 * Takes a pack in. Every file is read before any is kept: one that cannot be used refuses the whole, by name. What the shop
 * has not is taken into use; what it has otherwise is offered beside its own, to be looked at fact by fact.
 */
export async function takePack(bytes: Uint8Array, actor: string, now: Date): Promise<PackTaken> {
  const files = unpacked(bytes);
  const { shop, at, machines } = listIn(files);
  const read = [];
  for (const [name, content] of Object.entries(files)) {
    if (name === LIST) continue;
    const file = await readMachineText(strFromU8(content), name);
    if (file.id !== AT.exec(name)![1])
      throw new RefusedMachine([{ file: name, line: 0, field: "id", sentence: say.calledOtherwise(name, file.id) }]);
    read.push(file);
  }
  if (read.length === 0) throw new Refusal(400, say.thatIsNoPack);
  const taken: PackTaken["machines"][number][] = [];
  for (const file of read) {
    const learned = machines.find((m) => m.id === file.id)?.learned.slice(0, 60) ?? [];
    const { hash, became } = await offerMachine(file, { actor, told: { learned, pack: { shop, at } } }, now);
    if (became === "new") prepareDictionary(hash);
    taken.push({ id: file.id, name: `${file.maker} ${file.model}`, became });
  }
  return { shop, machines: taken };
}
