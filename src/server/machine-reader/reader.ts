import type { ChildProcess } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { MachineFile, PlacedProblem } from "../../core/model";
import { RefusedMachine } from "../machines";
import { Refusal } from "../refusal";
import { say } from "#words/server/machine-reader";

/** So long a file may keep the reader at work, milliseconds of its own, and so much memory it may take, megabytes. */
const MOST_TIME = 1700;
/** So long it may take in all: beside other work a reader waits more than it works. */
const MOST_WAIT = 15_000;
const LOOK_EVERY = 200;
const MOST_MEMORY = 256;
/** Files that may wait for the reader. */
const MOST_WAITING = 50;

interface Child {
  readonly process: ChildProcess;
  readonly ready: Promise<void>;
}
interface Reply {
  readonly id?: number;
  readonly ready?: true;
  readonly file?: MachineFile;
  readonly problems?: readonly PlacedProblem[];
  readonly fault?: string;
}

const shelf = globalThis as {
  unzoReader?: { child: Child | null; last: Promise<unknown>; waiting: number; id: number };
};
const reader = (shelf.unzoReader ??= { child: null, last: Promise.resolve(), waiting: 0, id: 0 });

/**
 * Reads the text of a machine file in the warm child process, one at a time. Throws a `RefusedMachine` with what is
 * wrong, or a
 * `Refusal` for a file that takes too long or too much.
 */
export async function readMachineText(text: string, name: string): Promise<MachineFile> {
  if (reader.waiting >= MOST_WAITING) throw new Refusal(503, say.tooManyFilesWaitTo, true);
  reader.waiting++;
  const turn = reader.last.then(
    () => readNow(text, name),
    () => readNow(text, name),
  );
  reader.last = turn.catch(() => {});
  try {
    return await turn;
  } finally {
    reader.waiting--;
  }
}

async function readNow(text: string, name: string): Promise<MachineFile> {
  const child = (reader.child ??= begin());
  await child.ready;
  const id = ++reader.id;
  const reply = await new Promise<Reply>((resolve) => {
    const done = (answer: Reply) => {
      clearInterval(timer);
      child.process.off("message", heard);
      child.process.off("exit", gone);
      resolve(answer);
    };
    const heard = (answer: Reply) => {
      if (answer.id === id) done(answer);
    };
    const gone = () => {
      if (reader.child === child) reader.child = null;
      done({});
    };
    const [begun, before] = [Date.now(), workOf(child.process.pid)];
    const timer = setInterval(() => {
      const waited = Date.now() - begun;
      const worked = before === null ? waited : (workOf(child.process.pid) ?? before) - before;
      if (worked < MOST_TIME && waited < MOST_WAIT) return;
      reader.child = null;
      child.process.kill("SIGKILL");
      done({});
    }, LOOK_EVERY);
    child.process.on("message", heard);
    child.process.on("exit", gone);
    child.process.send({ id, text, name });
  });
  // The next file finds a reader that is warm already.
  reader.child ??= begin();
  if (reply.file) return reply.file;
  if (reply.problems) throw new RefusedMachine(reply.problems);
  if (reply.fault) throw new Error(reply.fault);
  throw new Refusal(400, say.thisFileIsMadeSo);
}

/** What a process has worked so far, milliseconds (proc(5): fields 14 and 15, in hundredths); null where nobody tells. */
function workOf(pid: number | undefined): number | null {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ").at(-1)!.split(" ");
    return 10 * (Number(fields[11]) + Number(fields[12]));
  } catch {
    return null;
  }
}

function begin(): Child {
  const bundle = [process.cwd(), "build", "machine-reader.mjs"].join("/");
  if (!existsSync(bundle)) throw new Error(say.isMissingNpmRunBuild(bundle));
  const { fork } = createRequire(import.meta.url)("node:child_process") as typeof import("node:child_process");
  const child = fork(bundle, {
    execArgv: [`--max-old-space-size=${MOST_MEMORY}`],
    stdio: "ignore",
    // Nothing of the application's own settings is its business.
    env: { PATH: process.env.PATH ?? "", NODE_ENV: "production" },
  });
  child.unref();
  child.channel?.unref();
  const ready = new Promise<void>((resolve) => {
    child.once("message", () => resolve());
    child.once("exit", () => resolve());
    child.once("error", () => resolve());
  });
  return { process: child, ready };
}
