// What every script here needs: say what is being done, run a program, end with one clear sentence.
import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), "../..");

/** Ends the script with a sentence that says what is missing and what to do. */
export class Stop extends Error {}

const started = Date.now();
export function say(text) {
  const seconds = ((Date.now() - started) / 1000).toFixed(0).padStart(4);
  process.stdout.write(`${seconds} s  ${text}\n`);
}

/** Runs a program to its end. Output is shown only when it fails, or always with `show`. */
export function run(command, args, { show = false, env = {}, cwd = root } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: show ? "inherit" : ["ignore", "pipe", "pipe"],
    });
    let output = "";
    child.stdout?.on("data", (d) => {
      output += d;
    });
    child.stderr?.on("data", (d) => {
      output += d;
    });
    child.on("error", (error) => reject(new Stop(`${command} could not be started: ${error.message}.`)));
    child.on("close", (code) =>
      code === 0
        ? resolve(output)
        : reject(
            Object.assign(new Stop(`${command} ${args.slice(0, 3).join(" ")} failed.\n${output.slice(-4000)}`), {
              code,
              output,
            }),
          ),
    );
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

/** Runs the script's main function; a Stop becomes one sentence, anything else a stack. */
export async function main(body) {
  try {
    const major = Number(process.versions.node.split(".")[0]);
    if (major < 20)
      throw new Stop(
        `Unzo needs Node 20 or newer; this is ${process.versions.node}. Install a newer Node and start again.`,
      );
    await body();
  } catch (error) {
    process.stderr.write(error instanceof Stop ? `\n${error.message}\n` : `\n${error?.stack ?? error}\n`);
    process.exitCode = 1;
  }
}
