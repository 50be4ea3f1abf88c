// Runs every check: npm test. Does all of its own set-up, and prints one line a runner at the end.
import { mkdirSync, readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { openFolder } from "./lib/folder.mjs";
import { portIsFree, startMariadb } from "./lib/mariadb.mjs";
import { build, debianPackages, npmPackages } from "./lib/prepare.mjs";
import { main, onEnd, root, run, say, signal, start, Stop } from "./lib/steps.mjs";

const results = path.join(root, "test-results");
const lines = [];
let failed = false;

/** Runs a check and goes on when it fails; the end of the script says so. */
async function check(name, command, args, env = {}) {
  say(name);
  try {
    await run(command, args, { show: true, env });
  } catch {
    failed = true;
    lines.push(`${name}: failed`);
  }
}

function tally(name, read) {
  try {
    const { passed, failures } = read();
    if (failures > 0 || passed === 0) failed = true;
    lines.push(`${name}: ${passed} passed, ${failures} failed`);
  } catch (error) {
    failed = true;
    lines.push(`${name}: 0 passed, 1 failed`);
    say(`${name} left no result: ${error.message}`);
  }
}

async function freePort(from) {
  for (let port = from; port < from + 50; port++) if (await portIsFree(port)) return port;
  throw new Stop(`No free port from ${from} to ${from + 50}.`);
}

await main(async () => {
  await debianPackages("database", "browser", "circuits");
  await npmPackages();
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });

  // Apart from the demo's instance, under another folder for every checkout's test run.
  const held = openFolder(path.join(root, ".unzo/test"));
  onEnd(() => held.release());
  let database = null;
  let app = null;
  const env = { UNZO_DATA: held.folder };
  const prepare = async () => {
    database = await startMariadb(held, { fresh: true });
    onEnd(() => database.stop());
    env.UNZO_DATABASE_URL = database.url;
    await run(process.execPath, ["build/prepare-database.mjs", "--demo"], { env });
  };
  try {
    // Side by side what does not need the build, and then what does: the types of the whole need the ones it writes.
    await Promise.all([
      check("types of core", "npx", ["tsc", "--noEmit", "-p", "src/core"])
        .then(() => check("lint", "npx", ["eslint", "."]))
        .then(() => check("format", "npx", ["prettier", "--check", ".", "--log-level", "warn"]))
        .then(() => check("nothing unused", "npx", ["knip"])),
      build().then(() => prepare().then(() => check("types", "npx", ["tsc", "--noEmit"]))),
    ]);
    const report = `--outputFile.json=${path.join(results, "vitest.json")}`;
    await check("vitest run", "npx", ["vitest", "run", "--reporter=default", "--reporter=json", report], env);

    const port = await freePort(4790);
    app = start(process.execPath, ["build/server.mjs", String(port)], {
      env: { ...process.env, ...env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
      stdio: ["ignore", "ignore", "inherit"],
    });
    const url = `http://127.0.0.1:${port}`;
    for (let tries = 0; tries < 120; tries++) {
      const ok = await fetch(`${url}/api/health`).then(
        (r) => r.ok,
        () => false,
      );
      if (ok) break;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    await check("playwright run", "npx", ["playwright", "test"], { ...env, UNZO_URL: url });
  } finally {
    if (app) signal(app, "SIGTERM");
    await database?.stop();
    held.release();
  }

  const json = (name) => JSON.parse(readFileSync(path.join(results, name), "utf8"));
  // A file that fails before its first test counts as one failure.
  tally("vitest", () => {
    const r = json("vitest.json");
    const broken = r.testResults.filter(
      (f) => f.status === "failed" && !f.assertionResults.some((a) => a.status === "failed"),
    ).length;
    return { passed: r.numPassedTests, failures: r.numFailedTests + broken };
  });
  tally("playwright", () => {
    const { stats } = json("playwright.json");
    return { passed: stats.expected, failures: stats.unexpected + stats.flaky };
  });
  process.stdout.write(`\n${lines.join("\n")}\n`);
  if (failed) process.exitCode = 1;
});
