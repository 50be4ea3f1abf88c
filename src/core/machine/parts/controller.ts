import { z } from "zod";
import { conditionHolds, conditionInputs, conditionSchema } from "../../control/condition";
import { id, number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, type Instance } from "./kind";

const ALIVE = 1;

const fields = z.object({
  rail: z.object({ min: number({ above: 0, max: 60 }), max: number({ above: 0, max: 60 }) }),
  loadOhms: number({ above: 1, max: 1e6 }),
  /** Inputs read as a share of the rail, each with the resistor that pulls it up. */
  inputs: z.record(id, z.object({ pullUpOhms: number({ above: 0, max: 1e7 }) })).default({}),
  /** Outputs: `sinks` pulls its terminal to the return, `lifts` raises it to the rail through a resistor. */
  outputs: z.record(id, z.object({ does: z.enum(["sinks", "lifts"]), ohms: number({ above: 0, max: 1e6 }), when: conditionSchema })).default({}),
});
type Fields = z.output<typeof fields>;

const shares = ({ fields: f }: Instance<Fields>, view: { dc(a: string, b: string): number }) => {
  const rail = view.dc("rail", "return");
  return (input: string) => (f.inputs[input] && rail > 0.1 ? view.dc(input, "return") / rail : 0);
};

/**
 * The chip that runs the machine: alive while its rail is in range, reads its inputs, works its outputs by the
 * control program. Its discrete state is a bit set: bit 0 alive, bit n the n-th output.
 */
export const controller = definePart<Fields>({
  kind: "controller",
  fields,
  terminals: (f) => ["rail", "return", ...Object.keys(f.inputs), ...Object.keys(f.outputs)],
  galvanic: (f) => [["rail", "return", ...Object.keys(f.inputs), ...Object.keys(f.outputs)]],
  contradictions: (f) => Object.entries(f.outputs).flatMap(([name, output]) =>
    conditionInputs(output.when).filter((input) => !(input in f.inputs)).map((input) => `output ${name} asks for an input ${input}, which the controller has not`)),
  elements: (f) => [
    ["rail", "return"],
    ...Object.keys(f.inputs).map((name) => ["rail", name] as const),
    ...Object.entries(f.outputs).map(([name, o]) => (o.does === "sinks" ? ([name, "return"] as const) : (["rail", name] as const))),
  ],
  parameters: (f) => [{ name: "load ohms", nominal: f.loadOhms, tolerance: 0.2 }, ...Object.entries(f.inputs).map(([name, i]) => ({ name: `${name} pull-up ohms`, nominal: i.pullUpOhms, tolerance: 0.01 })), { name: "idle ohms", nominal: 2e4, tolerance: VAGUE_OHMS }],
  modes: (f) => [
    { id: "dead", words: "controller dead", odds: 1.5, source: "from memory" },
    ...Object.keys(f.outputs).map((name) => ({ id: `${name}-off`, words: `output ${name} stays off`, odds: 0.8, source: "from memory" as const })),
  ],
  start: () => 0,
  stamp({ fields: f, values, mode }, stamp, state) {
    const alive = (state & ALIVE) !== 0;
    stamp.conduct(0, alive ? 1 / values[0]! : 1 / values[values.length - 1]!);
    let element = 1;
    Object.keys(f.inputs).forEach((_, i) => stamp.conduct(element++, 1 / values[i + 1]!));
    Object.entries(f.outputs).forEach(([name, output], i) => {
      const on = alive && (state & (2 << i)) !== 0 && mode !== `${name}-off`;
      stamp.conduct(element++, on ? 1 / output.ohms : OPEN);
    });
  },
  next(instance, view, state) {
    const { fields: f, mode, conditions } = instance;
    const rail = view.dc("rail", "return");
    const alive = mode !== "dead" && rail >= f.rail.min && rail <= f.rail.max;
    if (!alive) return state === 0 ? null : { state: 0, delay: 0.01 };
    const share = shares(instance, view);
    let wanted = ALIVE;
    Object.values(f.outputs).forEach((output, i) => {
      if (conditionHolds(output.when, share, conditions.mode)) wanted |= 2 << i;
    });
    if ((state & ALIVE) === 0) return { state: ALIVE, delay: 0.2 };
    return wanted === state ? null : { state: wanted, delay: 0.1 };
  },
  alone: "Its rail first, then what it is told at its inputs, then what it does at its outputs.",
});
