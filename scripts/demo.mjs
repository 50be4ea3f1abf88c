// Starts Unzo with the demo data: `npm run demo`, and `npm run demo -- --fresh` to begin anew.
import { spawn } from "node:child_process";
import path from "node:path";
import { portIsFree, startMariadb } from "./lib/mariadb.mjs";
import { build, debianPackages, npmPackages } from "./lib/prepare.mjs";
import { main, root, run, say, Stop } from "./lib/steps.mjs";

const PORT = Number(process.env.PORT ?? 4780);

await main(async () => {
  const unknown = process.argv.slice(2).filter((a) => a !== "--fresh");
  if (unknown.length > 0) throw new Stop(`npm run demo knows --fresh only, not ${unknown.join(" ")}.`);
  if (!(await portIsFree(PORT))) throw new Stop(`Port ${PORT} is in use; perhaps Unzo runs already. Stop it, or start with another: PORT=4781 npm run demo`);
  await debianPackages("database");
  await npmPackages();
  await build();

  const database = await startMariadb(path.join(root, ".unzo/demo"), { fresh: process.argv.includes("--fresh") });
  let app = null;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    say("Stopping");
    app?.kill("SIGTERM");
    await database.stop();
    process.exit(code);
  };
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stop(0));
  try {
    say("Bringing tables and demo data up to date");
    await run("npx", ["tsx", "scripts/prepare-database.ts", "--demo"], { env: { UNZO_DATABASE_URL: database.url } });
    app = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(PORT)], {
      cwd: root, env: { ...process.env, NODE_ENV: "production", UNZO_DATABASE_URL: database.url, NEXT_TELEMETRY_DISABLED: "1" }, stdio: ["ignore", "ignore", "inherit"], detached: true,
    });
    app.on("exit", (code) => void stop(code ?? 1));
    await answering(`http://127.0.0.1:${PORT}/api/health`);
    say(`Unzo is at http://127.0.0.1:${PORT}  (Ctrl-C stops it)`);
  } catch (error) {
    process.stderr.write(`\n${error.message}\n`);
    await stop(1);
  }
});

async function answering(url) {
  for (let tries = 0; tries < 120; tries++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch { /* not yet */ }
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Stop("The application did not answer within half a minute.");
}
