// Keeps a program running: one that ends by itself is started anew, ever later while it keeps ending, and that is said.
import { say, signal } from "./steps.mjs";

const FIRST_WAIT = 250;
const LONGEST_WAIT = 8000;
/** A program that ran so long was well: the next wait is the first one again, milliseconds. */
const WELL_AFTER = 60_000;

/**
 * `begin` starts the program and answers with its process once it is ready; it may throw. `name` is what is said of
 * it. Answers when it runs for the first time, with how to stop it.
 */
export async function supervise(name, begin) {
  let stopping = false;
  let wait = FIRST_WAIT;
  let child = await begin();
  let since = Date.now();
  const again = async () => {
    if (stopping) return;
    if (Date.now() - since > WELL_AFTER) wait = FIRST_WAIT;
    say(`${name} ended by itself; it is started again`);
    await new Promise((resolve) => setTimeout(resolve, wait));
    wait = Math.min(LONGEST_WAIT, wait * 2);
    if (stopping) return;
    const lost = Date.now();
    try {
      child = await begin();
      since = Date.now();
      watch();
      say(`${name} runs again, after ${((Date.now() - lost) / 1000).toFixed(1)} s`);
    } catch (error) {
      say(`${name} could not be started: ${String(error.message).split("\n")[0]}`);
      void again();
    }
  };
  const watch = () => {
    if (child.exitCode !== null || child.signalCode !== null) return void again();
    child.once("exit", () => void again());
  };
  watch();
  return {
    /** The process as it is now. */
    get child() {
      return child;
    },
    async stop(ending = "SIGTERM") {
      stopping = true;
      if (child.exitCode !== null || child.signalCode !== null) return;
      const gone = new Promise((resolve) => child.once("exit", resolve));
      signal(child, ending);
      const late = setTimeout(() => signal(child, "SIGKILL"), 15_000);
      await gone;
      clearTimeout(late);
    },
  };
}
