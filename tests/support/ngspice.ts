import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import type { TestNetlist } from "./netlists";

/** Node voltages by ngspice, leak as a resistor to ground at every node. Direct current, or phasors at 60 Hz. */
export function ngspice(netlist: TestNetlist, leak: number, alternating: boolean): { re: number[]; im: number[] } {
  const node = (n: number) => (n < 0 ? "0" : `n${n}`);
  const omega = 2 * Math.PI * 60;
  const lines = ["* check"];
  netlist.elements.forEach((e, i) => {
    const inner = e.volts === 0 ? node(e.a) : `s${i}`;
    if (e.volts !== 0) lines.push(`V${i} ${node(e.a)} s${i} ${alternating ? `dc 0 ac ${e.volts}` : `dc ${e.volts}`}`);
    lines.push(`R${i} ${inner} ${node(e.b)} ${(1 / e.g).toPrecision(17)}`);
    if (alternating && e.b_ > 0) lines.push(`C${i} ${inner} ${node(e.b)} ${(e.b_ / omega).toPrecision(17)}`);
    if (alternating && e.b_ < 0) lines.push(`L${i} ${inner} ${node(e.b)} ${(-1 / (omega * e.b_)).toPrecision(17)}`);
  });
  for (let n = 0; n < netlist.nodeCount; n++) lines.push(`RL${n} ${node(n)} 0 ${(1 / leak).toPrecision(17)}`);
  const nodes = Array.from({ length: netlist.nodeCount }, (_, n) => n);
  const prints = alternating
    ? nodes.map((n) => `print real(v(n${n})) imag(v(n${n}))`)
    : nodes.map((n) => `print v(n${n})`);
  lines.push(
    ".options gmin=1e-20 reltol=1e-9 abstol=1e-18 vntol=1e-12",
    ".control",
    "set numdgt=15",
    alternating ? "ac lin 1 60 60" : "op",
    ...prints,
    "quit 0",
    ".endc",
    ".end",
  );
  const output = runSpice(lines);
  const read = (label: string) => {
    const match = new RegExp(`^${label} = (\\S+)`, "m").exec(output);
    if (!match) throw new Error(`ngspice printed no ${label}:\n${output.slice(0, 2000)}`);
    return Number(match[1]);
  };
  return {
    re: nodes.map((n) => read(alternating ? `real\\(v\\(n${n}\\)\\)` : `v\\(n${n}\\)`)),
    im: nodes.map((n) => (alternating ? read(`imag\\(v\\(n${n}\\)\\)`) : 0)),
  };
}

/**
 * What ngspice prints for a file of these lines, run in a folder of its own; of one that takes more seconds of a
 * processor, what came. How busy the computer is otherwise changes nothing.
 */
export function runSpice(lines: readonly string[], seconds = 60): string {
  const folder = mkdtempSync(path.join(tmpdir(), "unzo-spice-"));
  try {
    const file = path.join(folder, "check.cir");
    writeFileSync(file, lines.join("\n"));
    return execFileSync("prlimit", [`--cpu=${seconds}`, "ngspice", "-b", file], {
      encoding: "utf8",
      stdio: ["ignore", "pipe", "pipe"],
    });
  } catch (error) {
    // It exits non-zero after a control run without plots; what it printed is what counts.
    return String((error as { stdout?: unknown }).stdout ?? "");
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
