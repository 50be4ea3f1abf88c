// Migrates a database and is killed before the statement of the number it is given; -1: not at all.
import { dump, load } from "../../scripts/lib/dump.mjs";
import { migrateTables } from "../../src/server/migrate";

const [url, folder, at] = process.argv.slice(2) as [string, string, string];
const made = await migrateTables(
  url,
  "src/server/migrations",
  folder,
  { save: (file) => dump(url, file, "test"), restore: (file) => load(url, file) },
  (n) => {
    if (n === Number(at)) process.kill(process.pid, "SIGKILL");
  },
);
console.log(`made ${made}`);
