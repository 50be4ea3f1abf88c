// Starts Unzo for real work, without demo data: `npm start`, `-- --lan` for the workshop network too.
// UNZO_DATA names its folder; UNZO_DATABASE_URL an existing MariaDB in place of a private one; PORT its port.
import { dataFolder, flags, runUnzo } from "./lib/instance.mjs";
import { main } from "./lib/steps.mjs";

await main(async () => {
  const { lan } = flags("start", ["--lan"]);
  await runUnzo({ folder: dataFolder("shop"), demo: false, fresh: false, lan });
});
