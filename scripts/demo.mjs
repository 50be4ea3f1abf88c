// Starts Unzo with the demo data: `npm run demo`, `-- --fresh` to begin anew, `-- --lan` for the workshop network too.
import { dataFolder, flags, runUnzo } from "./lib/instance.mjs";
import { main } from "./lib/steps.mjs";

await main(async () => {
  const { fresh, lan } = flags("run demo", ["--fresh", "--lan"]);
  await runUnzo({ folder: dataFolder("demo"), demo: true, fresh, lan });
});
