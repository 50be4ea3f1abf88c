// Loaded before a server that is to live at another time: CLOCK_FILE holds by how many milliseconds its clock is ahead. It
// may be written while the server runs. The database keeps its own clock; the server hands it every moment that is kept.
import { readFileSync } from "node:fs";

const Real = Date;
let [ahead, readAt] = [0, -Infinity];

function now() {
  const here = performance.now();
  if (here - readAt > 10) {
    ahead = Number(readFileSync(process.env.CLOCK_FILE, "utf8")) || 0;
    readAt = here;
  }
  return Real.now() + ahead;
}

globalThis.Date = new Proxy(Real, {
  construct: (target, args, as) => Reflect.construct(target, args.length === 0 ? [now()] : args, as),
  apply: () => new Real(now()).toString(),
  get: (target, name) => (name === "now" ? now : Reflect.get(target, name)),
});
