// Output of what runs, in files that do not grow without end.
import { createWriteStream, mkdirSync, renameSync, rmSync, statSync } from "node:fs";
import path from "node:path";

const MOST_BYTES = 5_000_000;
const KEPT = 5;

/** A log file in the folder: `write` adds to it; when it is full it becomes `.1`, and the oldest goes. */
export function rotatedLog(folder, name) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = path.join(folder, `${name}.log`);
  let size = sizeOf(file);
  let stream = createWriteStream(file, { flags: "a", mode: 0o600 });
  // A log that cannot be written, as on a full disk, must not end what it is about.
  const quiet = () => stream.on("error", () => {});
  quiet();
  const rotate = () => {
    stream.end();
    rmSync(`${file}.${KEPT}`, { force: true });
    for (let i = KEPT - 1; i >= 0; i--) move(i === 0 ? file : `${file}.${i}`, `${file}.${i + 1}`);
    stream = createWriteStream(file, { flags: "a", mode: 0o600 });
    quiet();
    size = 0;
  };
  return {
    file,
    write(data) {
      if (size > MOST_BYTES) rotate();
      size += data.length;
      stream.write(data);
    },
    take(child) {
      child.stdout?.on("data", (d) => this.write(d));
      child.stderr?.on("data", (d) => this.write(d));
    },
  };
}

function sizeOf(file) {
  try {
    return statSync(file).size;
  } catch {
    return 0;
  }
}

function move(from, to) {
  try {
    renameSync(from, to);
  } catch {
    // That one is not there yet.
  }
}
