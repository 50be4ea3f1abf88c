// Brings the tables up to date, keeps the machine files, and with --demo adds the demo data once.
import { mkdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { closeDatabase } from "../src/server/db";
import { seedDay } from "../src/server/demo-day";
import { readHistory, seedHistory } from "../src/server/demo-history";
import { seedDemo } from "../src/server/demo";
import { learnOdds } from "../src/server/learned-odds";
import { learned } from "../src/server/learning";
import { migrateTables } from "../src/server/migrate";
import { collectOrphans } from "../src/server/photos";
import { importPhotoFolder } from "../src/server/photo-folder";
import { keepOutcomes, rebuildOutcomes } from "../src/server/outcomes";
import { keepTerms, rebuildTerms } from "../src/server/terms";
import { keepMachineFiles } from "../src/server/shipped";
import { dump, load } from "./lib/dump.mjs";
import { root } from "./lib/steps.mjs";

const url = process.env.UNZO_DATABASE_URL!;
const folder = process.env.UNZO_DATA ?? path.join(root, ".unzo");

mkdirSync(folder, { recursive: true, mode: 0o700 });
await migrateTables(url, path.join(root, "src/server/migrations"), folder, {
  save: (file) => dump(url, file, "Unzo before a migration"),
  restore: (file) => load(url, file),
});
await keepMachineFiles(path.join(root, "machines"), new Date());
// Photos lay in a folder beside the database before they moved into it.
await importPhotoFolder(process.env.UNZO_PHOTOS ?? `${folder}-photos`, new Date());
await keepTerms((read) => {
  if (read % 10_000 === 0) console.log(`Search index: ${read} jobs read`);
});
await keepOutcomes();
if (process.argv.includes("--demo")) await seedDemo(new Date());
// The past of the demo shop comes after its units; what follows from journals is then made anew.
if (process.argv.includes("--past")) {
  const past = readHistory(readFileSync(path.join(root, "machines/demo-history.json.gz")));
  if (await seedHistory(past, new Date())) {
    await rebuildTerms();
    await rebuildOutcomes();
    await learnOdds(new Date());
    await seedDay(new Date());
  }
}
await learned();
await collectOrphans(new Date());
await closeDatabase();
