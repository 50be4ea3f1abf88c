// Builds the application and what runs beside it, unless the last build was of the same sources: `npm run build`.
import { build, npmPackages } from "./lib/prepare.mjs";
import { main } from "./lib/steps.mjs";

await main(async () => {
  await npmPackages();
  await build();
});
