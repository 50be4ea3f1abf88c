import type { Machine, SetupEntry } from "../../src/core/model";
import {
  BRIDGE,
  BRUSHLESS,
  FET,
  LINE_SIDE,
  MODELS,
  MODULE,
  RECTIFIER,
  REGULATOR,
  SECONDARY,
  SENSOR_OUT,
  SENSOR_RAIL,
  TRIAC,
} from "./spice-parts";

/**
 * A whole machine as a circuit simulator has it: the wiring of its file, and for every part a circuit of devices that
 * is written here and shares nothing with Unzo's own models. What the controllers do is not worked out: it is
 * given by a table that was made by running their programs with the same fault.
 * Values that a file does not say are from memory of data sheets of the usual sorts.
 */
export interface UnitInSpice {
  readonly machine: Machine;
  readonly setup: SetupEntry;
  /** What is broken: the part, and how. */
  readonly fault: { readonly part: string; readonly mode: string };
  /** What that has broken besides: a fuse it blew. */
  readonly led?: readonly { readonly part: string; readonly mode: string }[];
  /** By controller, the outputs that are on; one that is not named sleeps. */
  readonly on: Readonly<Record<string, readonly string[]>>;
  /** Whether its earth-leakage breaker is out. */
  readonly isTripped?: boolean;
  /** Engines that run. */
  readonly runs?: readonly string[];
  /** Two nodes between which somebody has clipped a lead. */
  readonly bridged?: readonly [number, number];
  /** A fuse in whose place there is a lamp, or a supply that limits, of so many ohms. */
  readonly lamp?: { readonly of: string; readonly ohms: number };
}

/** A conductor with a clamp around it: the part, whose first terminal goes through an ammeter. */
export const CLAMP = "Vclamped";

/** Ohms of a pole of a breaker. */
export const POLE_OHMS = 0.01;

type Fields = Readonly<Record<string, never>> & Readonly<Record<string, unknown>>;
const num = (f: Fields, key: string) => Number(f[key]);

/** Parts of one specimen lie a few per cent beside their print, each its own way. */
function spread(id: string): number {
  let hash = 7;
  for (const c of id) hash = (hash * 31 + c.charCodeAt(0)) % 1009;
  return 1 + 0.06 * (hash / 1009 - 0.5);
}

class Netlist {
  readonly lines: string[] = [];
  private count = 0;
  add(letter: string, nodes: string, rest: string | number): void {
    this.lines.push(`${letter}${this.count++} ${nodes} ${rest}`);
  }
  /** A node of its own. */
  inner(): string {
    return `x${this.count++}`;
  }
  /** An element whose current another one follows. */
  named(line: string): void {
    this.lines.push(line);
  }
  ohms(a: string, b: string, value: number): void {
    this.add("R", `${a} ${b}`, value);
  }
  diode(anode: string, cathode: string, model = "dsi"): void {
    this.add("D", `${anode} ${cathode}`, model);
  }
  /** A winding on alternating current: what it takes by its plate, at a power factor. */
  winding(a: string, b: string, volts: number, amps: number, factor: number, hertz: number): void {
    const z = volts / amps;
    const mid = this.inner();
    this.ohms(a, mid, z * factor);
    this.add("L", `${mid} ${b}`, (z * Math.sqrt(1 - factor * factor)) / (2 * Math.PI * hertz));
    // Its iron, which also keeps an open switch from chopping the current in no time at all.
    this.ohms(a, b, 40 * z);
  }
  /** A capacitor with its series resistance. */
  capacitor(a: string, b: string, farads: number, ohms = 0.05): void {
    const mid = this.inner();
    this.add("C", `${a} ${mid}`, farads);
    this.ohms(mid, b, ohms);
  }
  /** A contact that closes above `on` volts of a coil and opens below `off`. */
  contact(a: string, b: string, coil: readonly [string, string], on: number, off: number, ohms = 0.01): void {
    const [raw, control] = [this.inner(), this.inner()];
    this.add("B", `${raw} 0`, `V=abs(v(${coil[0]},${coil[1]}))`);
    this.ohms(raw, control, 1e3);
    this.add("C", `${control} 0`, "3u");
    // Closing takes the time that the coil takes: a switch in no time at all stops the simulator.
    const middle = (on + off) / 2;
    const closed = `1/(1+exp(max(-60,min(60,${30 / (on - off)}*(${middle}-v(${control}))))))`;
    this.add("B", `${a} ${b}`, `I=v(${a},${b})*(1e-10+${1 / ohms}*${closed})`);
  }
  /** The circuit of a part that nothing powers: `$name` is a terminal or a node of its own. */
  circuit(lines: readonly string[], nodes: ReadonlyMap<string, string>): void {
    const own = new Map<string, string>();
    for (const line of lines) {
      const [name, ...rest] = line.split(" ");
      const mapped = rest.map((r) => {
        if (!r.startsWith("$")) return r;
        const key = r.slice(1);
        if (nodes.has(key)) return nodes.get(key)!;
        if (!own.has(key)) own.set(key, this.inner());
        return own.get(key)!;
      });
      this.add(name![0]!, mapped.join(" "), "");
    }
  }
}

interface Ctx {
  readonly unit: UnitInSpice;
  readonly net: Netlist;
  readonly powered: boolean;
  readonly hertz: number;
  readonly volts: number;
}
interface Placed {
  readonly id: string;
  readonly kind: string;
  readonly f: Fields;
  readonly mode: string | null;
  readonly t: (terminal: string) => string;
  readonly k: number;
  readonly nodes: ReadonlyMap<string, string>;
}
/**
 * What drives a belt that drags stands as if it were seized itself, unless it is uncoupled; so does a compressor whose
 * start winding is fed through nothing.
 */
export function jammedBy({ machine, setup, fault }: UnitInSpice, motor: string): "seized" | "locked" | null {
  const start = machine.partById.get(motor)!.nodeOf.get("start");
  const broken = machine.partById.get(fault.part)!;
  if (start !== undefined && broken.kind.kind === "ptc" && fault.mode === "open")
    return [...broken.nodeOf.values()].includes(start) && !setup.good.includes(fault.part) ? "locked" : null;
  if (fault.mode !== "drags" || setup.good.includes(fault.part) || setup.lifted.includes(fault.part)) return null;
  const { by } = machine.partById.get(fault.part)!.fields as unknown as { readonly by: string };
  return by === motor ? "seized" : null;
}

const brokenBesides = ({ led = [], setup }: UnitInSpice, part: string): string | null =>
  setup.good.includes(part) ? null : (led.find((f) => f.part === part)?.mode ?? null);

/** An oxidised contact that still carries something, ohms; the tables of the controllers are for this one. */
export const RESISTIVE = 30;

type Emit = (ctx: Ctx, p: Placed) => void;

const isClosed = (resting: boolean, worked: boolean, mode: string | null): boolean =>
  mode === "stuck-closed" || mode === "jammed" || (mode !== "stuck-open" && mode !== "dead" && resting !== worked);
const contactOf =
  (worked: (ctx: Ctx, p: Placed) => boolean, resting: (f: Fields) => boolean = () => false): Emit =>
  (ctx, p) => {
    if (isClosed(resting(p.f), worked(ctx, p), p.mode)) ctx.net.ohms(p.t("a"), p.t("b"), 0.06);
  };
const roomOf = (ctx: Ctx, place: unknown): number => ctx.unit.setup.places[String(place)] ?? 23;

/** A coil or a small motor with two leads: its ohms when dead, what its plate says when it runs. */
const coil =
  (factor: number, stalled?: readonly [mode: string, times: number]): Emit =>
  ({ net, powered, hertz }, { f, mode, t, k }) => {
    if (mode === "open") return;
    const times = stalled && mode === stalled[0] ? stalled[1] : 1;
    if (!powered) net.ohms(t("a"), t("b"), num(f, "ohms") * k);
    else if (f["current"] === "dc") net.ohms(t("a"), t("b"), num(f, "volts") / (num(f, "amps") * times * k));
    else net.winding(t("a"), t("b"), num(f, "volts"), num(f, "amps") * times * k, factor, hertz || 50);
  };
const twoEnds =
  (ohms: (f: Fields, k: number) => number): Emit =>
  ({ net }, { f, mode, t, k }) => {
    if (mode === null) net.ohms(t("a"), t("b"), ohms(f, k));
    if (mode === "shorted") net.ohms(t("a"), t("b"), 0.5);
  };

const EMIT: Readonly<Record<string, Emit>> = {
  outlet: ({ net, volts, hertz, powered }, { mode, t }) => {
    if (!powered) return;
    const source = net.inner();
    net.add("V", `${source} 0`, `SIN(0 ${volts * Math.SQRT2} ${hertz})`);
    if (mode !== "dead") net.ohms(source, t("line"), 0.2);
    if (mode !== "neutral-open") net.ohms(t("neutral"), "0", 0.2);
    if (mode !== "earth-open") net.ohms(t("earth"), "0", 0.2);
  },
  "split outlet": ({ net, volts, hertz, powered }, { mode, t }) => {
    if (!powered) return;
    for (const [leg, phase] of [
      ["1", 0],
      ["2", 180],
    ] as const) {
      const source = net.inner();
      net.add("V", `${source} 0`, `SIN(0 ${(volts * Math.SQRT2) / 2} ${hertz} 0 0 ${phase})`);
      if (mode !== "dead" && mode !== `leg${leg}-lost`) net.ohms(source, t(`line${leg}`), 0.1);
    }
    if (mode !== "neutral-lost") net.ohms(t("neutral"), "0", 0.1);
    net.ohms(t("earth"), "0", 0.1);
  },
  // Three sources a third of a turn apart, joined where the house earths its neutral.
  "three-phase outlet": ({ net, volts, hertz, powered }, { mode, t }) => {
    if (!powered) return;
    for (const n of [1, 2, 3]) {
      const source = net.inner();
      net.add("V", `${source} 0`, `SIN(0 ${(volts * Math.SQRT2) / Math.sqrt(3)} ${hertz} 0 0 ${-120 * (n - 1)})`);
      if (mode !== "dead" && mode !== `line${n}-lost`) net.ohms(source, t(`line${n}`), 0.2);
    }
    if (mode !== "neutral-lost") net.ohms(t("neutral"), "0", 0.1);
    if (mode !== "earth-open") net.ohms(t("earth"), "0", 0.1);
  },
  "low-voltage feed": ({ net, powered, hertz }, { f, mode, t, k }) => {
    if (!powered || mode === "dead") return;
    const inner = net.inner();
    const volts = num(f, "volts") * (1 + (k - 1) / 3);
    const wave = f["current"] === "dc" ? volts : `SIN(0 ${volts * Math.SQRT2} ${hertz})`;
    net.add("V", `${inner} ${t("minus")}`, wave);
    net.ohms(inner, t("plus"), (mode === "weak" ? 2 : 0.08) * (num(f, "volts") / num(f, "amps")));
  },
  battery: ({ net, powered }, { f, mode, t, k }) => {
    if (!powered || mode === "open") return;
    const inner = net.inner();
    net.add("V", `${inner} ${t("minus")}`, num(f, "volts") * (mode === "flat" ? 0.55 : 1 + (k - 1) / 3));
    net.ohms(inner, t("plus"), num(f, "ohms") * (mode === "weak" ? 25 : 1));
  },
  cord: ({ net }, { mode, t }) => {
    for (const core of ["line", "neutral", "earth"])
      if (mode !== `${core}-open`) net.ohms(t(`${core}-pin`), t(core), 0.05);
  },
  breaker: ({ net }, { mode, t, nodes }) => {
    for (const n of [1, 2])
      if (nodes.has(`line${n}`) && mode !== "tripped" && mode !== `pole${n}-open`)
        net.ohms(t(`line${n}`), t(`load${n}`), 0.01);
  },
  // An alternator: a regulated source behind the diodes of its rectifier, while the engine turns it.
  charger: ({ net, unit, powered }, { f, mode, t }) => {
    if (!powered || mode === "dead" || (unit.setup.levels[String(f["place"])] ?? 0) < 0.5) return;
    const source = net.inner();
    net.add("V", `${source} ${t("minus")}`, num(f, "volts") * (mode === "low" ? 0.89 : 1) + 0.8);
    net.diode(source, t("plus"), "dsi");
  },
  "earth-leakage breaker": ({ net, unit }, { mode, t }) => {
    if (unit.isTripped || mode === "trips-by-itself") return;
    if (mode !== "line-open") net.ohms(t("line"), t("load-line"), POLE_OHMS);
    if (mode !== "neutral-open") net.ohms(t("neutral"), t("load-neutral"), POLE_OHMS);
  },
  "line filter": ({ net, powered }, { mode, t }) => {
    if (mode !== "line-open") net.ohms(t("line-in"), t("line"), 0.2);
    if (mode !== "neutral-open") net.ohms(t("neutral-in"), t("neutral"), 0.2);
    net.ohms(t("line"), t("neutral"), mode === "shorted" ? 0.5 : 1e6);
    if (powered) net.add("C", `${t("line")} ${t("neutral")}`, 1e-7);
  },
  fuse: ({ net }, { f, mode, t }) => {
    // Cold ohms of quick fuses (IEC 60127-2, from memory).
    if (mode === null) net.ohms(t("a"), t("b"), Math.min(4, 0.13 / num(f, "amps")));
  },
  "thermal cut-off": (ctx, { f, mode, t }) => {
    if (mode !== "open" && roomOf(ctx, f["place"]) < num(f, "opensAbove")) ctx.net.ohms(t("a"), t("b"), 0.02);
  },
  thermostat: contactOf((ctx, p) => {
    const above = roomOf(ctx, p.f["place"]) > num(p.f, "celsius");
    return above === (p.f["closes"] === "above");
  }),
  "pressure switch": contactOf(
    (ctx, p) => (ctx.unit.setup.levels[String(p.f["place"])] ?? 0) > num(p.f, "above"),
    (f) => f["rests"] === "closed",
  ),
  "door switch": contactOf((ctx, p) => {
    const open = ctx.unit.setup.openDoors.includes(String(p.f["door"]));
    return (p.f["closedWhen"] === "door open") === open;
  }),
  switch: contactOf(
    (ctx, p) => ctx.unit.setup.made.includes(p.id),
    (f) => f["rests"] === "closed",
  ),
  "reed switch": contactOf(
    (ctx, p) => ctx.unit.setup.magnets.includes(String(p.f["place"])),
    (f) => f["rests"] === "closed",
  ),
  "coin input": contactOf((ctx, p) => ctx.unit.setup.made.includes(p.id)),
  keypad: (ctx, { f, mode, t }) => {
    for (const [key, [a, b]] of Object.entries(f["keys"] as unknown as Record<string, [string, string]>))
      if (mode === `${key}-stuck` || (mode !== `${key}-dead` && ctx.unit.setup.press.includes(key)))
        ctx.net.ohms(t(a), t(b), 60);
  },
  contact: (ctx, { f, mode, t }) => {
    if (mode === "open" || ctx.unit.setup.apart.includes(String(f["connector"]))) return;
    ctx.net.ohms(t("near"), t("far"), mode === "resistive" ? RESISTIVE : 0.008);
  },
  wire: (ctx, { id, mode, t }) => {
    if (mode !== "open" && !ctx.unit.setup.lifted.includes(id)) ctx.net.ohms(t("a"), t("b"), 0.03);
  },
  jumper: (ctx, { id, f, t }) => {
    if (ctx.unit.machine.rigsOf.get(ctx.unit.setup.id)?.has(id)) ctx.net.ohms(t("a"), t("b"), num(f, "ohms"));
  },
  "bench feed": (ctx, { id, f, t }) => {
    if (!ctx.unit.machine.rigsOf.get(ctx.unit.setup.id)?.has(id)) return;
    const inner = ctx.net.inner();
    ctx.net.add("V", `${inner} ${t("minus")}`, num(f, "volts"));
    ctx.net.ohms(inner, t("plus"), 0.05);
  },
  insulation: ({ net }, { mode, t }) => {
    if (mode === "rubbed-through") net.ohms(t("a"), t("b"), 0.5);
  },
  resistor: twoEnds((f, k) => num(f, "ohms") * k),
  "inrush resistor": twoEnds((f, k) => num(f, "ohms") * k),
  heater: ({ net }, { f, mode, t, k, nodes }) => {
    const ohms = (num(f, "volts") ** 2 / num(f, "watts")) * k;
    if (mode !== "open") net.ohms(t("a"), t("b"), ohms);
    // It leaks at the end that is fed.
    if (nodes.has("case")) net.ohms(t(mode === "to-case" ? "a" : "b"), t("case"), mode === "to-case" ? 9e3 : 30e6);
  },
  ptc: ({ net, powered }, { f, mode, t, k }) => {
    if (mode === "shorted") net.ohms(t("a"), t("b"), 1);
    else if (mode === null) net.ohms(t("a"), t("b"), num(f, powered ? "hotOhms" : "coldOhms") * k);
  },
  lamp: ({ net, powered }, { f, mode, t }) => {
    // A cold filament has a tenth of its ohms (from memory).
    if (mode === null) net.ohms(t("a"), t("b"), (num(f, "volts") ** 2 / num(f, "watts")) * (powered ? 1 : 0.1));
  },
  ntc: (ctx, { f, mode, t, k }) => {
    if (mode === "open") return;
    const kelvin = roomOf(ctx, f["place"]) + 273.15;
    const ohms = num(f, "ohms25") * Math.exp(num(f, "beta") * (1 / kelvin - 1 / 298.15));
    ctx.net.ohms(t("a"), t("b"), mode === "short" ? 3 : ohms * (1 + (k - 1) / 3) * (mode === "drifted" ? 1.6 : 1));
  },
  rtd: (ctx, { f, mode, t }) => {
    if (mode === "open") return;
    // IEC 60751 above 0 C.
    const c = roomOf(ctx, f["place"]);
    ctx.net.ohms(t("a"), t("b"), mode === "short" ? 3 : num(f, "ohms0") * (1 + 3.9083e-3 * c - 5.775e-7 * c * c));
  },
  potentiometer: (ctx, { f, mode, t, k }) => {
    const turned = Math.min(0.995, Math.max(0.005, ctx.unit.setup.levels[String(f["place"])] ?? 0));
    const track = num(f, "ohms") * k;
    const mid = mode === "wiper-open" ? ctx.net.inner() : t("wiper");
    ctx.net.ohms(t("a"), mid, track * turned);
    if (mode !== "track-open") ctx.net.ohms(mid, t("b"), track * (1 - turned));
  },
  capacitor: ({ net }, { f, mode, t }) => {
    if (mode === "shorted") return net.ohms(t("a"), t("b"), 0.8);
    net.add("C", `${t("a")} ${t("b")}`, num(f, "farads"));
    net.ohms(t("a"), t("b"), 200 / num(f, "farads"));
  },
  "run capacitor": ({ net }, { f, mode, t, k }) => {
    if (mode === "shorted") net.ohms(t("a"), t("b"), 0.5);
    else if (mode !== "open") net.add("C", `${t("a")} ${t("b")}`, num(f, "farads") * k * (mode === "weak" ? 0.2 : 1));
  },
  diode: ({ net }, { mode, t }) => {
    if (mode === "shorted") net.ohms(t("anode"), t("cathode"), 0.05);
    else if (mode === null) net.diode(t("anode"), t("cathode"));
  },
  led: ({ net }, { f, mode, t }) => {
    if (mode !== null) return;
    const mid = net.inner();
    net.ohms(
      t("plus"),
      mid,
      Math.max(10, f["ohms"] === undefined ? (num(f, "volts") - 2) / num(f, "amps") : num(f, "ohms")),
    );
    net.diode(mid, t("minus"), "dled");
  },
  varistor: ({ net }, { mode, t }) => {
    if (mode === "shorted") net.ohms(t("a"), t("b"), 1);
  },
  buzzer: ({ net, powered }, { f, mode, t, nodes }) => {
    if (mode === "open") return;
    if (powered) net.ohms(t("plus"), t("minus"), num(f, "volts") / num(f, "amps"));
    else net.circuit(["R1 $plus $x 1k", "Q1 $x $b $minus qn", "Rb $b $minus 47k", "Dp $x $minus dsig"], nodes);
  },
  "dc fan": ({ net, powered }, { f, mode, t, nodes }) => {
    if (mode === "open") return;
    if (powered) net.ohms(t("plus"), t("minus"), num(f, "volts") / num(f, "amps"));
    else net.circuit(BRUSHLESS, nodes);
  },
  fan: coil(0.6, ["seized", 1.4]),
  pump: coil(0.6, ["jammed", 1.6]),
  valve: coil(0.5),
  "gas valve coil": coil(0.6),
  solenoid: coil(0.5),
  motor: ({ net, powered, hertz }, { f, mode, t, k, nodes }) => {
    const [volts, amps, ohms] = [num(f, "volts"), num(f, "amps") * k, num(f, "ohms") * k];
    if (mode !== "open") {
      if (!powered) net.ohms(t("a"), t("b"), mode === "brushes-worn" ? ohms * 30 : ohms);
      else if (f["current"] === "dc")
        net.ohms(t("a"), t("b"), mode === "seized" ? ohms : mode === "brushes-worn" ? ohms * 30 : volts / amps);
      // Worn brushes are in series with the winding, whatever feeds it.
      else if (mode === "brushes-worn") net.ohms(t("a"), t("b"), ohms * 30);
      else net.winding(t("a"), t("b"), volts, amps * (mode === "seized" ? 5 : 1), 0.7, hertz);
    }
    if (nodes.has("case")) net.ohms(t("a"), t("case"), mode === "to-case" ? 8e3 : 40e6);
  },
  compressor: ({ net, powered, hertz }, { f, mode, t, k, nodes }) => {
    // A start winding brought out: a rotor that stands takes through it as much less as its ohms are more.
    if (nodes.has("start") && mode !== "start-open") {
      const [ohms, main] = [num(f, "startOhms") * k, num(f, "windingOhms") * k];
      const amps = (num(f, "runAmps") * k * (mode === null ? 1 : 6) * main) / ohms;
      if (powered) net.winding(t("start"), t("neutral"), num(f, "volts"), amps, 0.8, hertz);
      else net.ohms(t("start"), t("neutral"), ohms);
    }
    if (mode !== "open") {
      if (!powered) net.ohms(t("line"), t("neutral"), num(f, "windingOhms") * k);
      else
        net.winding(
          t("line"),
          t("neutral"),
          num(f, "volts"),
          num(f, "runAmps") * k * (mode === "locked" || mode === "start-open" ? 6 : 1),
          0.8,
          hertz,
        );
    }
    if (nodes.has("case")) net.ohms(t("neutral"), t("case"), mode === "to-case" ? 8e3 : 20e6);
  },
  "capacitor motor": ({ net, powered, hertz }, { f, mode, t, k }) => {
    for (const [side, ohms] of [
      ["main", "mainOhms"],
      ["start", "startOhms"],
    ] as const) {
      if (mode === `${side}-open`) continue;
      const finer = num(f, "mainOhms") / num(f, ohms);
      const amps = 0.8 * num(f, "amps") * finer * (mode === "seized" ? 5 : 1);
      if (powered) net.winding(t(side), t("common"), num(f, "volts"), amps, 0.8, hertz);
      else net.ohms(t(side), t("common"), num(f, ohms) * k);
    }
    net.ohms(t("common"), t("case"), mode === "to-case" ? 8e3 : 60e6);
  },
  // Its coil by what it takes pulled in; each contact closes with the coil, by itself worn or stuck.
  contactor: ({ net, powered, hertz }, { f, mode, t, k }) => {
    const volts = num(f, "coilVolts");
    if (mode !== "coil-open") {
      if (powered && f["current"] === "ac")
        net.winding(t("coil-a"), t("coil-b"), volts, num(f, "coilAmps") * k, 0.35, hertz);
      else net.ohms(t("coil-a"), t("coil-b"), num(f, "coilOhms") * k);
    }
    for (let n = 1; n <= num(f, "poles"); n++) {
      if (mode === `welded-${n}`) net.ohms(t(`in-${n}`), t(`out-${n}`), 0.01);
      else if (powered && mode !== "jammed" && mode !== "coil-open" && mode !== `burnt-${n}`)
        net.contact(t(`in-${n}`), t(`out-${n}`), [t("coil-a"), t("coil-b")], 0.65 * volts, 0.3 * volts);
    }
  },
  // A diode and a resistor at its input, a switch and the RC that damps it at its output.
  "solid-state relay": ({ net, powered }, { f, mode, t, nodes }) => {
    if (mode !== "input-open") {
      if (powered) net.ohms(t("plus"), t("minus"), num(f, "inputOhms"));
      else net.circuit(["R1 $plus $x 680", "D1 $x $minus dled"], nodes);
    }
    if (mode === "shorted") return net.ohms(t("a"), t("b"), 0.05);
    if (!powered) return;
    const damp = net.inner();
    net.add("C", `${t("a")} ${damp}`, 47e-9);
    net.ohms(damp, t("b"), 100);
    if (mode === null) net.contact(t("a"), t("b"), [t("plus"), t("minus")], 3.2, 1, 0.05);
  },
  // A star: three windings to a point that nobody reaches.
  "three-phase motor": ({ net, powered, hertz }, { f, mode, t, k }) => {
    const star = net.inner();
    const times = mode === "locked" || mode?.startsWith("open-") === true ? 6 : 1;
    for (const lead of ["u", "v", "w"]) {
      if (mode === `open-${lead}`) continue;
      if (powered) net.winding(t(lead), star, num(f, "volts") / Math.sqrt(3), num(f, "amps") * k * times, 0.8, hertz);
      else net.ohms(t(lead), star, (num(f, "ohms") * k) / 2);
    }
    net.ohms(t("u"), t("case"), mode === "to-case" ? 8e3 : 40e6);
  },
  relay: ({ unit, net, powered }, { id, f, mode, t, k }) => {
    // A lever keeps one of a pair off while the other is in: pushed by hand, or welded.
    const other = f["heldOffBy"] as string | undefined;
    const isOtherIn =
      other !== undefined &&
      ((!powered && unit.setup.made.includes(other)) || (unit.fault.part === other && unit.fault.mode === "welded"));
    if (isOtherIn && mode !== "interlock-broken") {
      if (mode !== "coil-open") net.ohms(t("coil-a"), t("coil-b"), num(f, "coilOhms") * k);
      return;
    }
    if (!powered && unit.setup.made.includes(id) && mode !== "contact-open") net.ohms(t("common"), t("make"), 0.01);
    const volts = num(f, "coilVolts");
    if (mode !== "coil-open") net.ohms(t("coil-a"), t("coil-b"), num(f, "coilOhms") * k);
    if (mode === "welded") net.ohms(t("common"), t("make"), 0.01);
    else if (powered && (mode === null || mode === "interlock-broken"))
      net.contact(t("common"), t("make"), [t("coil-a"), t("coil-b")], 0.7 * volts, 0.2 * volts);
  },
  "door lock": ({ net, powered }, { f, mode, t }) => {
    if (mode !== "coil-open") net.ohms(t("coil-a"), t("coil-b"), num(f, "ohms"));
    // The mean of what a rectified half wave pulls with is nine tenths of its rms.
    if (powered && mode === null)
      net.contact(
        t("sense-a"),
        t("sense-b"),
        [t("coil-a"), t("coil-b")],
        0.55 * num(f, "volts"),
        0.2 * num(f, "volts"),
        0.1,
      );
  },
  transformer: ({ net, powered }, { f, mode, t, k }) => {
    const mid = net.inner();
    const ratio = num(f, "voltsOut") / num(f, "voltsIn");
    const [first, second] = [mode !== "primary-open", mode !== "secondary-open"];
    if (!powered) {
      if (first) net.ohms(t("in-a"), t("in-b"), num(f, "ohmsIn") * k);
      if (second) net.ohms(t("out-a"), t("out-b"), num(f, "ohmsOut") * k);
      return;
    }
    if (first) net.ohms(t("in-a"), mid, num(f, "ohmsIn") * k);
    // Its iron takes a hundredth of an ampere or so.
    net.ohms(mid, t("in-b"), num(f, "voltsIn") / 0.01);
    net.capacitor(mid, t("in-b"), 1e-9, 100);
    if (!second) return;
    const [drive, sense] = [net.inner(), `Vs${net.inner()}`];
    net.add("E", `${drive} ${t("out-b")} ${mid} ${t("in-b")}`, ratio);
    const after = net.inner();
    net.named(`${sense} ${drive} ${after} 0`);
    net.ohms(after, t("out-a"), num(f, "ohmsOut") * k);
    net.capacitor(t("out-a"), t("out-b"), 1e-8, 100);
    net.add("F", `${mid} ${t("in-b")}`, `${sense} ${ratio}`);
  },
  "linear supply": ({ net, powered }, { mode, t, nodes }) => {
    if (!powered) return net.circuit(mode === "shorted" ? ["Rs $out $return 0.3"] : RECTIFIER, nodes);
    if (mode === "shorted") return net.ohms(t("out"), t("return"), 0.3);
    if (mode !== "bridge-open") {
      for (const input of ["in-a", "in-b"]) {
        net.diode(t(input), t("out"));
        net.diode(t("return"), t(input));
      }
    }
    net.capacitor(t("out"), t("return"), mode === "capacitor-dry" ? 15e-6 : 1.5e-3, 0.1);
    net.ohms(t("out"), t("return"), 2e4);
  },
  "switched supply": ({ net, powered }, { f, mode, t, nodes }) => {
    if (!powered)
      return net.circuit(
        [...LINE_SIDE, ...SECONDARY, ...(mode === "input-short" ? ["Rs $line $neutral 1"] : [])],
        nodes,
      );
    const [plus, minus, out, back] = [t("bulk-plus"), t("bulk-minus"), t("out"), t("return")];
    const line = net.inner();
    if (mode !== "no-bulk") net.ohms(t("line"), line, 3);
    net.diode(line, plus);
    net.diode(t("neutral"), plus);
    net.diode(minus, line);
    net.diode(minus, t("neutral"));
    net.capacitor(plus, minus, 33e-6, 0.5);
    net.ohms(plus, minus, 6.8e5);
    net.add("C", `${minus} ${back}`, num(f, "yFarads"));
    net.capacitor(out, back, 47e-6);
    net.ohms(out, back, 1.2e4);
    if (mode === "dead") return;
    const wakes = 1.2 * num(f, "startVolts");
    const source = mode === "sagging" ? 12 : 0.05;
    const given = `(min(${num(f, "limitAmps")},max(0,(${num(f, "volts")}-v(${out},${back}))/${source}))/(1+exp(max(-60,min(60,(${wakes}-v(${plus},${minus}))/3)))))`;
    net.add("B", `${back} ${out}`, `I=${given}`);
    net.add("B", `${plus} ${minus}`, `I=${given}*max(0,v(${out},${back}))/(0.85*max(40,v(${plus},${minus})))`);
  },
  // Stage by stage, as a board has it: what fails is a device of it.
  "staged supply": ({ net, powered }, { f, mode, t, k, nodes }) => {
    const stages = new Map([...nodes, ["inrush", mode === "inrush-open" ? net.inner() : t("rectifier")]]);
    if (mode === "varistor-short") net.ohms(t("line"), t("neutral"), 0.4);
    net.ohms(t("line"), stages.get("inrush")!, num(f, "inrushOhms") * k);
    if (mode !== "bridge-open") {
      net.diode(t("neutral"), t("bulk-plus"));
      net.diode(t("bulk-minus"), t("rectifier"));
      net.diode(t("bulk-minus"), t("neutral"));
      if (mode === "bridge-short") net.ohms(t("rectifier"), t("bulk-plus"), 0.1);
      else net.diode(t("rectifier"), t("bulk-plus"));
    }
    net.ohms(t("bulk-plus"), t("bulk-minus"), 6.8e5);
    if (mode === "switch-short") net.ohms(t("bulk-plus"), t("bulk-minus"), 0.3);
    if (mode !== "start-open") net.ohms(t("bulk-plus"), t("chip"), num(f, "startOhms"));
    // The chip clamps what feeds it, and hardly draws anything before it wakes.
    net.add("D", `${t("bulk-minus")} ${t("chip")}`, "dclamp");
    net.ohms(t("chip"), t("bulk-minus"), 2e6);
    if (!powered) {
      net.ohms(t("line"), t("neutral"), 6.8e5);
      net.circuit([...SECONDARY, ...(mode === "rectifier-short" ? ["Rs $sec $out 0.1"] : [])], nodes);
      return;
    }
    const [plus, minus, out, back] = [t("bulk-plus"), t("bulk-minus"), t("out"), t("return")];
    net.capacitor(plus, minus, mode === "bulk-dry" ? 3e-6 : 33e-6, mode === "bulk-dry" ? 20 : 0.5);
    net.add("C", `${minus} ${back}`, num(f, "yFarads"));
    net.capacitor(out, back, mode === "filter-dry" ? 2e-6 : 47e-6, mode === "filter-dry" ? 4 : 0.05);
    net.ohms(out, back, 1.2e4);
    if (mode === "rectifier-short") return net.ohms(out, back, 0.5);
    // It switches while its chip is fed by more than it wakes at.
    if (mode === "chip-dead" || mode === "start-open") return;
    net.capacitor(t("chip"), minus, 1e-6, 1);
    const source = mode === "filter-dry" ? 12 : 0.05;
    const wakes = 1.2 * num(f, "startVolts");
    const given = `(min(${num(f, "limitAmps")},max(0,(${num(f, "volts")}-v(${out},${back}))/${source}))/(1+exp(max(-60,min(60,(${wakes}-v(${plus},${minus}))/3)))))`;
    net.add("B", `${back} ${out}`, `I=${given}`);
    net.add("B", `${plus} ${minus}`, `I=${given}*max(0,v(${out},${back}))/(0.85*max(40,v(${plus},${minus})))`);
  },
  "non-isolated supply": ({ net, powered }, { f, mode, t }) => {
    if (!powered) {
      net.ohms(t("line"), t("neutral"), 4.7e5);
      net.diode(t("neutral"), t("out"));
      return;
    }
    const [peak, drive] = [net.inner(), net.inner()];
    net.diode(t("line"), peak);
    net.add("C", `${peak} ${t("neutral")}`, "0.1u");
    net.ohms(peak, t("neutral"), 1e6);
    if (mode === "dead") return;
    net.add(
      "B",
      `${drive} ${t("neutral")}`,
      `V=${num(f, "volts")}/(1+exp(max(-60,min(60,(${0.7 * num(f, "lineVolts")}-v(${peak},${t("neutral")}))/3))))`,
    );
    net.ohms(drive, t("out"), (num(f, "volts") / num(f, "maxAmps")) * (mode === "weak" ? 2 : 0.05));
  },
  regulator: ({ net, powered }, { f, mode, t, nodes }) => {
    if (!powered) {
      if (mode === "passes") net.ohms(t("in"), t("out"), 0.5);
      else net.circuit(REGULATOR, nodes);
      return;
    }
    if (mode === "dead") return net.ohms(t("out"), t("return"), 6e3);
    if (mode === "passes") return net.ohms(t("in"), t("out"), 0.5);
    const [drive, after, sense] = [net.inner(), net.inner(), `Vs${net.inner()}`];
    net.add(
      "B",
      `${drive} ${t("return")}`,
      `V=max(0,min(${num(f, "volts")},v(${t("in")},${t("return")})-${num(f, "dropoutVolts")}))`,
    );
    net.ohms(drive, after, 0.1);
    net.named(`${sense} ${after} ${t("out")} 0`);
    net.add("F", `${t("in")} ${t("return")}`, `${sense} 1`);
    net.capacitor(t("in"), t("return"), 47e-6, 0.1);
    net.capacitor(t("out"), t("return"), 10e-6, 0.1);
  },
  controller: ({ net, powered, unit }, { id, f, mode, t }) => {
    type Input = { readonly pullUpOhms?: number; readonly pullDownOhms?: number };
    type Output = { readonly does: "sinks" | "lifts"; readonly ohms: number };
    const [rail, back] = [t("rail"), t("return")];
    const on = mode === "dead" ? undefined : unit.on[id];
    if (powered) net.ohms(rail, back, on ? num(f, "loadOhms") : 2e4);
    else {
      const chip = net.inner();
      net.ohms(rail, chip, 800);
      net.diode(chip, back, "dsig");
      net.diode(back, rail);
      net.ohms(rail, back, 3e5);
    }
    for (const [name, input] of Object.entries(f["inputs"] as unknown as Record<string, Input>)) {
      if (input.pullUpOhms === undefined) net.ohms(t(name), back, Number(input.pullDownOhms ?? 1e4));
      else net.ohms(rail, t(name), Number(input.pullUpOhms));
      const pin = net.inner();
      net.ohms(t(name), pin, 1e4);
      net.diode(pin, rail, "dsig");
      net.diode(back, pin, "dsig");
    }
    for (const [name, output] of Object.entries(f["outputs"] as unknown as Record<string, Output>)) {
      const isOn = powered && (on?.includes(name) ?? false) && mode !== `${name}-off`;
      if (output.does === "sinks") {
        if (isOn) net.ohms(t(name), back, Number(output.ohms));
        net.diode(back, t(name));
      } else if (powered && on) net.ohms(isOn ? rail : back, t(name), Number(output.ohms));
      else {
        const pin = net.inner();
        net.ohms(t(name), pin, Number(output.ohms));
        net.diode(pin, rail, "dsig");
        net.diode(back, pin, "dsig");
      }
    }
    for (const line of new Set(Object.values(f["keys"] as unknown as Record<string, [string, string]>).flat())) {
      const pin = net.inner();
      net.ohms(t(line), pin, 1e4);
      net.diode(pin, rail, "dsig");
      net.diode(back, pin, "dsig");
      if (powered) net.ohms(t(line), back, 1e6);
    }
  },
  panel: ({ net, powered }, { f, mode, t, nodes }) => {
    if (mode === "shorted") net.ohms(t("plus"), t("return"), 1);
    if (powered) {
      net.ohms(t("plus"), t("return"), num(f, mode === "dead" ? "deadOhms" : "runOhms"));
      if (mode !== "link-dead") net.ohms(t("link"), t("return"), 1e4);
      return;
    }
    net.circuit(BRUSHLESS, new Map([...nodes, ["minus", t("return")]]));
    if (mode !== "link-dead") net.diode(t("return"), t("link"), "dsig");
  },
  indicator: ({ net }, { mode, t }) => {
    if (mode !== null) return;
    const mid = net.inner();
    net.ohms(t("plus"), mid, 1e3);
    net.diode(mid, t("return"), "dled");
  },
  "hall sensor": ({ net, powered, unit }, { f, mode, t, nodes }) => {
    if (!powered) return net.circuit([...SENSOR_RAIL, ...SENSOR_OUT.map((l) => l.replace("Rb", "Rc"))], nodes);
    net.ohms(t("plus"), t("return"), num(f, "volts") / 0.006);
    const near = unit.setup.magnets.includes(String(f["place"]));
    if (mode === "stays-on" || (mode === null && near)) net.ohms(t("out"), t("return"), 40);
  },
  "payment input": ({ net, powered, unit }, { id, f, mode, t, nodes }) => {
    if (!powered) return net.circuit([...MODULE, "Q1 $pulse $b $return qn", "Rb $b $return 10k"], nodes);
    net.ohms(t("plus"), t("return"), mode === "dead" ? 1e4 : num(f, "volts") / num(f, "amps"));
    if (mode === null && unit.setup.made.includes(id)) net.ohms(t("pulse"), t("return"), 30);
  },
  "transistor switch": ({ net }, { mode, t, nodes }) => {
    if (mode === "shorted") net.ohms(t("drain"), t("source"), 0.05);
    if (mode === "open") net.circuit(FET.slice(1), nodes);
    else if (mode === null)
      net.circuit(
        FET.map((l) => l.replace("nfet", "nfl")),
        nodes,
      );
  },
  triac: ({ net, powered }, { mode, t, nodes }) => {
    if (!powered) return net.circuit(mode === "shorted" ? ["R1 $gate $mt1 150", "R2 $mt2 $mt1 0.2"] : TRIAC, nodes);
    net.ohms(t("gate"), t("mt1"), 150);
    const damped = net.inner();
    net.add("C", `${t("mt2")} ${damped}`, "10n");
    net.ohms(damped, t("mt1"), 100);
    if (mode === "shorted") net.ohms(t("mt2"), t("mt1"), 0.1);
    else if (mode === null) net.contact(t("mt2"), t("mt1"), [t("gate"), t("mt1")], 0.7, 0.3, 0.1);
  },
  "motor drive": ({ net, powered }, { f, mode, t, nodes }) => {
    if (!powered) return net.circuit([...BRIDGE, ...(mode === "shorted" ? ["Rs $plus $out-a 0.05"] : [])], nodes);
    const asked: [string, string] = [t("input"), t("return")];
    net.ohms(t("plus"), t("return"), 3e3);
    net.ohms(t("input"), t("return"), 1e5);
    if (mode === "shorted") {
      net.ohms(t("plus"), t("out-a"), 0.05);
      net.ohms(t("out-b"), t("return"), 0.05);
    } else if (mode === null) {
      net.contact(
        t("plus"),
        t("out-a"),
        asked,
        num(f, "inputVolts"),
        0.5 * num(f, "inputVolts"),
        0.3 / num(f, "limitAmps"),
      );
      net.contact(
        t("out-b"),
        t("return"),
        asked,
        num(f, "inputVolts"),
        0.5 * num(f, "inputVolts"),
        0.3 / num(f, "limitAmps"),
      );
    }
    for (const out of ["out-a", "out-b"]) {
      net.diode(t(out), t("plus"));
      net.diode(t("return"), t(out));
    }
  },
  "engine set": ({ net, unit, hertz }, { id, f, mode, t }) => {
    if (mode !== "starter-open") net.ohms(t("crank"), t("return"), num(f, "startVolts") / num(f, "crankAmps"));
    net.ohms(t("fuel"), t("return"), 8);
    const mid = net.inner();
    if (unit.runs?.includes(id) && mode !== "no-output") {
      // Not in step with the utility.
      net.add("V", `${mid} ${t("neutral")}`, `SIN(0 ${num(f, "volts") * Math.SQRT2} ${hertz} 0 0 90)`);
      net.ohms(t("line"), mid, 0.3);
      return;
    }
    net.ohms(t("line"), mid, 1);
    net.add("L", `${mid} ${t("neutral")}`, 0.01);
  },
  driven: () => undefined,
  "cooling unit": () => undefined,
};

/** Whether a part brings energy in, in a setup: with the power on, and not switched off by itself. */
const isFed = (setup: SetupEntry, id: string) => setup.power === "on" && !setup.off.includes(id);

/** The netlist of a unit; `clamped` is a part whose first terminal an ammeter goes into. */
export function netlistOf(unit: UnitInSpice, clamped?: string): { readonly lines: string[]; readonly hertz: number } {
  const { machine, setup, fault } = unit;
  const net = new Netlist();
  const hertz = machine.file.supply.hertz;
  const powered = setup.power === "on" || (machine.rigsOf.get(setup.id)?.size ?? 0) > 0;
  for (const part of machine.parts) {
    const emit = EMIT[part.kind.kind];
    if (!emit) throw new RangeError(`No circuit for ${part.kind.kind}.`);
    const nodes = new Map([...part.nodeOf].map(([terminal, node]) => [terminal, `n${node}`]));
    const first = [...nodes.keys()][0];
    if (part.id === clamped && first !== undefined) {
      net.named(`${CLAMP} ${nodes.get(first)} nclamp 0`);
      nodes.set(first, "nclamp");
    }
    const isBroken = part.id === fault.part && !setup.good.includes(part.id);
    const isSource = machine.sources.some((s) => s.id === part.id);
    const terminal = (name: string): string => {
      const node = nodes.get(name);
      if (node === undefined) throw new RangeError(`${part.id} has no terminal ${name}.`);
      return node;
    };
    if (setup.lifted.includes(part.id)) continue;
    if (part.id === unit.lamp?.of) {
      net.ohms(terminal("a"), terminal("b"), unit.lamp.ohms);
      continue;
    }
    // Whatever a load is: shorted inside it is a short between its first two ends.
    if (isBroken && fault.mode === "shorted" && part.kind.electrical.load) {
      const [a, b] = part.kind.electrical.elements(part.fields)[0]!;
      net.ohms(terminal(a), terminal(b), 0.2);
    }
    if (setup.lamps.includes(part.id)) {
      const [a, b] = [...nodes.values()];
      net.ohms(a!, b!, machine.file.supply.volts ** 2 / 60);
      continue;
    }
    emit(
      {
        unit,
        net,
        powered: isSource ? isFed(setup, part.id) : powered,
        hertz,
        volts: machine.file.supply.volts * 1.008,
      },
      {
        id: part.id,
        kind: part.kind.kind,
        f: part.fields as Fields,
        mode: isBroken ? fault.mode : (brokenBesides(unit, part.id) ?? jammedBy(unit, part.id)),
        t: terminal,
        k: spread(part.id),
        nodes,
      },
    );
  }
  if (unit.bridged) net.ohms(`n${unit.bridged[0]}`, `n${unit.bridged[1]}`, 0.02);
  return {
    hertz,
    lines: [
      "* a machine",
      // Junctions have capacitance; without it nothing slows them when they block.
      ...MODELS.map((m) => m.replace(/^(\.model ds\w* D\()/, "$1cjo=50p ")),
      ".model nfl NMOS(level=1 vto=1.5 kp=40 rd=0.01 rs=0.01)",
      ...net.lines,
      ".options rshunt=1e11 gmin=1e-12 itl1=1000 itl4=500",
    ],
  };
}
