import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { FaultDictionary } from "../src/core/diagnose";
import { ORDINARY_METER } from "../src/core/instrument";
import { type Machine, readMachineYaml } from "../src/core/model";
import { blockMachine } from "./block-machine";

/** Boards of the made-up machines: a dozen parts and more on each, see `blockMachine`. */
const SIZES = [1, 2, 4, 8];

/** One dictionary, built in a process of its own. */
export interface Built {
  readonly machine: string;
  readonly parts: number;
  readonly nodes: number;
  readonly hypotheses: number;
  readonly setups: number;
  readonly tests: number;
  /** How often it was brought into a setup, of how many samples in all. */
  readonly broughtAbout: number;
  readonly samples: number;
  readonly cpuSeconds: number;
  /** Megabytes at the peak, beyond what the program takes before. */
  readonly megabytes: number;
}

const folder = new URL("../machines/", import.meta.url);
const nameOf = (boards: number) => `${boards} boards of blocks`;

function machineOf(name: string): Machine {
  const boards = SIZES.find((b) => nameOf(b) === name);
  if (boards !== undefined) return blockMachine(boards);
  return readMachineYaml(readFileSync(new URL(`${name}.yaml`, folder), "utf8"), name).machine;
}

function buildOne(name: string): Built {
  const machine = machineOf(name);
  const before = process.resourceUsage().maxRSS;
  const from = process.cpuUsage();
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  const { user, system } = process.cpuUsage(from);
  const samples = dictionary.logWeights.reduce((sum, w) => sum + w.length, 0);
  return {
    machine: name,
    parts: machine.file.parts.length,
    nodes: machine.nets.length,
    hypotheses: dictionary.hypotheses.length,
    setups: machine.file.setups.length,
    tests: dictionary.candidates.length,
    broughtAbout: dictionary.broughtAbout,
    samples: samples * machine.file.setups.length,
    cpuSeconds: (user + system) / 1e6,
    megabytes: (process.resourceUsage().maxRSS - before) / 1000,
  };
}

/** Every shipped machine, and made-up ones of growing size. */
export function benchDictionaries(say: (words: string) => void): readonly Built[] {
  const shipped = readdirSync(folder)
    .filter((n) => n.endsWith(".yaml"))
    .map((n) => n.replace(".yaml", ""));
  return [...shipped, ...SIZES.map(nameOf)].map((name) => {
    say(name);
    const out = execFileSync(process.execPath, ["--import", "tsx", fileURLToPath(import.meta.url), name], {
      encoding: "utf8",
    });
    return JSON.parse(out) as Built;
  });
}

/** By which power of the number of parts a cost grows from one size of the made-up machines to the next. */
export function growth(built: readonly Built[], cost: (b: Built) => number): readonly number[] {
  const sizes = built.filter((b) => SIZES.some((s) => nameOf(s) === b.machine));
  return sizes.slice(1).map((b, i) => Math.log(cost(b) / cost(sizes[i]!)) / Math.log(b.parts / sizes[i]!.parts));
}

if (process.argv[1] === fileURLToPath(import.meta.url)) console.log(JSON.stringify(buildOne(process.argv[2]!)));
