import type { QuickGuard, QuickKind, QuickLoad, QuickSensor, QuickStart } from "./quick-load";
import type { Entry, QuickMachine } from "./quick-machine";
import { isMains, lineVolts } from "./quick-supply";
import { boardParts } from "./quick-board";
import {
  coilEnds,
  coilGuardId,
  coilGuardNet,
  furtherLines,
  guardId,
  guardNet,
  guardsOf,
  isDirect,
  netsOf,
  railVolts,
  type Run,
  runsOf,
  sensorReturn,
  switchingId,
  transformerVolts,
} from "./quick-wiring";
import { say } from "#words/core/model/quick/quick-machine";

/** Winding ohms of a motor-like load of some watts, from memory: a fifth of what its power alone would say. */
const windingOhms = (volts: number, watts: number) => (0.2 * volts ** 2) / watts;
/** The start winding of a compressor is finer than the other: so many times its ohms, from memory. */
const START_WINDING = 3;
/** Power factor of a compressor that runs, and times its current while it rests; from memory. */
const RUN_FACTOR = 0.8;
const AT_REST = 6;
/** What starts a compressor, from memory: a PTC cold at 120 V, and its capacitors. */
const PTC_OHMS = 6;
const CAPACITOR: Readonly<Record<"start capacitor" | "run capacitor", number>> = {
  "start capacitor": 60e-6,
  "run capacitor": 5e-6,
};
/** Watts of a contactor's coil; from memory. */
const COIL_WATTS = 8;
/** A coil for alternating current is held by its reactance: its copper is so much of what its amperes say; from memory. */
const AC_COIL = 0.15;
/** Volt-amperes of a control transformer; from memory. */
const TRANSFORMER_VA = 40;
/** Usual ratings of fuses, amperes (IEC 60127 and 60269, from memory). */
const FUSES = [3.15, 5, 6.3, 10, 16, 20, 25, 32, 40, 63];

/** All parts from the outlet to the loads. */
export function partsOf(quick: QuickMachine): readonly Entry[] {
  const runs = runsOf(quick);
  return [
    ...feedParts(quick),
    ...boardParts(quick, runs),
    ...transformerParts(quick),
    ...runs.flatMap((run) => (run.by?.first ? switchingParts(quick, run, runs) : [])),
    ...runs.flatMap((run) => [...loadParts(quick, run), ...leadParts(run)]),
    ...(quick.sensors ?? []).flatMap(sensorPart(quick)),
  ];
}

/** What brings the feed to the board. */
function feedParts(quick: QuickMachine): readonly Entry[] {
  const at = { a: "board-L", b: "fused-L" };
  const fuse = { id: "fuse", kind: "fuse", name: say.fuse, piece: "fuse", amps: fuseAmps(quick), at };
  return [...sourceParts(quick), ...(quick.fuse ? [fuse] : []), ...lineGuards(quick)];
}

/** What it hangs on, up to the board. */
function sourceParts(quick: QuickMachine): readonly Entry[] {
  const { supply } = quick;
  const poles = { plus: "board-L", minus: "board-N" };
  const common = { id: "outlet", piece: "house" };
  if (supply.kind === "battery")
    return [{ ...common, kind: "battery", name: say.battery, volts: supply.volts, ohms: 0.05, at: poles }];
  if (supply.kind === "low-voltage") {
    const plate = { current: isDirect(quick) ? "dc" : "ac", volts: supply.volts, amps: fuseAmps(quick) };
    return [{ ...common, kind: "low-voltage feed", name: say.feedFromOutside, ...plate, at: poles }];
  }
  const { entry } = netsOf(quick);
  const cord = {
    "line-pin": "plug-L",
    "neutral-pin": "plug-N",
    "earth-pin": "plug-E",
    line: `${entry}-L`,
    neutral: `${entry}-N`,
    earth: "chassis",
  };
  return [
    outletPart(quick),
    { id: "cord", kind: "cord", name: say.powerCord, piece: "cord", at: cord },
    ...(quick.filter ? [filterPart()] : []),
  ];
}

/** Times its running current that a load's start asks of a fuse; from memory. */
const STARTS: Readonly<Partial<Record<QuickKind, number>>> = {
  compressor: 5,
  motor: 4,
  "three-phase motor": 4,
  pump: 2,
  fan: 2,
  lamp: 2,
};

/** The next usual rating that bears all loads together, and their starts, amperes. */
function fuseAmps(quick: QuickMachine): number {
  const line = lineVolts(quick.supply);
  const amps = quick.loads.reduce((sum, l) => sum + (l.watts / line) * (STARTS[l.kind] ?? 1.25), 1);
  return FUSES.find((a) => a >= amps) ?? 100;
}

function outletPart({ supply }: QuickMachine): Entry {
  const common = { id: "outlet", name: say.outlet, piece: "house" };
  const [neutral, earth] = ["plug-N", "plug-E"];
  if (supply.kind === "split phase")
    return { ...common, kind: "split outlet", at: { line1: "plug-L", line2: "plug-L2", neutral, earth } };
  if (supply.kind === "three-phase")
    return {
      ...common,
      kind: "three-phase outlet",
      at: { line1: "plug-L", line2: "plug-L2", line3: "plug-L3", neutral, earth },
    };
  return { ...common, kind: "outlet", at: { line: "plug-L", neutral, earth } };
}

function filterPart(): Entry {
  return {
    id: "filter",
    kind: "line filter",
    name: say.lineFilter,
    piece: "filter",
    at: {
      "line-in": "filter-in-L",
      "neutral-in": "filter-in-N",
      line: "board-L",
      neutral: "board-N",
      earth: "chassis",
    },
  };
}

/** What lies in the line to all loads. */
function lineGuards(quick: QuickMachine): readonly Entry[] {
  const { inLine = [] } = quick;
  return inLine.map((guard, k) =>
    guardPart(guard, `line-guard-${k + 1}`, {
      a: k === 0 ? netsOf(quick).fused : `line-guard-${k + 1}-in`,
      b: k === inLine.length - 1 ? "line-L" : `line-guard-${k + 2}-in`,
    }),
  );
}

function transformerParts(quick: QuickMachine): readonly Entry[] {
  const volts = transformerVolts(quick);
  if (volts === null || !isMains(quick.supply)) return [];
  const line = lineVolts(quick.supply);
  return [
    {
      id: "transformer",
      kind: "transformer",
      name: say.transformer,
      piece: "transformer",
      voltsIn: line,
      voltsOut: volts,
      // A twentieth of its volts lost in each winding, from memory.
      ohmsIn: (0.05 * line ** 2) / TRANSFORMER_VA,
      ohmsOut: (0.05 * volts ** 2) / TRANSFORMER_VA,
      at: { "in-a": netsOf(quick).fused, "in-b": "board-N", "out-a": "low-a", "out-b": "low-b" },
    },
  ];
}

/** A contactor or a solid-state relay, with what lies in its coil's lead. */
function switchingParts(quick: QuickMachine, run: Run, runs: readonly Run[]): readonly Entry[] {
  const by = run.load.by!;
  const id = switchingId(run.n);
  const alike = runs.filter((r) => r.by?.id === id);
  const common = { id, name: by.name, piece: id };
  const amps = Math.max(...alike.map((r) => r.load.watts / r.volts));
  if (by.kind === "solid-state relay")
    return [
      {
        ...common,
        kind: "solid-state relay",
        inputVolts: 3,
        inputOhms: Math.max(300, railVolts(quick) * 80),
        amps: Math.max(25, 2 * amps * alike.length),
        at: { plus: `${id}-plus`, minus: `${id}-minus`, a: run.by!.from, b: run.out },
      },
    ];
  const coil = by.coil!;
  const current = coil.from === "board" || isDirect(quick) ? "dc" : "ac";
  const feed = coilEnds(quick, coil);
  const coilAmps = COIL_WATTS / coil.volts;
  return [
    {
      ...common,
      kind: "contactor",
      poles: by.poles,
      current,
      coilVolts: coil.volts,
      coilAmps,
      coilOhms: (coil.volts / coilAmps) * (current === "dc" ? 1 : AC_COIL),
      contactAmps: Math.max(25, 1.5 * amps),
      at: { "coil-a": `${id}-coil`, "coil-b": feed.back, ...contactsOf(quick, run, alike) },
    },
    ...by.through.map((guard, k) =>
      guardPart(guard, coilGuardId(run.n, k + 1), {
        a: coilGuardNet(run.n, k + 1),
        b: k === by.through.length - 1 ? `${id}-coil` : coilGuardNet(run.n, k + 2),
      }),
    ),
  ];
}

function contactsOf(quick: QuickMachine, run: Run, alike: readonly Run[]): Readonly<Record<string, string>> {
  if (run.load.kind === "three-phase motor")
    return Object.fromEntries(
      [run.by!.from, ...furtherLines(quick).map((l) => `board-${l}`)].flatMap((from, k) => [
        [`in-${k + 1}`, from],
        [`out-${k + 1}`, `${run.by!.id}-out-${k + 1}`],
      ]),
    );
  return Object.fromEntries(
    alike.flatMap((r) => [
      [`in-${r.by!.pole}`, r.by!.from],
      [`out-${r.by!.pole}`, r.out],
    ]),
  );
}

/** Something in a lead that opens it. */
function guardPart(guard: QuickGuard, id: string, at: { readonly a: string; readonly b: string }): Entry {
  const common = { id, name: guard.name, piece: id, at };
  switch (guard.kind) {
    case "thermostat":
      return { ...common, kind: guard.kind, celsius: guard.celsius ?? 90, place: id, closes: "below" };
    case "thermal cut-off": {
      const resets = /fuse/i.test(guard.name) ? "never" : "by hand";
      return { ...common, kind: guard.kind, opensAbove: guard.celsius ?? 150, place: id, resets };
    }
    case "stop switch":
      return { ...common, kind: "switch", rests: "closed" };
    case "hand switch":
      return { ...common, kind: "switch", rests: "open" };
    case "pressure switch":
      return { ...common, kind: guard.kind, place: id, above: 0.5 };
    case "door switch":
      return { ...common, kind: guard.kind, door: "door", closedWhen: "door closed" };
  }
}

/** The guards in the lead to a load, in their order. */
function leadParts({ n, load }: Run): readonly Entry[] {
  const guards = guardsOf(load);
  return guards.map((guard, k) =>
    guardPart(guard, guardId(n, k + 1), {
      a: guardNet(n, k + 1),
      b: k === guards.length - 1 ? `load-${n}-L` : guardNet(n, k + 2),
    }),
  );
}

/** A load with two ends by itself, wired to two nets, fed with so many volts; the piece is its own. */
export function loadBetween(
  load: QuickLoad,
  fed: { readonly volts: number; readonly current: "ac" | "dc" },
  id: string,
  two: { readonly a: string; readonly b: string },
  /** The net of the machine's body. */
  body: string,
): Entry {
  const common = { id, name: load.name, piece: id };
  const { volts, current } = fed;
  if (load.kind === "heater")
    return { ...common, kind: "heater", volts, watts: load.watts, at: { ...two, case: body } };
  if (load.kind === "lamp") return { ...common, kind: "lamp", current, volts, watts: load.watts, at: two };
  const drawn = movedOrDrawn({ id, load, volts, current }, two);
  const at = drawn["at"] as Readonly<Record<string, string>>;
  return { ...common, ...drawn, at: "case" in at ? { ...at, case: body } : at };
}

/** A switch or a guard by itself, wired to two nets. */
export const guardBetween = (guard: QuickGuard, id: string, two: { readonly a: string; readonly b: string }): Entry =>
  guardPart(guard, id, two);

/** A load, and what starts it. */
function loadParts(quick: QuickMachine, run: Run): readonly Entry[] {
  const { id, load, volts, current, back } = run;
  const common = { id, name: load.name, piece: id };
  const two = { a: `${id}-L`, b: back };
  switch (load.kind) {
    case "heater":
      return [{ ...common, kind: "heater", volts, watts: load.watts, at: { ...two, case: "chassis" } }];
    case "lamp":
      return [{ ...common, kind: "lamp", current, volts, watts: load.watts, at: two }];
    case "compressor":
      return compressorParts(quick, run);
    case "contactor":
      return [{ ...common, ...loneContactor(run) }];
    case "door lock":
      return [{ ...common, ...lockPart(quick, run) }];
    default:
      return [{ ...common, ...movedOrDrawn(run, two) }];
  }
}

/** What turns, pumps or pulls, by its plate. */
function movedOrDrawn(
  run: Pick<Run, "id" | "load" | "volts" | "current">,
  two: { readonly a: string; readonly b: string },
): Entry {
  const { id, load, volts, current } = run;
  const amps = load.watts / volts;
  const ohms = windingOhms(volts, load.watts);
  // On direct current a small one takes what its watts say; the winding of a motor is a fifth of that still.
  const plate = (factor: number) =>
    current === "dc" ? { current, volts, amps, ohms: volts / amps } : { current, volts, amps: amps / factor, ohms };
  switch (load.kind) {
    case "motor":
      return { kind: "motor", ...plate(0.8), ohms, at: { ...two, case: "chassis" } };
    case "three-phase motor": {
      const at = { u: `${id}-L`, v: `${id}-L2`, w: `${id}-L3`, case: "chassis" };
      return { kind: "three-phase motor", volts, amps: amps / (Math.sqrt(3) * 0.8), ohms: ohms / 2, at };
    }
    case "fan":
      if (current === "dc") return { kind: "dc fan", volts, amps, at: { plus: two.a, minus: two.b } };
      return { kind: "fan", volts, amps: amps / 0.6, ohms, at: two };
    case "pump":
      return { kind: "pump", ...plate(0.6), at: two };
    case "gas valve":
      return { kind: "gas valve coil", ...plate(0.5), at: two };
    default:
      return { kind: load.kind === "solenoid" ? "solenoid" : "valve", ...plate(0.5), at: two };
  }
}

/** A door lock; its contact lies between the board and its ground, where the board is told by it. */
function lockPart(quick: QuickMachine, { n, id, load, volts, current, back }: Run): Entry {
  const told = (quick.sensors ?? []).findIndex((s) => s.of === n - 1);
  const [sense, ground] =
    told < 0 ? [`${id}-X`, `${id}-Y`] : [sensorNet(told + 1), sensorReturn(quick, quick.sensors![told]!)];
  const at = { "coil-a": `${id}-L`, "coil-b": back, "sense-a": sense, "sense-b": ground };
  return { kind: "door lock", door: "door", current, volts, ohms: volts ** 2 / load.watts, at };
}

/** A contactor that is a load of its own: what it switches was not said. */
function loneContactor({ id, load, volts, current, back }: Run): Entry {
  const coilAmps = load.watts / volts;
  const coilOhms = (volts / coilAmps) * (current === "dc" ? 1 : AC_COIL);
  const at = { "coil-a": `${id}-L`, "coil-b": back, "in-1": `${id}-in`, "out-1": `${id}-made` };
  return { kind: "contactor", poles: 1, current, coilVolts: volts, coilAmps, coilOhms, contactAmps: 25, at };
}

/** A compressor with what starts it, its common lead through its overload. */
function compressorParts({ supply }: QuickMachine, run: Run): readonly Entry[] {
  const { id, load, volts, back } = run;
  const starts = load.start ?? [];
  const ohms = windingOhms(volts, load.watts);
  const isOut = starts.some((s) => s !== "overload");
  const compressor = {
    id,
    name: load.name,
    piece: id,
    kind: "compressor",
    volts,
    runAmps: load.watts / volts / RUN_FACTOR,
    windingOhms: ohms,
    ...(isOut ? { startOhms: START_WINDING * ohms } : {}),
    restMinutes: 5,
    at: {
      line: `${id}-L`,
      neutral: starts.includes("overload") ? `${id}-C` : back,
      case: "chassis",
      ...(isOut ? { start: `${id}-S` } : {}),
    },
  };
  return [compressor, ...starts.map((start) => startPart(run, start, supply.hertz))];
}

/** What starts a compressor: the PTC and the start capacitor in series to its start winding, the run capacitor beside. */
function startPart({ id, load, volts, back }: Run, start: QuickStart, hertz: number): Entry {
  const common = { id: startId(id, start), name: say.startPart[start], piece: startId(id, start) };
  const between = load.start!.includes("start capacitor") ? `${id}-X` : `${id}-S`;
  const scale = (volts / 120) ** 2;
  switch (start) {
    case "overload":
      return {
        ...common,
        kind: "thermal cut-off",
        opensAbove: 115,
        place: id,
        resets: "by itself",
        at: { a: `${id}-C`, b: back },
      };
    case "ptc":
      return { ...common, kind: "ptc", coldOhms: PTC_OHMS * scale, hotOhms: 2e4, at: { a: `${id}-L`, b: between } };
    case "start capacitor":
      return { ...common, kind: "run capacitor", farads: CAPACITOR[start] / scale, at: { a: between, b: `${id}-S` } };
    case "run capacitor":
      return {
        ...common,
        kind: "run capacitor",
        farads: load.start!.includes("ptc") ? CAPACITOR[start] : aloneFarads(load.watts, volts, hertz),
        at: { a: `${id}-L`, b: `${id}-S` },
      };
  }
}

/**
 * A run capacitor that starts a compressor alone: about twice the reactance of the start winding at rest, so that this
 * has well over half of the line; from memory.
 */
function aloneFarads(watts: number, volts: number, hertz: number): number {
  const restOhms = (START_WINDING * volts) / ((AT_REST * watts) / volts / RUN_FACTOR);
  return 1 / (2 * Math.PI * hertz * 2 * restOhms);
}

/** The part and the assembly of what starts a load. */
export const startId = (load: string, start: QuickStart): string => `${load}-${start.replace(" ", "-")}`;

/** The net of a sensor at its own plug. */
export const sensorNet = (k: number): string => `sensor-${k}-a`;

function sensorPart(quick: QuickMachine): (sensor: QuickSensor, i: number) => readonly Entry[] {
  return (sensor, i) => {
    const id = `sensor-${i + 1}`;
    const at = { a: sensorNet(i + 1), b: sensorReturn(quick, sensor) };
    const common = { id, name: sensor.name, piece: id, at };
    // A lock's contact is of the lock.
    if (sensor.kind === "lock contact") return [];
    if (sensor.kind === "ntc") return [{ ...common, kind: "ntc", ohms25: sensor.ohms, beta: 3800, place: id }];
    return [{ ...guardPart({ name: sensor.name, kind: sensor.kind }, id, at), name: sensor.name }];
  };
}

/** Every wire between board and load, one after another. */
export function wiresOf(quick: QuickMachine): readonly Entry[] {
  const runs = runsOf(quick);
  const nets = netsOf(quick);
  const piece = "wiring";
  return [
    ...runs.flatMap((run) => runWires(run)),
    ...runs.flatMap((run) => (run.by?.first ? switchingWires(quick, run) : [])),
    ...(runs.some((r) => r.back === nets.back) || runs.some((r) => r.load.by?.coil?.from === "line")
      ? [
          {
            id: "wire-N",
            name: isMains(quick.supply) ? say.neutralToTheLoads : say.returnOfTheLoads,
            piece,
            from: "board-N",
            to: nets.back,
          },
        ]
      : []),
    ...(quick.sensors ?? []).map((s, i) => ({
      id: `sensor-wire-${i + 1}`,
      name: say.leadOf(s.name.toLowerCase()),
      piece,
      from: `in-${i + 1}`,
      to: sensorNet(i + 1),
    })),
    ...(isMains(quick.supply)
      ? furtherLines(quick).map((line) => ({
          id: `cord-${line}`,
          name: say.cordLine(line),
          piece: "cord",
          from: `plug-${line}`,
          to: `board-${line}`,
        }))
      : []),
  ];
}

/** A wire to a load, and back from one that its transistor switches. */
function runWires(run: Run): readonly Entry[] {
  const { n, load, out, switched } = run;
  const to = guardsOf(load).length > 0 ? guardNet(n, 1) : `load-${n}-L`;
  const own = { id: `wire-${n}`, name: say.feedToLoadName(load.name.toLowerCase()), piece: "wiring", from: out, to };
  if (load.kind === "three-phase motor")
    return [
      own,
      ...[2, 3].map((k) => ({
        id: `wire-${n}-L${k}`,
        name: say.lineToLoadName(`L${k}`, load.name.toLowerCase()),
        piece: "wiring",
        from: `${run.by!.id}-out-${k}`,
        to: `load-${n}-L${k}`,
      })),
    ];
  if (switched?.kind !== "transistor") return [own];
  return [
    own,
    {
      id: `back-${n}`,
      name: say.backFromLoadName(load.name.toLowerCase()),
      piece: "wiring",
      from: run.back,
      to: switched.to,
    },
  ];
}

/** The wires to a coil, or to the input of a solid-state relay. */
function switchingWires(quick: QuickMachine, run: Run): readonly Entry[] {
  const by = run.load.by!;
  const id = switchingId(run.n);
  const name = by.name.toLowerCase();
  if (by.kind === "solid-state relay")
    return [
      {
        id: `${id}-wire-plus`,
        name: say.plusTo(name),
        piece: "wiring",
        from: netsOf(quick).logicRail,
        to: `${id}-plus`,
      },
      { id: `${id}-wire`, name: say.driveTo(name), piece: "wiring", from: run.switched!.to, to: `${id}-minus` },
    ];
  const to = by.through.length > 0 ? coilGuardNet(run.n, 1) : `${id}-coil`;
  return [{ id: `${id}-wire`, name: say.driveTo(name), piece: "wiring", from: run.switched!.to, to }];
}
