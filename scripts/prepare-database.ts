// Brings the tables up to date, keeps the machine files, and with --demo adds the demo data once.
import path from "node:path";
import { fileURLToPath } from "node:url";
import { migrate } from "drizzle-orm/mysql2/migrator";
import { closeDatabase, database } from "../src/server/db";
import { keepMachineFiles, seedDemo } from "../src/server/demo";

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "..");

await migrate(database(), { migrationsFolder: path.join(root, "src/server/migrations") });
await keepMachineFiles(path.join(root, "machines"), new Date());
if (process.argv.includes("--demo")) await seedDemo(new Date());
await closeDatabase();
