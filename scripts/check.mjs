// The fast loop: types, lint and format of what was changed, and the tests that reach it. npm run check
import { execFileSync } from "node:child_process";
import { existsSync } from "node:fs";
import { main, root, run, say } from "./lib/steps.mjs";

const git = (...args) => execFileSync("git", args, { cwd: root, encoding: "utf8" }).split("\n").filter(Boolean);

await main(async () => {
  const staged = process.argv.includes("--staged");
  const changed = staged
    ? git("diff", "--cached", "--name-only", "--diff-filter=ACMR")
    : [...git("diff", "--name-only", "HEAD"), ...git("ls-files", "--others", "--exclude-standard")];
  const files = changed.filter((f) => existsSync(`${root}/${f}`));
  const code = files.filter((f) => /\.(ts|tsx|mjs)$/.test(f));
  if (files.length === 0) return say("Nothing has changed");
  say("types");
  const all = [run("npx", ["tsc", "--noEmit"], { show: true })];
  all.push(run("npx", ["prettier", "--check", "--ignore-unknown", ...files], { show: true }));
  if (code.length > 0) all.push(run("npx", ["eslint", ...code], { show: true }));
  await Promise.all(all);
  if (staged) return;
  say("tests");
  await run("npx", ["vitest", "run", "--changed", "--project", "core", "--passWithNoTests"], { show: true });
});
