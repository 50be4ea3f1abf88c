import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import type { Machine } from "../../src/core/model/machine";
import { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

const root = new URL("../../", import.meta.url).pathname;
const store = path.join(root, "node_modules/.cache/unzo-dictionaries");

/** Names the sources of the engine by their content: another engine has a store of its own. */
function engineName(): string {
  const hash = createHash("sha256");
  for (const folder of ["src/core", "src/words/en/core"])
    for (const name of readdirSync(path.join(root, folder), { recursive: true, encoding: "utf8" }).sort())
      if (name.endsWith(".ts")) hash.update(name).update(readFileSync(path.join(root, folder, name)));
  return hash.digest("hex").slice(0, 20);
}

let folder: string | null = null;

/** The folder of this engine; what others have left is taken away. */
function ownFolder(): string {
  if (folder) return folder;
  const name = engineName();
  folder = path.join(store, name);
  mkdirSync(folder, { recursive: true });
  for (const other of readdirSync(store))
    if (other !== name) rmSync(path.join(store, other), { recursive: true, force: true });
  return folder;
}

/**
 * The dictionary of a machine, built once a run and then restored from a file: the same, bit for bit, which
 * `stored-dictionary.test.ts` asserts. For tests of what comes after the building.
 */
export function built(machine: Machine): FaultDictionary {
  const file = path.join(
    ownFolder(),
    createHash("sha256").update(JSON.stringify(machine.file)).digest("hex").slice(0, 20),
  );
  if (existsSync(file)) return FaultDictionary.restored(machine, ORDINARY_METER, readFileSync(file));
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  // Written aside and moved: whoever runs beside this one never reads half of it.
  const aside = `${file}.${process.pid}`;
  writeFileSync(aside, dictionary.packed());
  renameSync(aside, file);
  return dictionary;
}
