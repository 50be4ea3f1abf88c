// Starts Unzo with the demo data: `npm run demo`, `npm run demo -- --fresh` to begin anew, `npm run demo -- --lan` for the workshop network.
import { spawn } from "node:child_process";
import path from "node:path";
import { portIsFree, startMariadb } from "./lib/mariadb.mjs";
import { build, debianPackages, npmPackages } from "./lib/prepare.mjs";
import { main, root, run, say, Stop } from "./lib/steps.mjs";

const PORT = Number(process.env.PORT ?? 4780);
const LAN_PORT = Number(process.env.LAN_PORT ?? 4743);
const KNOWN = ["--fresh", "--lan"];

await main(async () => {
  const unknown = process.argv.slice(2).filter((a) => !KNOWN.includes(a));
  if (unknown.length > 0) throw new Stop(`npm run demo knows ${KNOWN.join(" and ")}, not ${unknown.join(" ")}.`);
  const lan = process.argv.includes("--lan");
  if (lan && !(await portIsFree(LAN_PORT)))
    throw new Stop(`Port ${LAN_PORT} is in use. Take another: LAN_PORT=4744 npm run demo -- --lan`);
  if (!(await portIsFree(PORT)))
    throw new Stop(
      `Port ${PORT} is in use; perhaps Unzo runs already. Stop it, or start with another: PORT=4781 npm run demo`,
    );
  await debianPackages("database");
  await npmPackages();
  await build();

  const database = await startMariadb(path.join(root, ".unzo/demo"), { fresh: process.argv.includes("--fresh") });
  let app = null;
  let gate = null;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    say("Stopping");
    gate?.kill("SIGTERM");
    app?.kill("SIGTERM");
    await database.stop();
    process.exit(code);
  };
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stop(0));
  try {
    say("Bringing tables and demo data up to date");
    await run("npx", ["tsx", "scripts/prepare-database.ts", "--demo"], { env: { UNZO_DATABASE_URL: database.url } });
    app = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(PORT)], {
      cwd: root,
      env: {
        ...process.env,
        NODE_ENV: "production",
        UNZO_DATABASE_URL: database.url,
        UNZO_PHOTOS: path.join(root, ".unzo/demo-photos"),
        NEXT_TELEMETRY_DISABLED: "1",
      },
      stdio: ["ignore", "ignore", "inherit"],
      detached: true,
    });
    app.on("exit", (code) => void stop(code ?? 1));
    await answering(`http://127.0.0.1:${PORT}/api/health`);
    say(`Unzo is at http://127.0.0.1:${PORT}  (Ctrl-C stops it)`);
    if (lan) {
      gate = spawn(
        process.execPath,
        ["node_modules/tsx/dist/cli.mjs", "scripts/lan.ts", `http://127.0.0.1:${PORT}`, String(LAN_PORT)],
        { cwd: root, stdio: ["ignore", "inherit", "inherit"] },
      );
      gate.on("exit", (code) => void stop(code ?? 1));
    }
  } catch (error) {
    process.stderr.write(`\n${error.message}\n`);
    await stop(1);
  }
});

async function answering(url) {
  for (let tries = 0; tries < 120; tries++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch {
      /* not yet */
    }
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Stop("The application did not answer within half a minute.");
}
