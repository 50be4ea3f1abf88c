import type { Machine } from "../../src/core/model";
import type { Reading } from "../../src/core/quantity";
import type { Test } from "../../src/core/simulate";
import { runSpice } from "../support/ngspice";
import { leadsOn, OHMMETER, ohmsIn, readingsAt } from "./ohmmeter";
import { CLAMP, jammedBy, netlistOf, POLE_OHMS, type UnitInSpice } from "./spice-machine";

/** What the controllers of a unit do in a setup, and what its faces show: written down, not worked out. */
export interface StateTable {
  readonly on: Readonly<Record<string, readonly string[]>>;
  /** The same the moment before an earth-leakage breaker tripped; only where it does. */
  readonly before?: Readonly<Record<string, readonly string[]>>;
  readonly shows: Readonly<Record<string, string>>;
}

/** Share of its volts from which on a load works, and a motor for direct current turns; common practice, no source. */
const WORKS = 0.7;
const TURNS = 0.3;

/** A unit that a circuit simulator is: what a meter and an eye find on it. */
export class SpiceUnit {
  private readonly seen = new Map<string, Map<string, Wave>>();
  /** How many times the simulator ran. */
  runs = 0;
  constructor(
    readonly machine: Machine,
    private readonly fault: { readonly part: string; readonly mode: string },
    private readonly states: Readonly<Record<string, StateTable>>,
    private readonly noise: () => number,
    /** What the fault has broken besides, and a part that is bridged. */
    private readonly more: Pick<UnitInSpice, "led" | "bridged" | "lamp"> = {},
  ) {}

  /** What is read, with the meter's error as its manual has it: within one part in a hundred or two. */
  read(test: Test): Reading {
    const shown = this.exact(test);
    if (shown.kind !== "value") return shown;
    const [relative, absolute] = ERROR[test.function] ?? [0.01, 0.03];
    return { kind: "value", value: shown.value * (1 + relative * this.noise()) + absolute * this.noise() };
  }

  private exact(test: Test): Reading {
    if (test.function === "look") return { kind: "label", label: this.look(test.setup, test.red) };
    if (test.function === "ohms" || test.function === "continuity") {
      const ohms = this.ohms(test);
      if (test.function === "continuity") return { kind: "beep", beeps: ohms !== null && ohms < 30 };
      return ohms === null ? { kind: "overload" } : { kind: "value", value: ohms };
    }
    const clamp = this.machine.clamps.get(test.red);
    if (clamp) {
      const wave = this.run(test.setup, [], clamp.part).get("clamp")!;
      return { kind: "value", value: test.function === "dcclamp" ? wave.mean : alternating(wave) };
    }
    const [red, black] = [this.node(test.red), this.node(test.black!)];
    const wave = this.run(test.setup, [{ name: "m", red, black, ohms: test.function === "lowz" ? 3e3 : 1e7 }]).get(
      "m",
    )!;
    if (test.function === "lowz") return { kind: "value", value: Math.hypot(wave.mean, alternating(wave)) };
    return { kind: "value", value: test.function === "dcv" ? wave.mean : alternating(wave) };
  }

  private node(point: string): string {
    const found = this.machine.points.get(point);
    if (!found) throw new RangeError(`No point ${point}.`);
    return `n${found.node}`;
  }

  private netlist(setup: string, clamped?: string, isBefore = false) {
    const table = this.states[setup];
    return netlistOf(
      {
        ...this.unitIn(setup),
        on: (isBefore ? table?.before : undefined) ?? table?.on ?? {},
        isTripped: !isBefore && this.isTripped(setup),
        runs: Object.entries(table?.shows ?? {}).flatMap(([part, shown]) => (shown === "runs" ? [part] : [])),
      },
      clamped,
    );
  }

  private unitIn(setup: string) {
    return {
      machine: this.machine,
      setup: this.machine.setupById.get(setup)!,
      fault: this.fault,
      on: {},
      ...this.more,
    };
  }

  private readonly tripped = new Map<string, boolean>();

  /**
   * Whether the earth-leakage breaker has tripped: with its controllers as they were the moment before, three quarters of its rated current do not come back (IEC 61008-1, from memory).
   */
  private isTripped(setup: string): boolean {
    const known = this.tripped.get(setup);
    if (known !== undefined) return known;
    this.tripped.set(setup, false);
    const breaker = this.machine.parts.find((p) => p.kind.kind === "earth-leakage breaker");
    const { power } = this.machine.setupById.get(setup)!;
    if (!breaker || power !== "on") return false;
    const at = (name: string) => `n${breaker.nodeOf.get(name)}`;
    const meters = [
      { name: "out", red: at("line"), black: at("load-line"), ohms: 0 },
      { name: "back", red: at("load-neutral"), black: at("neutral"), ohms: 0 },
    ];
    const poles = this.run(setup, meters, undefined, true);
    const amps = (name: string) => poles.get(name)!.rms / POLE_OHMS;
    const { milliamps } = breaker.fields as unknown as { milliamps: number };
    const isOut = Math.abs(amps("out") - amps("back")) > (0.75 * milliamps) / 1000;
    this.tripped.set(setup, isOut);
    return isOut;
  }

  /** What an ohmmeter shows; null for overload. */
  private ohms(test: Test): number | null {
    const [red, black] = [this.node(test.red), this.node(test.black!)];
    if (red === black) return 0;
    this.runs++;
    const output = runSpice([
      ...this.netlist(test.setup).lines,
      ...OHMMETER,
      ...leadsOn(red, black, "m"),
      ".options gmin=1e-14 abstol=1e-14 itl1=2000",
      ".control",
      ...readingsAt([red]),
      "quit 0",
      ".endc",
      ".end",
    ]);
    return ohmsIn(output, 1)[0]!;
  }

  /** What voltmeters show between pairs of nodes, over the last two periods of a fifth of a second. */
  private run(
    setup: string,
    meters: readonly { readonly name: string; readonly red: string; readonly black: string; readonly ohms: number }[],
    clamped?: string,
    isBefore = false,
  ): Map<string, Wave> {
    const { lines, hertz } = this.netlist(setup, clamped, isBefore);
    const period = 1 / (hertz || 50);
    const end = 10 * period;
    const from = end - 2 * period;
    const measured = [...meters.map((m) => m.name), ...(clamped ? ["clamp"] : [])];
    const circuit = [
      ...lines,
      ...meters.flatMap(({ name, red, black, ohms }) => [
        ...(ohms > 0 && red !== black ? [`Rmeter${name} ${red} ${black} ${ohms}`] : []),
        `Bmeter${name} see${name} 0 V=v(${red})-v(${black})`,
      ]),
      ...(clamped ? [`Hclamp seeclamp 0 ${CLAMP} 1`] : []),
    ];
    if (hertz === 0) {
      // Nothing alternates: one operating point.
      this.runs++;
      const output = runSpice([
        ...circuit,
        ".control",
        "op",
        ...measured.map((n) => `print v(see${n})`),
        "quit 0",
        ".endc",
        ".end",
      ]);
      return new Map(
        measured.map((n) => {
          const mean = Number(new RegExp(`^v\\(see${n.toLowerCase()}\\) = (\\S+)`, "m").exec(output)?.[1] ?? NaN);
          if (!Number.isFinite(mean)) throw new Error(`ngspice printed no ${n}:\n${output.slice(0, 2000)}`);
          return [n, { mean, rms: Math.abs(mean) }];
        }),
      );
    }
    const transient = [
      `.tran ${period / 100} ${end} 0 ${period / 60}`,
      ...measured.flatMap((n) => [
        `.meas tran mean_${n} AVG v(see${n}) from=${from} to=${end}`,
        `.meas tran rms_${n} RMS v(see${n}) from=${from} to=${end}`,
      ]),
    ];
    for (const way of METHODS) {
      this.runs++;
      const waves = measuredIn(runSpice([...circuit, ...transient, `.options ${way}`, ".end"], ONE_RUN), measured);
      if (waves) return waves;
    }
    throw new Error(`ngspice came to no end in ${this.machine.file.id}, ${setup}.`);
  }

  /** What is seen or heard of a part: its face as written down, a load by the volts at it. */
  private look(setup: string, id: string): string {
    const part = this.machine.partById.get(id)!;
    const written = this.states[setup]?.shows[id];
    if (written !== undefined) return written;
    // What leaks to the case runs all the same.
    const broken = [this.fault, ...(this.more.led ?? [])].find((f) => f.part === id && f.mode !== "to-case");
    const own = broken?.mode ?? null;
    const f = part.fields as unknown as Readonly<Record<string, unknown>>;
    // Locked off and uncoupled, each is turned by itself: whoever is broken is the one that does not turn.
    const { power, feeds } = this.machine.setupById.get(setup)!;
    if (power === "off" && feeds.length === 0 && ["motor", "capacitor motor", "driven"].includes(part.kind.kind))
      return own === "seized" || own === "drags" ? "stuck or drags" : "turns freely";
    if (part.kind.kind === "driven")
      return own === null && this.look(setup, String(f["by"])) === f["when"] ? "moves" : "stands";
    const mode = own ?? jammedBy(this.unitIn(setup), id);
    const waves = this.looks(setup);
    const across = waves.get(id)!;
    const isDc = f["current"] === "dc" || ["dc fan", "buzzer", "led", "payment input"].includes(part.kind.kind);
    const volts = isDc ? Math.abs(across.mean) : alternating(across);
    if (part.kind.kind === "earth-leakage breaker") return this.isTripped(setup) ? "trips" : "holds";
    const made = Number(f["volts"] ?? f["coilVolts"]);
    const works = volts >= (part.kind.kind === "motor" && isDc ? TURNS : WORKS) * made;
    if (part.kind.kind === "three-phase motor")
      return onThreeLines(
        [across, waves.get(`${id}2`)!, waves.get(`${id}3`)!].map((w) => alternating(w) / made),
        mode,
      );
    // A bolt finds no hole while its door stands open.
    if (part.kind.kind === "door lock" && this.machine.setupById.get(setup)!.openDoors.includes(String(f["door"])))
      return "free";
    return labelOf(part.kind.kind, works, mode, isDc && across.mean < 0, waves.get(`${id}2`), made);
  }

  /** Direct volts at the rail of a controller. */
  rail(setup: string, controller: string): number {
    return this.looks(setup).get(controller)!.mean;
  }

  /** The volts at every load of a setup and at the rails of its controllers, from one run without a meter. */
  private looks(setup: string): Map<string, Wave> {
    const known = this.seen.get(setup);
    if (known) return known;
    const meters = this.machine.parts.flatMap((part) => {
      if (!part.kind.observed?.look && part.kind.kind !== "controller") return [];
      const nodes = [...part.nodeOf.entries()];
      if (nodes.length < 2) return [];
      const at = (name: string) => `n${part.nodeOf.get(name)}`;
      if (part.kind.kind === "three-phase motor")
        return [
          { name: part.id, red: at("u"), black: at("v"), ohms: 0 },
          { name: `${part.id}2`, red: at("v"), black: at("w"), ohms: 0 },
          { name: `${part.id}3`, red: at("w"), black: at("u"), ohms: 0 },
        ];
      if (part.kind.kind === "capacitor motor")
        return [
          { name: part.id, red: at("main"), black: at("common"), ohms: 0 },
          { name: `${part.id}2`, red: at("start"), black: at("common"), ohms: 0 },
        ];
      return [{ name: part.id, red: `n${nodes[0]![1]}`, black: `n${nodes[1]![1]}`, ohms: 0 }];
    });
    const renamed = meters.map((m, i) => ({ ...m, name: `l${i}` }));
    const waves = this.run(setup, renamed);
    const found = new Map(meters.map((m, i) => [m.name, waves.get(`l${i}`)!]));
    this.seen.set(setup, found);
    return found;
  }
}

/** Ways of integrating, tried in this order: a circuit of switches and junctions stops one here, another there. */
const METHODS = [
  "reltol=3e-3 abstol=1e-9",
  "reltol=5e-3 abstol=1e-7 vntol=1e-4 trtol=7",
  "reltol=3e-3",
  "method=gear reltol=2e-3 maxord=2 trtol=20 chgtol=1e-12 abstol=1e-8 vntol=1e-4",
];

/** Seconds of a processor after which a run that creeps is given up for the next way; one that goes takes a tenth. */
const ONE_RUN = 2;

/** What was measured under these names; null when the simulator stopped before. */
function measuredIn(output: string, names: readonly string[]): Map<string, Wave> | null {
  const found = new Map<string, Wave>();
  for (const n of names) {
    const one = (kind: string) =>
      Number(new RegExp(`^${kind}_${n.toLowerCase()}\\s*=\\s*(\\S+)`, "m").exec(output)?.[1] ?? NaN);
    const wave = { mean: one("mean"), rms: one("rms") };
    if (!Number.isFinite(wave.mean) || !Number.isFinite(wave.rms)) return null;
    found.set(n, wave);
  }
  return found;
}

interface Wave {
  readonly mean: number;
  readonly rms: number;
}
const alternating = ({ mean, rms }: Wave) => Math.sqrt(Math.max(0, rms * rms - mean * mean));

/** Relative and absolute error of the meter in hand, two of which it never exceeds. */
const ERROR: Readonly<Record<string, readonly [number, number]>> = {
  dcv: [0.005, 0.01],
  acv: [0.01, 0.2],
  lowz: [0.015, 0.4],
  ohms: [0.008, 0.08],
  clamp: [0.02, 0.02],
  dcclamp: [0.02, 0.002],
};

/** What a three-phase motor does by its volts between its leads: on two lines there is no turning field. */
function onThreeLines(shares: readonly number[], mode: string | null): string {
  if (Math.max(...shares) < 0.5) return "still";
  return Math.min(...shares) > WORKS && mode === null ? "turns" : "hums";
}

/** The word for what a load does, by its volts and what is broken in it. */
function labelOf(
  kind: string,
  works: boolean,
  mode: string | null,
  isBackwards: boolean,
  second: Wave | undefined,
  volts: number,
): string {
  const word = (on: string, off: string) => (works && mode === null ? on : off);
  switch (kind) {
    case "motor": {
      // What worn brushes let through moves and shakes nothing.
      if (!works || mode === "open" || mode === "brushes-worn") return "still";
      if (mode === "seized") return "hums";
      return isBackwards ? "turns backwards" : "turns";
    }
    case "contactor":
      return word("pulled in", "at rest");
    case "capacitor motor": {
      const other = second ? second.rms / volts : 0;
      if (!works && other < WORKS) return "still";
      if (mode !== null || other < 0.3) return "hums";
      if (works && other > 0.97) return "hums";
      return works && other < 0.97 ? "turns" : "turns backwards";
    }
    case "fan":
    case "dc fan":
      return word("runs", "silent");
    case "pump":
      return works && mode === "jammed" ? "hums" : word("pumps", "silent");
    case "compressor":
      return works && (mode === "locked" || mode === "start-open") ? "hums" : word("runs", "silent");
    case "valve":
      return mode === "stuck-open" ? "flows" : word("flows", "shut");
    case "solenoid":
      return word("pulls", "rests");
    case "lamp":
      return word("bright", "dark");
    case "led":
    case "payment input":
      return word("lit", "dark");
    case "buzzer":
      return word("sounds", "silent");
    case "door lock":
      return word("locked", "free");
    case "gas valve coil":
      return word("flame", "no flame");
    default:
      throw new RangeError(`Nobody says what is seen of a ${kind}.`);
  }
}
