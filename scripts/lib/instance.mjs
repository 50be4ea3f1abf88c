// A whole Unzo in one data folder: its database (private, or an existing one that is named), its tables, the
// application, and whoever watches over them.
import path from "node:path";
import { openFolder, processMark, writeWhole } from "./folder.mjs";
import { rotatedLog } from "./log.mjs";
import { portIsFree, startMariadb, stopOrphan } from "./mariadb.mjs";
import { build, debianPackages, npmPackages } from "./prepare.mjs";
import { onEnd, root, run, say, signal, start, Stop } from "./steps.mjs";
import { supervise } from "./supervise.mjs";

const PORT = Number(process.env.PORT ?? 4780);
const LAN_PORT = Number(process.env.LAN_PORT ?? 4743);

/** The data folder of a start: the one that `UNZO_DATA` names, or one of the project's own. */
export function dataFolder(name) {
  return path.resolve(process.env.UNZO_DATA ?? path.join(root, ".unzo", name));
}

/** Words after `--` that a command knows; throws a Stop for another one. */
export function flags(command, known) {
  const given = process.argv.slice(2);
  const unknown = given.filter((a) => !known.includes(a));
  if (unknown.length > 0) throw new Stop(`npm ${command} knows ${known.join(" and ")}, not ${unknown.join(" ")}.`);
  return Object.fromEntries(known.map((name) => [name.slice(2), given.includes(name)]));
}

/** Starts Unzo and watches over it until it is told to end. */
export async function runUnzo({ folder, demo, fresh, lan }) {
  if (lan && !(await portIsFree(LAN_PORT)))
    throw new Stop(`Port ${LAN_PORT} is in use. Take another: LAN_PORT=4744 npm start -- --lan`);
  const own = process.env.UNZO_DATABASE_URL === undefined;
  if (own) await debianPackages("database");
  else await debianPackages("client");
  await npmPackages();
  await build();

  const held = openFolder(folder);
  onEnd(() => held.release());
  await stopOrphan(path.join(folder, "application.json"), null, "An application that was left running");
  if (!(await portIsFree(PORT)))
    throw new Stop(`Port ${PORT} is in use by something else. Take another: PORT=4781 npm start`);
  held.mark({ port: PORT });

  let url = process.env.UNZO_DATABASE_URL;
  if (own) {
    let database = null;
    const guard = await supervise("The database", async () => {
      database = await startMariadb(held, { fresh: fresh && database === null });
      return database.child;
    });
    onEnd(() => guard.stop());
    url = database.url;
  }
  const env = { UNZO_DATABASE_URL: url, UNZO_DATA: folder, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" };
  say("Bringing the tables up to date");
  await run(process.execPath, ["build/prepare-database.mjs", ...(demo ? ["--demo", "--past"] : [])], { env });

  const log = rotatedLog(path.join(folder, "logs"), "application");
  const application = await supervise("The application", async () => {
    const args = ["build/server.mjs", String(PORT)];
    const child = start(process.execPath, args, { env: { ...process.env, ...env }, stdio: ["ignore", "pipe", "pipe"] });
    log.take(child);
    writeWhole(path.join(folder, "application.json"), JSON.stringify(processMark(child.pid, held.id)));
    await answering(`http://127.0.0.1:${PORT}/api/alive`, child);
    return child;
  });
  onEnd(() => application.stop());
  onEnd(() => say("Stopping"));
  say(`Unzo is at http://127.0.0.1:${PORT}  (Ctrl-C stops it)`);
  say(`Data and logs: ${folder}`);
  if (lan) {
    const args = ["build/lan.mjs", `http://127.0.0.1:${PORT}`, String(LAN_PORT)];
    const gate = await supervise("The gate to the workshop network", () =>
      Promise.resolve(
        start(process.execPath, args, {
          env: { ...process.env, UNZO_DATA: folder },
          stdio: ["ignore", "inherit", "inherit"],
        }),
      ),
    );
    onEnd(() => gate.stop());
  }
}

/** Waits until the application answers, or its process has ended. */
async function answering(url, child) {
  for (let tries = 0; tries < 240; tries++) {
    if (child.exitCode !== null || child.signalCode !== null) throw new Stop("The application ended while it started.");
    try {
      if ((await fetch(url, { signal: AbortSignal.timeout(2000) })).ok) return;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 125));
  }
  signal(child, "SIGKILL");
  throw new Stop("The application did not answer within half a minute.");
}
