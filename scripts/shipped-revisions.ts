// Adds the present machine files to machines/shipped.json, the list of every revision that ever shipped: npm run
// machines:shipped
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { readMachineYaml } from "../src/core/model";
import { sourceOf } from "../src/server/machines";
import { root } from "./lib/steps.mjs";

const folder = path.join(root, "machines");
const listFile = path.join(folder, "shipped.json");
const list = JSON.parse(readFileSync(listFile, "utf8")) as Record<string, string[]>;
for (const name of readdirSync(folder).filter((n) => n.endsWith(".yaml"))) {
  const { file } = readMachineYaml(readFileSync(path.join(folder, name), "utf8"), name);
  const { hash } = sourceOf(file);
  const known = (list[file.id] ??= []);
  if (!known.includes(hash)) known.push(hash);
}
writeFileSync(listFile, `${JSON.stringify(list, null, 2)}\n`);
