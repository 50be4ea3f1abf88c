import { ORDINARY_METER } from "../src/core/instrument";
import { compileMachine, machineFileSchema } from "../src/core/model";
import { FaultDictionary } from "../src/core/diagnose";

/**
 * A made-up machine of the size that is to be built in a second: parallel branches of wires, contacts, switches and
 * heaters behind a fuse.
 */
export function largeMachine(branches: number, setups: number) {
  const parts: object[] = [
    { id: "src", kind: "outlet", name: "Outlet", piece: "house", at: { line: "L0", neutral: "N", earth: "PE" } },
    { id: "F", kind: "fuse", name: "Fuse", piece: "fuse", amps: 60, at: { a: "L0", b: "L" } },
  ];
  const points: object[] = [
    { id: "pL", name: "Line", net: "L" },
    { id: "pN", name: "Neutral", net: "N" },
    { id: "pPE", name: "Earth", net: "PE" },
  ];
  for (let b = 0; b < branches; b++) {
    const [x, y, z] = [`a${b}`, `b${b}`, `c${b}`];
    parts.push(
      { id: `S${b}`, kind: "switch", name: `Switch ${b}`, piece: `loom${b}`, rests: "closed", at: { a: "L", b: x } },
      { id: `R${b}`, kind: "resistor", name: `Series ${b}`, piece: `loom${b}`, ohms: 3 + (b % 7), at: { a: x, b: y } },
      {
        id: `T${b}`,
        kind: "resistor",
        name: `Series ${b} far`,
        piece: `loom${b}`,
        ohms: 2 + (b % 5),
        at: { a: y, b: z },
      },
      {
        id: `H${b}`,
        kind: "heater",
        name: `Heater ${b}`,
        piece: `load${b}`,
        volts: 230,
        watts: 200 + 20 * b,
        at: { a: z, b: "N", case: "PE" },
      },
    );
    for (const net of [x, y, z]) points.push({ id: `p${net}`, name: net, net });
  }
  // Switches that rest closed; a few are opened in each setup.
  const on = (s: number) => Array.from({ length: branches }, (_, b) => `S${b}`).filter((_, b) => b % setups === s);
  const assemblies = [
    "house",
    "fuse",
    ...Array.from({ length: branches }, (_, b) => [`loom${b}`, `load${b}`]).flat(),
  ].map((id) => ({ id, name: id, repair: "Renew", minutes: 10, price: 5 }));
  return compileMachine(
    machineFileSchema.parse({
      format: 1,
      id: "large",
      revision: "1",
      maker: "Bench",
      model: "L",
      name: "Large",
      family: "washer",
      supply: { volts: 230, hertz: 50, percent: 6 },
      pieces: assemblies,
      parts,
      points,
      references: [
        { name: "neutral", points: ["pN"] },
        { name: "earth", points: ["pPE"] },
      ],
      setups: [
        ...Array.from({ length: setups - 1 }, (_, s) => ({
          id: `on${s}`,
          name: `On ${s}`,
          power: "on",
          made: on(s),
          how: "Switch",
        })),
        { id: "off", name: "Off", power: "off", how: "Unplug" },
      ],
      paths: [
        {
          id: "p",
          name: "Path",
          stages: [{ box: "Feed", parts: ["src"] }, { at: ["pL", "pN"] }, { box: "Loads", parts: ["H0"] }],
        },
      ],
      complaints: [{ id: "c", words: "Does not heat", setup: "on0", path: "p" }],
    }),
  );
}

/** The dictionary of the large machine: how long, over how many readings. */
export function benchDictionary() {
  const machine = largeMachine(48, 8);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  const start = performance.now();
  dictionary.build();
  const milliseconds = performance.now() - start;
  const samples = dictionary.hypotheses.length * machine.file.setups.length;
  return {
    nodes: machine.nets.length,
    hypotheses: dictionary.hypotheses.length,
    setups: machine.file.setups.length,
    permitted: dictionary.permitted.length,
    useful: dictionary.candidates.length,
    nominalReadings: dictionary.permitted.length * dictionary.hypotheses.length,
    solves: samples,
    milliseconds,
  };
}
