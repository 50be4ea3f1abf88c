import { openFolder } from "./lib/folder.mjs";
import { startMariadb } from "./lib/mariadb.mjs";
import { run, start, signal, say, main, onEnd } from "./lib/steps.mjs";
await main(async () => {
  const held = openFolder("/tmp/e2e");
  onEnd(() => held.release());
  const database = await startMariadb(held, { fresh: true });
  const env = { UNZO_DATA: held.folder, UNZO_DATABASE_URL: database.url };
  await run(process.execPath, ["build/prepare-database.mjs", "--demo"], { env });
  const app = start(
    process.execPath,
    [...(process.env.PROF ? ["--cpu-prof", "--cpu-prof-dir=/tmp/prof"] : []), "build/server.mjs", "4790"],
    { env: { ...process.env, ...env, NODE_ENV: "production" }, stdio: ["ignore", "ignore", "inherit"] },
  );
  for (let i = 0; i < 120; i++) {
    if (
      await fetch("http://127.0.0.1:4790/api/health").then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    await new Promise((r) => setTimeout(r, 250));
  }
  try {
    await run("npx", ["playwright", "test", ...process.argv.slice(2)], {
      show: true,
      env: { ...env, UNZO_URL: "http://127.0.0.1:4790" },
    });
  } catch (e) {
    say(String(e));
  }
  signal(app, "SIGTERM");
  await new Promise((r) => setTimeout(r, 3000));
  await database.stop();
  held.release();
});
