// Writes machines/groups/<machine>.json: the faults that no test tells apart. Commit it before the search is tried.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { ORDINARY_METER } from "../src/core/instrument";
import { readMachineYaml } from "../src/core/model";
import { FaultDictionary, faultGroups } from "../src/core/diagnose";

const folder = new URL("../machines/", import.meta.url);
mkdirSync(new URL("groups/", folder), { recursive: true });
for (const name of readdirSync(folder).filter((n) => n.endsWith(".yaml"))) {
  const dictionary = FaultDictionary.of(
    readMachineYaml(readFileSync(new URL(name, folder), "utf8"), name).machine,
    ORDINARY_METER,
  );
  dictionary.build();
  writeFileSync(
    new URL(`groups/${name.replace(".yaml", ".json")}`, folder),
    `${JSON.stringify(
      faultGroups(dictionary).filter((g) => g.length > 1),
      null,
      1,
    )}\n`,
  );
}
