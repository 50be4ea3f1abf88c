// What every script here needs: say what is being done, run a program, end with one clear sentence and nothing left
// running.
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

/** The project's folder, from wherever this file runs: as it stands, or bundled. */
export const root = projectOf(path.dirname(fileURLToPath(import.meta.url)));

function projectOf(folder) {
  return existsSync(path.join(folder, "package.json")) ? folder : projectOf(path.dirname(folder));
}

/** Ends the script with a sentence that says what is missing and what to do. */
export class Stop extends Error {}

const started = Date.now();
export function say(text) {
  const seconds = ((Date.now() - started) / 1000).toFixed(0).padStart(4);
  process.stdout.write(`${seconds} s  ${text}\n`);
}

/** Programs that are running, each the leader of a process group of its own: what it started ends with it. */
const running = new Set();

/** Starts a program in a group of its own, so that a signal reaches all of it, and only by us. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: root, ...options, detached: true });
  running.add(child);
  child.on("close", () => running.delete(child));
  child.on("error", () => running.delete(child));
  return child;
}

/** Sends a signal to a program and all that it started. */
export function signal(child, name) {
  try {
    process.kill(-child.pid, name);
  } catch {
    // It has ended already.
  }
}

/** Runs a program to its end. Output is shown only when it fails, or always with `show`. */
export function run(command, args, { show = false, env = {}, cwd = root, input } = {}) {
  return new Promise((resolve, reject) => {
    const stdio = show ? ["ignore", "inherit", "inherit"] : [input === undefined ? "ignore" : "pipe", "pipe", "pipe"];
    const child = start(command, args, { cwd, env: { ...process.env, ...env }, stdio });
    let output = "";
    child.stdout?.on("data", (d) => (output += d));
    child.stderr?.on("data", (d) => (output += d));
    child.stdin?.on("error", () => {});
    child.stdin?.end(input);
    child.on("error", (error) => reject(new Stop(`${command} could not be started: ${error.message}.`)));
    child.on("close", (code) => {
      if (code === 0) return resolve(output);
      const what = `${path.basename(command)} ${args.slice(0, 3).join(" ")} failed.\n${output.slice(-4000)}`;
      reject(Object.assign(new Stop(what), { code, output }));
    });
  });
}

/** Where a program is, or null. */
export function which(program) {
  for (const folder of [...(process.env.PATH ?? "").split(":"), "/usr/sbin", "/usr/bin", "/sbin"]) {
    const file = path.join(folder, program);
    if (existsSync(file)) return file;
  }
  return null;
}

/** A hash over files and folders, to see whether something has to be done again. */
export function fingerprint(entries) {
  const hash = createHash("sha256");
  const visit = (entry) => {
    const full = path.join(root, entry);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) visit(path.join(entry, name));
    } else hash.update(entry).update(readFileSync(full));
  };
  entries.forEach(visit);
  return hash.digest("hex");
}

/** What is done before the script ends by a signal: the newest first. */
const endings = [];
let ending = null;

/** Names something to be done before the script ends by a signal. */
export function onEnd(work) {
  endings.unshift(work);
}

/** Does what was named by `onEnd`, then ends whatever is still running. A second signal does not wait. */
export function end(code) {
  if (ending) {
    for (const child of running) signal(child, "SIGKILL");
    process.exit(code);
  }
  ending = (async () => {
    for (const work of endings) await Promise.resolve(work()).catch(() => {});
    for (const child of running) signal(child, "SIGTERM");
    for (let i = 0; i < 50 && running.size > 0; i++) await new Promise((resolve) => setTimeout(resolve, 100));
    for (const child of running) signal(child, "SIGKILL");
    process.exit(code);
  })();
  return ending;
}

/** Runs the script's main function; a Stop becomes one sentence, anything else a stack. */
export async function main(body) {
  for (const [name, code] of [
    ["SIGINT", 130],
    ["SIGTERM", 143],
    ["SIGHUP", 129],
  ])
    process.on(name, () => void end(code));
  try {
    const major = Number(process.versions.node.split(".")[0]);
    if (major < 20)
      throw new Stop(
        `Unzo needs Node 20 or newer; this is ${process.versions.node}. Install a newer Node and start again.`,
      );
    await body();
  } catch (error) {
    if (ending) return;
    process.stderr.write(error instanceof Stop ? `\n${error.message}\n` : `\n${error?.stack ?? error}\n`);
    await end(1);
  }
}
