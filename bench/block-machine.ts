import { type Machine, readMachineYaml } from "../src/core/model";

/** Stations on one board: a heater with its cut-off, a pump, a valve, a sensor, a switch, a relay for each load. */
const STATIONS = 2;
/** Setups that have a machine in one of its service tests. */
const TESTS = 12;

const LOADS = [
  { id: "heat", name: "Heater", part: "kind: heater, volts: 230, watts: 900", case: true },
  { id: "pump", name: "Pump", part: "kind: pump, current: ac, volts: 230, amps: 0.6, ohms: 40", case: false },
  { id: "valve", name: "Valve", part: "kind: valve, current: ac, volts: 230, amps: 0.03, ohms: 3900", case: false },
] as const;

/** One station of a board: what it is made of, and the rows of the file. */
function station(b: number, s: number) {
  const id = `${b}${"abcd"[s]!}`;
  const board = `board${b}`;
  const parts = LOADS.flatMap((load, i) => {
    const [fed, hot] = [`X${id}-${i + 1}`, load.id === "heat" ? `hot${id}` : `X${id}-${i + 1}`];
    return [
      `{ id: K${id}${load.id}, kind: relay, name: ${load.name} relay ${id}, assembly: ${board}, coilVolts: 12, coilOhms: 360, contactAmps: 8, at: { coil-a: p12-${b}, coil-b: d${id}${load.id}, common: L${b}, make: o${id}${load.id} } }`,
      ...(load.id === "heat"
        ? [
            `{ id: cut${id}, kind: thermal cut-off, name: Cut-off ${id}, assembly: loads${id}, opensAbove: 110, place: at${id}, resets: never, at: { a: ${fed}, b: ${hot} } }`,
          ]
        : []),
      `{ id: ${load.id}${id}, ${load.part}, name: ${load.name} ${id}, assembly: loads${id}, at: { a: ${hot}, b: X${id}-4${load.case ? ", case: body" : ""} } }`,
    ];
  });
  parts.push(
    `{ id: ntc${id}, kind: ntc, name: Sensor ${id}, assembly: sense${id}, ohms25: 10k, beta: 3900, place: at${id}, at: { a: Y${id}-1, b: Y${id}-3 } }`,
    `{ id: lev${id}, kind: pressure switch, name: Level ${id}, assembly: sense${id}, place: at${id}, above: 0.5, at: { a: Y${id}-2, b: Y${id}-3 } }`,
  );
  const plug = (letter: string, pins: readonly (readonly [string, string])[]) =>
    `{ id: ${letter}${id}, name: Plug ${letter}${id}, assembly: loom${id}, near: { suffix: .pad, words: board side, cover: back }, far: { words: wire side, cover: back }, pins: [ ${pins.map(([signal, net], i) => `{ pin: "${i + 1}", signal: ${signal}, net: ${net}, colour: red }`).join(", ")} ] }`;
  return {
    id,
    parts,
    assemblies: [`loom${id}`, `loads${id}`, `sense${id}`],
    connectors: [
      plug("X", [...LOADS.map((l) => [l.name, `o${id}${l.id}`] as const), ["neutral", `N${b}`]]),
      plug("Y", [
        ["sensor", `s${id}`],
        ["level", `v${id}`],
        ["ground", `g${b}`],
      ]),
    ],
    references: { neutral: [`X${id}-4`, `X${id}-4.pad`], ground: [`Y${id}-3`, `Y${id}-3.pad`] },
    points: LOADS.map(
      (l) => `{ id: D${id}${l.id}, name: "${l.name} relay ${id}, driven pin", net: d${id}${l.id}, cover: back }`,
    ),
  };
}

/**
 * A made-up machine of real blocks, so many boards alike: each with its fuse, supply, regulator, controller, lamp and
 * two stations of loads, relays, plugs and sensors. About twenty parts a board.
 */
export function blockMachine(boards: number): Machine {
  const all = Array.from({ length: boards }, (_, b) => ({
    b,
    stations: Array.from({ length: STATIONS }, (_, s) => station(b, s)),
  }));
  const stations = all.flatMap((x) => x.stations);
  const modeOf = (b: number, s: number) => `test${(b * STATIONS + s) % TESTS}`;
  const parts = [
    "{ id: outlet, kind: outlet, name: Outlet, assembly: house, at: { line: plug-L, neutral: plug-N, earth: plug-E } }",
    "{ id: cord, kind: cord, name: Cord, assembly: cord, at: { line-pin: plug-L, neutral-pin: plug-N, earth-pin: plug-E, line: in-L, neutral: in-N, earth: body } }",
    ...all.flatMap(({ b, stations }) => {
      const sensing = stations.map((s) => `t${s.id}: { pullUpOhms: 10k }, v${s.id}: { pullUpOhms: 10k }`).join(", ");
      const outputs = stations
        .flatMap((s, i) =>
          LOADS.map((l) => `o${s.id}${l.id}: { does: sinks, ohms: 5, when: { mode: ${modeOf(b, i)} } }`),
        )
        .join(", ");
      const at = stations
        .flatMap((s) => [
          `t${s.id}: s${s.id}, v${s.id}: v${s.id}`,
          ...LOADS.map((l) => `o${s.id}${l.id}: d${s.id}${l.id}`),
        ])
        .join(", ");
      const faulty = stations
        .map(
          (s) =>
            `{ id: e${s.id}, words: Sensor ${s.id}, when: { any: [ { input: t${s.id}, above: 0.96 }, { input: t${s.id}, below: 0.02 } ] }, after: 2, blames: sense${s.id} }`,
        )
        .join(", ");
      const lit = stations.map((s) => `{ when: { code: e${s.id} }, shows: blinks fast }`).join(", ");
      return [
        `{ id: F${b}, kind: fuse, name: Fuse ${b}, assembly: board${b}, amps: 10, at: { a: in-L, b: L${b} } }`,
        `{ id: PS${b}, kind: switched supply, name: Supply ${b}, assembly: board${b}, volts: 12.4, startVolts: 150, limitAmps: 1.2, yFarads: 1n, at: { line: L${b}, neutral: N${b}, bulk-plus: bp${b}, bulk-minus: bn${b}, out: p12-${b}, return: g${b} } }`,
        `{ id: N${b}w, kind: resistor, name: Track ${b}, assembly: board${b}, ohms: 0.02, at: { a: in-N, b: N${b} } }`,
        `{ id: R${b}, kind: regulator, name: Regulator ${b}, assembly: board${b}, volts: 5, dropoutVolts: 1.5, at: { in: p12-${b}, out: p5-${b}, return: g${b} } }`,
        `{ id: U${b}, kind: controller, name: Controller ${b}, assembly: board${b}, rail: { min: 4.5, max: 5.6 }, loadOhms: 160, inputs: { ${sensing} }, codes: [ ${faulty} ], lamps: { board: [ ${lit}, { when: { always: lives }, shows: blinks evenly } ] }, outputs: { ${outputs} }, at: { rail: p5-${b}, return: g${b}, ${at} } }`,
        `{ id: lamp${b}, kind: indicator, name: Lamp ${b}, assembly: board${b}, of: U${b}, lamp: board, volts: 5, at: { plus: p5-${b}, return: g${b} } }`,
        ...stations.flatMap((s) => s.parts),
      ];
    }),
  ];
  const assemblies = ["house", "cord", ...all.map(({ b }) => `board${b}`), ...stations.flatMap((s) => s.assemblies)];
  const list = (rows: readonly string[]) => rows.map((r) => `\n  - ${r}`).join("");
  return readMachineYaml(
    `format: 2
id: blocks-${boards}
revision: "1"
manufacturer: Bench
model: B-${boards}
name: Blocks
family: dishwasher
supply: { volts: 230, hertz: 50, percent: 6 }
covers: [ { id: back, name: Back, minutes: 2, tools: [] } ]
assemblies:${list(assemblies.map((a) => `{ id: ${a}, name: ${a}, repair: Renew, minutes: 10, price: 5${a.startsWith("board") ? ", board: yes" : ""} }`))}
parts:${list(parts)}
connectors:${list(stations.flatMap((s) => s.connectors))}
points:${list([
      '{ id: plug-line, name: "Plug, line", net: plug-L }',
      '{ id: plug-neutral, name: "Plug, neutral", net: plug-N }',
      "{ id: body, name: Body, net: body, cover: back }",
      ...all.flatMap(({ b }) => [
        `{ id: TP12-${b}, name: 12 V of board ${b}, net: p12-${b}, cover: back }`,
        `{ id: TP5-${b}, name: 5 V of board ${b}, net: p5-${b}, cover: back }`,
        `{ id: FO${b}, name: Fuse ${b} far end, net: L${b}, cover: back }`,
      ]),
      ...stations.flatMap((s) => s.points),
    ])}
references:
  - { name: neutral, points: [plug-neutral, ${stations
    .flatMap((s) => s.references.neutral)
    .slice(0, 18)
    .join(", ")}] }${all
    .map(
      ({ b, stations }) =>
        `\n  - { name: ground ${b}, points: [${stations.flatMap((s) => s.references.ground).join(", ")}] }`,
    )
    .join("")}
  - { name: body, points: [body] }
setups:
  - { id: idle, name: Plugged in, power: "on", how: Plug in. }
  - { id: dead, name: Unplugged, power: "off", how: Unplug. }${Array.from(
    { length: Math.min(TESTS, boards * STATIONS) },
    (_, t) =>
      `\n  - { id: on-${t}, name: Test ${t}, power: "on", mode: test${t}, minutes: 0.5, how: Press the key of the test. }`,
  ).join("")}
paths: [ { id: p, name: Path, stages: [ { box: Feed, parts: [outlet, cord] }, { at: [plug-line, plug-neutral] }, { box: Board, parts: [PS0] } ] } ]
complaints: [ { id: dark, words: Lamp dark, setup: idle, path: p, sees: { lamp0: dark } } ]
`,
    `blocks-${boards}.yaml`,
  ).machine;
}
