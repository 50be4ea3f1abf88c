// Measures and prints: npm run bench; npm run bench -- load for the server alone; npm run bench -- --json for one
// JSON document.
import { build, debianPackages, npmPackages } from "./lib/prepare.mjs";
import { main, root } from "./lib/steps.mjs";
import { spawn } from "node:child_process";

await main(async () => {
  const json = process.argv.includes("--json");
  // With --json nothing but the document may reach the output.
  const write = process.stdout.write.bind(process.stdout);
  if (json) process.stdout.write = () => true;
  const load = ["load", "find"].some((name) => process.argv.includes(name));
  await debianPackages("circuits", ...(load ? ["database"] : []));
  await npmPackages();
  if (load) await build();
  if (json) process.stdout.write = write;
  await new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ["--import", "tsx", "bench/bench.ts", ...process.argv.slice(2)], {
      cwd: root,
      stdio: "inherit",
    });
    child.on("close", (code) => (code === 0 ? resolve() : reject(new Error(`the bench ended with ${code}`))));
  });
});
