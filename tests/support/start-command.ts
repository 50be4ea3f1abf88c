import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { freePort } from "./running-server";

/** A data folder for one test. */
export function newFolder(): string {
  return mkdtempSync(path.join(tmpdir(), "unzo-data-"));
}

export function removeFolder(folder: string): void {
  rmSync(folder, { recursive: true, force: true });
}

/** A command of the project (`scripts/NAME.mjs`) that runs in a folder; what it says is kept. */
export class Command {
  said = "";
  readonly process: ChildProcess;
  private constructor(
    readonly folder: string,
    readonly port: number,
    script: string,
    args: readonly string[],
    env: Record<string, string>,
  ) {
    // The database of the tests is not the one that is meant.
    const { UNZO_DATABASE_URL: _, ...inherited } = process.env;
    this.process = spawn(process.execPath, [`scripts/${script}.mjs`, ...args], {
      env: { ...inherited, UNZO_DATA: folder, PORT: String(port), ...env },
      stdio: ["ignore", "pipe", "pipe"],
    });
    for (const out of [this.process.stdout!, this.process.stderr!]) out.on("data", (d) => (this.said += String(d)));
  }

  static async begin(
    folder: string,
    script = "start",
    args: readonly string[] = [],
    env: Record<string, string> = {},
  ): Promise<Command> {
    return new Command(folder, await freePort(), script, args, env);
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Waits until it has said something; throws with all it said when it ends before, or after a minute. */
  async says(words: RegExp): Promise<void> {
    for (let i = 0; i < 1200; i++) {
      if (words.test(this.said)) return;
      if (this.process.exitCode !== null || this.process.signalCode !== null) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error(`It did not say ${words}:\n${this.said}`);
  }

  ready(): Promise<void> {
    return this.says(/Data and logs/);
  }

  async ended(): Promise<number> {
    if (this.process.exitCode === null && this.process.signalCode === null) await once(this.process, "exit");
    return this.process.exitCode ?? -1;
  }

  async stop(): Promise<number> {
    this.process.kill("SIGTERM");
    return this.ended();
  }
}

/** Processes that have to do with a folder, by their command line or their environment. */
export function processesOn(folder: string): { pid: number; command: string }[] {
  return readdirSync("/proc")
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((name) => {
      try {
        const command = readFileSync(`/proc/${name}/cmdline`, "utf8").replaceAll("\0", " ");
        const environment = readFileSync(`/proc/${name}/environ`, "utf8");
        return command !== "" && (command.includes(folder) || environment.includes(folder))
          ? [{ pid: Number(name), command }]
          : [];
      } catch {
        return [];
      }
    });
}
