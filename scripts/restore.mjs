// Puts a backup into an empty data folder: UNZO_DATA=/new/folder npm run restore -- FILE
import { createReadStream, existsSync } from "node:fs";
import path from "node:path";
import { createGunzip } from "node:zlib";
import { load, tablesOf } from "./lib/dump.mjs";
import { openFolder } from "./lib/folder.mjs";
import { dataFolder } from "./lib/instance.mjs";
import { startMariadb } from "./lib/mariadb.mjs";
import { debianPackages } from "./lib/prepare.mjs";
import { end, main, onEnd, say, Stop } from "./lib/steps.mjs";

/** The first line of a file that `npm run backup` wrote. */
async function heading(file) {
  let text = "";
  try {
    for await (const chunk of createReadStream(file).pipe(createGunzip())) {
      text += chunk;
      if (text.includes("\n") || text.length > 200) break;
    }
  } catch {
    return "";
  }
  return text.split("\n")[0];
}

await main(async () => {
  const file = process.argv[2] ? path.resolve(process.argv[2]) : null;
  if (!file || !existsSync(file))
    throw new Stop("Name the file to restore: UNZO_DATA=/new/folder npm run restore -- FILE");
  if (!/^-- Unzo backup 1$/.test(await heading(file))) throw new Stop(`${file} is no backup that this Unzo can read.`);
  await debianPackages(process.env.UNZO_DATABASE_URL ? "client" : "database");
  const folder = dataFolder("shop");
  const held = openFolder(folder);
  onEnd(() => held.release());
  let url = process.env.UNZO_DATABASE_URL;
  if (!url) {
    const database = await startMariadb(held);
    onEnd(() => database.stop());
    url = database.url;
  }
  if ((await tablesOf(url)).length > 0)
    throw new Stop(
      `${url === process.env.UNZO_DATABASE_URL ? "That database" : folder} holds data, and nothing is written over. Name an empty folder: UNZO_DATA=/new/folder npm run restore -- ${process.argv[2]}`,
    );
  say(`Reading ${file} into ${folder}`);
  await load(url, file);
  say(`Done. Start it: UNZO_DATA=${folder} npm start`);
  await end(0);
});
