// Brings the tables up to date, keeps the machine files, and with --demo adds the demo data once.
import { mkdirSync } from "node:fs";
import path from "node:path";
import { closeDatabase } from "../src/server/db";
import { seedDemo } from "../src/server/demo";
import { learned } from "../src/server/learned-times";
import { migrateTables } from "../src/server/migrate";
import { collectOrphans } from "../src/server/photos";
import { importPhotoFolder } from "../src/server/photo-folder";
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
if (process.argv.includes("--demo")) await seedDemo(new Date());
await learned();
await collectOrphans(new Date());
await closeDatabase();
