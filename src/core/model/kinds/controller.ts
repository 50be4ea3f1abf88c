import { z } from "zod";
import { conditionSchema } from "../program/condition";
import { Decisions } from "../program/decisions";
import {
  faceOf,
  facesOfProgram,
  isLedByMode,
  keptMode,
  programProblems,
  programSchema,
  startOf,
  type Heard,
  type ProgramState,
} from "../program/program";
import { id, number } from "../scalar";
import { definePart, OPEN, VAGUE_OHMS, type Instance, type View, CHIPS_OHMS, CLAMP_OHMS, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/controller";

const fields = () =>
  z.object({
    rail: z.object({ min: number({ above: 0, max: 60 }), max: number({ above: 0, max: 60 }) }),
    loadOhms: number({ above: 1, max: 1e6 }),
    /** Inputs read as a share of the rail, each with the resistor that pulls it up (or down). */
    inputs: z
      .record(
        id,
        z.object({
          pullUpOhms: number({ above: 0, max: 1e7 }).optional(),
          pullDownOhms: number({ above: 0, max: 1e7 }).optional(),
        }),
      )
      .default({}),
    /** Outputs: `sinks` pulls its terminal to the return, `lifts` raises it to the rail through a resistor. */
    outputs: z
      .record(
        id,
        z.object({
          does: z.enum(["sinks", "lifts"]),
          ohms: number({ above: 0, max: 1e6 }),
          /** How well its ohms are known; left out: as a sheet or a circuit has them. */
          known: z.literal("roughly").optional(),
          when: conditionSchema,
          after: number({ min: 0, max: 86400 }).default(0),
          atOnce: conditionSchema.optional(),
        }),
      )
      .default({}),
    /** Lines scanned for keys: for each key the two lines it joins. */
    keys: z.record(id, z.tuple([id, id])).default({}),
    ...programSchema.shape,
  });
type Fields = z.output<ReturnType<typeof fields>>;

/** Outputs of which nobody knows the ohms; their parameters come after those of the inputs. */
const guessed = (f: Fields) => Object.entries(f.outputs).filter(([, o]) => o.known === "roughly");

/** The ohms of an output while it conducts: of one that is known roughly, those of the unit at hand. */
function driveOhms(f: Fields, values: readonly number[], name: string, ohms: number): number {
  const at = guessed(f).findIndex(([n]) => n === name);
  return at < 0 ? ohms : values[1 + Object.keys(f.inputs).length + at]!;
}

/** The chip without power: what it remembers of its mode, if it does. */
interface Asleep {
  readonly kept: string | null;
}
type Chip = { readonly awake: ProgramState } | { readonly asleep: Asleep };

/**
 * Parts carry one whole number as their state. A program's state is richer, so every state met is kept in a list and
 * named by its place there, one list a controller.
 */
class Chips {
  /** By the mode that the setups say, for a program that goes by it. */
  private readonly decided = new Map<string, Decisions>();
  private readonly places = new Map<string, number>();
  private readonly list: Chip[] = [];
  place(chip: Chip): number {
    const key = JSON.stringify(chip);
    const known = this.places.get(key);
    if (known !== undefined) return known;
    this.places.set(key, this.list.length);
    this.list.push(chip);
    return this.list.length - 1;
  }
  at(place: number): Chip {
    return this.list[place]!;
  }
  decisions(f: Fields, mode: string): Decisions {
    const key = f.modes.length > 0 ? "" : mode;
    let decisions = this.decided.get(key);
    if (!decisions) this.decided.set(key, (decisions = new Decisions(f, f.outputs)));
    return decisions;
  }
}
const CHIPS = new WeakMap<Fields, Chips>();
function chipsOf(f: Fields): Chips {
  let chips = CHIPS.get(f);
  if (!chips) {
    CHIPS.set(f, (chips = new Chips()));
    chips.place({ asleep: { kept: null } });
  }
  return chips;
}

const lines = (f: Fields) => [...new Set(Object.values(f.keys).flat())];

function heardBy({ fields: f }: Instance<Fields>, view: View): Heard {
  const rail = view.dc("rail", "return");
  return {
    share: (input) => (f.inputs[input] && rail > 0.1 ? view.dc(input, "return") / rail : 0),
    keyDown: (key) => {
      const pair = f.keys[key];
      return pair !== undefined && view.joined(pair[0], pair[1]);
    },
  };
}

const DIE = "die";
const WAKE = "wake";

/**
 * The chip that runs the machine: alive while its rail is in range, reads its inputs and keys, works its outputs by
 * the control program. Without its rail it does nothing, shows nothing and enters no mode.
 */
export const controller = definePart({
  kind: "controller",
  fields,
  contradictions: (f) => [
    ...programProblems(f, f.outputs, Object.keys(f.inputs), Object.keys(f.keys)),
    ...Object.entries(f.inputs).flatMap(([name, i]) =>
      (i.pullUpOhms === undefined) === (i.pullDownOhms === undefined)
        ? [say.inputNeedsPullupohmsOrPulldownohms(name)]
        : [],
    ),
  ],
  electrical: {
    terminals: (f) => ["rail", "return", ...Object.keys(f.inputs), ...Object.keys(f.outputs), ...lines(f)],
    galvanic: (f) => [["rail", "return", ...Object.keys(f.inputs), ...Object.keys(f.outputs), ...lines(f)]],
    carries: (f) => ({ direct: ["rail", ...Object.keys(f.inputs), ...Object.keys(f.outputs), ...lines(f)] }),
    elements: (f) => [
      ["rail", "return"],
      ...Object.entries(f.inputs).map(([name, i]) =>
        i.pullUpOhms === undefined ? ([name, "return"] as const) : (["rail", name] as const),
      ),
      ...Object.entries(f.outputs).map(([name, o]) =>
        o.does === "sinks" ? ([name, "return"] as const) : (["rail", name] as const),
      ),
      ...lines(f).map((line) => [line, "return"] as const),
    ],
    parameters: (f) => [
      { name: "load ohms", nominal: f.loadOhms, tolerance: 0.2 },
      ...Object.entries(f.inputs).map(([name, i]) => ({
        name: `${name} ${i.pullUpOhms === undefined ? "pull-down" : "pull-up"} ohms`,
        nominal: i.pullUpOhms ?? i.pullDownOhms ?? 1e4,
        tolerance: 0.01,
      })),
      ...guessed(f).map(([name, o]) => ({
        name: `${name} drive ohms`,
        nominal: o.ohms,
        tolerance: VAGUE_OHMS,
        vague: true,
      })),
      { name: "idle ohms", nominal: 2e4, tolerance: VAGUE_OHMS, vague: true },
    ],
    start: ({ fields: f }) => chipsOf(f).place({ asleep: { kept: null } }),
    stamp({ fields: f, values, mode }, stamp, state) {
      const chip = chipsOf(f).at(state);
      const on = "awake" in chip ? chip.awake.on : [];
      stamp.conduct(0, "awake" in chip ? 1 / values[0]! : 1 / values[values.length - 1]!);
      let element = 1;
      Object.keys(f.inputs).forEach((_, i) => stamp.conduct(element++, 1 / values[i + 1]!));
      for (const [name, output] of Object.entries(f.outputs))
        stamp.conduct(
          element++,
          on.includes(name) && mode !== `${name}-off` ? 1 / driveOhms(f, values, name, output.ohms) : OPEN,
        );
      for (const _line of lines(f)) stamp.conduct(element++, 1 / 1e6);
    },
    dead({ fields: f, values }, stamp) {
      stamp.between(0, OPEN, 1 / CHIPS_OHMS);
      let element = 1;
      Object.keys(f.inputs).forEach((_, i) => {
        const pull = 1 / values[i + 1]!;
        stamp.between(element++, pull, pull + 1 / CLAMP_OHMS);
      });
      for (const _output of Object.keys(f.outputs)) stamp.between(element++, OPEN, 1 / JUNCTION_OHMS);
      for (const _line of lines(f)) stamp.between(element++, OPEN, 1 / CLAMP_OHMS);
    },
    next(instance, view, state) {
      const { fields: f, mode, conditions } = instance;
      const chips = chipsOf(f);
      const chip = chips.at(state);
      const rail = view.dc("rail", "return");
      const alive = mode !== "dead" && rail >= f.rail.min && rail <= f.rail.max;
      if (!alive) return "awake" in chip ? [{ state: DIE, delay: 0.01 }] : null;
      if (!("awake" in chip)) return [{ state: WAKE, delay: 0.2 }];
      // Without modes of its own the program is in the mode the setup asks for.
      const now = f.modes.length > 0 ? chip.awake : { ...chip.awake, mode: conditions.mode };
      return chips.decisions(f, conditions.mode).wishesIn(String(state), now, heardBy(instance, view));
    },
    fire(instance, view, state, keys) {
      const { fields: f, conditions } = instance;
      const chips = chipsOf(f);
      const chip = chips.at(state);
      if (keys.includes(DIE))
        return chips.place({ asleep: { kept: "awake" in chip ? keptMode(f, chip.awake.mode) : chip.asleep.kept } });
      if (!("awake" in chip))
        return chips.place({
          awake: { ...startOf(f), ...(chip.asleep.kept === null ? {} : { mode: chip.asleep.kept }) },
        });
      const now = f.modes.length > 0 ? chip.awake : { ...chip.awake, mode: conditions.mode };
      const decisions = chips.decisions(f, conditions.mode);
      return chips.place({ awake: decisions.after(String(state), now, keys, heardBy(instance, view)) });
    },
    inMode({ fields: f, conditions }, state) {
      const chip = chipsOf(f).at(state);
      if (!("awake" in chip)) return null;
      return f.modes.length > 0 ? chip.awake.mode : conditions.mode;
    },
    program: (f) => f,
    isLedByMode: (f) => isLedByMode(f, f.outputs),
  },
  failures: {
    modes: (f) => [
      { id: "dead", words: say.controllerDead, odds: 1.5, source: "from memory" },
      ...Object.keys(f.outputs).map((name) => ({
        id: `${name}-off`,
        words: say.outputStaysOff(name),
        odds: 0.8,
        source: "from memory" as const,
      })),
    ],
    signs: () => [
      { id: "scorch", words: say.scorchMarkOnTheBoard, given: { dead: 0.12 }, otherwise: 0.01 },
      { id: "residue", words: say.driedWaterOrInsectsOn, given: { dead: 0.2 }, otherwise: 0.04 },
    ],
    hinders: () => ["dead"],
    unitSigns: { storm: 0.3 },
  },
  observed: {
    face({ fields: f, conditions }, state) {
      const chip = chipsOf(f).at(state);
      if (!("awake" in chip)) return null;
      return faceOf(f, f.modes.length > 0 ? chip.awake : { ...chip.awake, mode: conditions.mode });
    },
    faces: (f) => facesOfProgram(f),
  },
  safety: {
    traits: [],
    cautions: [say.staticKillsBoardsTouchBare],
  },
  service: {
    alone: say.itsRailFirstThenWhat,
    onBoard: (mode) => {
      if (/^(in|input|sense)|-input|input-/.test(mode)) return "sensor input";
      return mode.endsWith("-off") ? "driver" : "controller";
    },
  },
});
