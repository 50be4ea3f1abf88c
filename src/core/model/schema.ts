import { FAMILIES, FUNCTION_ROWS } from "./families";
import { z } from "zod";
import { GUARDS } from "./guards";
import { METER_FUNCTIONS } from "../instrument";
import { codeRule } from "./code-rule";
import { PART_KINDS } from "./kinds/registry";
import { gauge, id, number, once, words, yesNo } from "./scalar";
import { say } from "#words/core/model/schema";

/**
 * Machine file: everything known of one type of machine, under the names of format 1 as the code has them;
 * `file/format-2` holds what is called otherwise in a file of today. See docs/machine-file.md.
 */

const minutes = once(() => number({ min: 0, max: 600 }));
const temperature = once(() => number({ min: -60, max: 400 }));
const list = <T extends z.ZodType>(item: T, max = 400) => z.array(item).max(max).default([]);

const panelCover = once(() =>
  z.strictObject({
    id,
    name: words,
    /** To open it, and about the same to close it. */
    minutes: minutes(),
    tools: list(words, 12),
    /** Covers that have to be off before it. */
    under: list(id, 6),
    /** Its screws, by size and place: kept apart where they differ. */
    screws: list(z.strictObject({ size: words, count: number({ min: 1, max: 60 }), place: words }), 12),
  }),
);

const pin = once(() =>
  z.strictObject({
    pin: z.string().min(1).max(8),
    signal: words,
    /** The net on the near side, where that is not a point of its own. */
    net: id.optional(),
    colour: words.optional(),
  }),
);

const side = once(() =>
  z.strictObject({
    /** Added to "J2-1" to name the point on this side. */
    suffix: z.string().max(8).default(""),
    words,
    /** Behind which cover it is reached; none: from outside. */
    panel: id.optional(),
    /** Cannot be probed at all (moulded, potted). */
    hidden: yesNo.default(false),
  }),
);

const connector = once(() =>
  z.strictObject({
    id,
    name: words,
    piece: id,
    near: side(),
    far: side(),
    pins: z.array(pin()).min(1).max(60),
  }),
);

const wire = once(() =>
  z.strictObject({
    id,
    name: words.optional(),
    piece: id,
    from: id,
    to: id,
    colour: words.optional(),
    /** Its size, and its length in metres: what it carries, and what drops along it. */
    gauge: gauge().optional(),
    length: number({ above: 0, max: 200 }).optional(),
  }),
);

const base = once(() => ({
  id,
  name: words,
  piece: id,
  at: z.record(z.string().max(40), id),
  odds: z.record(z.string().max(60), number({ above: 0, max: 100 })).default({}),
}));

/** One part: the common fields and those of its kind. */
const part = once(() =>
  z.discriminatedUnion(
    "kind",
    PART_KINDS.map((kind) =>
      z.object({ ...base(), kind: z.literal(kind.kind), ...(kind.fields as z.ZodObject).shape }).strict(),
    ) as unknown as [z.ZodObject<{ kind: z.ZodLiteral<string> }>, ...z.ZodObject<{ kind: z.ZodLiteral<string> }>[]],
  ),
);

const point = once(() =>
  z.strictObject({
    id,
    name: words,
    net: id,
    panel: id.optional(),
    words: words.optional(),
    colour: words.optional(),
    /** The board it is a joint or a lead of, for whoever repairs boards; asked of nobody else. */
    inside: id.optional(),
  }),
);

const clamp = once(() =>
  z.strictObject({
    id,
    name: words,
    part: id,
    element: number({ min: 0, max: 40 }).default(0),
    panel: id.optional(),
    colour: words.optional(),
  }),
);

const reference = once(() => z.strictObject({ name: words, points: z.array(id).min(1).max(20) }));

const feed = once(() =>
  z.strictObject({
    plus: id,
    minus: id,
    volts: number({ above: 0, max: 60 }),
    current: z.enum(["dc", "ac"]).default("dc"),
    /** Its fuse. */
    amps: number({ above: 0, max: 100 }).default(2),
  }),
);

const setup = once(() =>
  z.strictObject({
    id,
    name: words,
    power: z.enum(["on", "off"]),
    /** Sources that stay off though the power is on. */
    off: list(id, 10),
    mode: id.default("run"),
    /** Keys held while one looks. */
    press: list(id, 6),
    /** Switches and selectors that are made. */
    made: list(id, 20),
    openDoors: list(id, 10),
    apart: list(id, 10),
    /** Parts whose leads are lifted; what is driven is uncoupled. */
    lifted: list(id, 10),
    /** Points joined by a wire, or by a resistor of so many ohms: the chart's value in place of a sensor. */
    jumpers: list(z.union([z.tuple([id, id]), z.tuple([id, id, number({ above: 0, max: 1e7 })])]), 6),
    /** Loads fed from a fused bench supply, the board bypassed. */
    feeds: list(feed(), 4),
    /** Parts replaced by known good ones. */
    good: list(id, 10),
    /** Loads replaced by lamps. */
    lamps: list(id, 10),
    /** Places where a magnet is held. */
    magnets: list(id, 10),
    /** Degrees Celsius where it differs from the room. */
    places: z.record(id, temperature()).default({}),
    /** How far a place is filled, pressed or turned, 0 to 1. */
    levels: z.record(id, number({ min: 0, max: 1 })).default({}),
    /** When to look, seconds after the setup was brought about. */
    seconds: number({ min: 0.1, max: 864000 }).optional(),
    /** To bring about, beyond plug and power: a key sequence, a sensor in ice. */
    minutes: minutes().default(0),
    how: words,
  }),
);

const functionName = once(() => z.enum(METER_FUNCTIONS));
const test = once(() => z.strictObject({ setup: id, function: functionName(), red: id, black: id.optional() }));

/** How a function of a machine is shown: by a test, or by eye in the machine's own words. */
const shownFunction = once(() =>
  z.union([z.strictObject({ of: words, shown: test() }), z.strictObject({ of: words, eye: words })]),
);

const share = once(() => number({ min: 0, max: 1 }));
const drawing = once(() =>
  z.strictObject({
    /** A photo, as a data address; without one the outlines are the drawing. */
    image: z
      .string()
      .max(400_000)
      .regex(/^data:image\/(png|jpeg|webp);base64,[A-Za-z0-9+/=]+$/, say.mustBeAPngJpeg)
      .optional(),
    /** Width over height. */
    ratio: number({ min: 0.2, max: 5 }).default(1.5),
    /** Points of the machine, at shares of width and height. */
    pins: z.record(id, z.tuple([share(), share()])),
    outlines: list(z.strictObject({ words, at: z.tuple([share(), share(), share(), share()]) }), 40),
  }),
);

/** How switches, or resistors left whole or cut, stand for a setting's values; see `workbench/coded-switch`. */
const coding = once(() =>
  z.strictObject({
    kind: z.enum(["switches", "resistors"]).default("switches"),
    /** Their numbers as printed, in the order of the bits of a value. */
    switches: z
      .array(number({ min: 0, max: 64 }))
      .min(1)
      .max(12),
    /** Whether a 1 of a value is on (whole) or off (cut). */
    one: z.enum(["on", "off"]).default("on"),
    /** How the board sits in the machine, and at which end of the switches its mark is, the board held upright. */
    sits: z.enum(["upright", "upside-down"]).default("upright"),
    marked: z.enum(["left", "right"]).default("left"),
  }),
);

const setting = once(() =>
  z
    .strictObject({
      id,
      name: words,
      /** How it is reached: coded switches, a cut resistor, a menu. */
      where: words,
      values: z
        .array(z.strictObject({ value: z.string().min(1).max(40), words }))
        .min(1)
        .max(60),
      factory: z.string().max(40).optional(),
      coding: coding().optional(),
      /** A code from the plate need not be in the table of values: it is typed, and checked by this. */
      rule: codeRule().optional(),
    })
    .superRefine((s, ctx) => {
      if (s.coding)
        for (const [i, { value }] of s.values.entries())
          if (value.length !== s.coding.switches.length || /[^01]/.test(value))
            ctx.addIssue({
              code: "custom",
              path: ["values", i, "value"],
              message: say.mustBeDigits0Or(s.coding.switches.length),
            });
    }),
);

/** Another part that may stand in, and what differs. */
const substitute = once(() =>
  z.strictObject({
    number: words,
    /** Revisions it is good in; none named: all. */
    revisions: list(z.string().min(1).max(20), 20),
    /** Why it must not be used though it looks alike. */
    refused: words.optional(),
    differences: list(
      z.strictObject({
        kind: z.enum(["code", "resistor", "screws", "height", "snap", "harness", "setting", "other"]),
        words,
      }),
      12,
    ),
  }),
);

/** How the settings of a new board are entered by keys: one item after another, a value up and down, and saved. */
const menu = once(() =>
  z.strictObject({
    /** The board that keeps them. */
    piece: id,
    /** How the menu is entered, in words; and the gesture of the control program that does it, where it has one. */
    how: words,
    gesture: id.optional(),
    /** Keys as they are labelled. */
    next: words,
    up: words,
    down: words.optional(),
    save: words,
    /** How the menu is left, where saving does not do it. */
    out: words.optional(),
    /** Seconds the save key is held; 0: a tap. */
    holds: number({ min: 0, max: 60 }).default(0),
    /** Settings in the order in which the menu shows them. */
    items: z.array(id).min(1).max(30),
    /** What a board shows that has never been set, and how long it takes to wake, seconds. */
    virgin: words.optional(),
    wakes: number({ min: 0, max: 3600 }).default(0),
  }),
);

/**
 * A module that is added to a machine: how its switches stand for this type, plug by plug, what lights, and how it is
 * tried.
 */
const addOn = once(() =>
  z.strictObject({
    id,
    name: words,
    switches: z
      .strictObject({
        numbers: z
          .array(number({ min: 0, max: 64 }))
          .min(1)
          .max(12),
        on: z
          .array(number({ min: 0, max: 64 }))
          .max(12)
          .default([]),
      })
      .optional(),
    harness: z.array(words).min(1).max(20),
    /** Its plugs, pin by pin: what goes in where. */
    plugs: list(
      z.strictObject({
        name: words,
        pins: z
          .array(z.strictObject({ pin: z.string().min(1).max(8), colour: words.optional(), to: words }))
          .min(1)
          .max(40),
      }),
      12,
    ),
    lights: list(words, 12),
    settings: list(z.strictObject({ where: words, value: words }), 20),
    /** A price or a time is keyed in as so many units; the most that its display or its byte takes. */
    pricing: z
      .strictObject({
        of: words,
        unit: number({ above: 0, max: 1000 }),
        sign: z.string().min(1).max(8),
        most: number({ min: 1, max: 65535 }).default(255),
        /** Where it is keyed in. */
        where: words,
      })
      .optional(),
    /** How it is tried: a test vend. */
    trial: words,
    panel: id.optional(),
  }),
);

/** How parts of a machine are held or joined. */
export const JOINT_KINDS = [
  "screw",
  "clip",
  "key slot",
  "snap tab",
  "stand-off",
  "adhesive",
  "ribbon",
  "plug",
  "terminal",
  "tab",
  "solder",
] as const;

/** One kind of joint that holds an assembly: how many, of what size, undone with what, and the cover over them. */
const joint = once(() =>
  z.strictObject({
    kind: z.enum(JOINT_KINDS),
    count: number({ min: 1, max: 100 }).default(1),
    size: words.optional(),
    tool: words.optional(),
    over: id.optional(),
  }),
);

const assembly = once(() =>
  z.strictObject({
    id,
    name: words,
    /** What is done when the fault lies here. */
    repair: words,
    minutes: minutes(),
    /** Of the spare, in the shop's money. */
    price: number({ min: 0, max: 1e6 }),
    /** What holds it and joins it, beside its plugs. */
    joints: list(joint(), 20),
    board: yesNo.default(false),
    /** The board it is soldered to: it comes out with it. */
    on: id.optional(),
    /** What a board watches over besides switching its loads; an empty list: nothing. Left out: not known. */
    guards: z.array(z.enum(GUARDS)).max(GUARDS.length).optional(),
    /** Work for a licensed trade: handed over, never tried. */
    licensed: yesNo.default(false),
    /** The number printed on it, by which it is searched and ordered. */
    number: words.optional(),
    /** The revision the file was written from. */
    revision: z.string().min(1).max(20).optional(),
    substitutes: list(substitute(), 20),
    drawing: drawing().optional(),
    /** What must have been seen before this assembly is blamed; `shows` says whether the reading must fit. */
    proofs: list(
      z.strictObject({
        of: z.enum(["feed", "ground", "request", "output", "load"]),
        words,
        any: z.array(test()).min(1).max(12),
        shows: z.enum(["good", "bad"]),
      }),
      12,
    ),
  }),
);

const box = once(() =>
  z.strictObject({
    box: words,
    parts: z.array(id).min(1).max(60),
    panel: id.optional(),
    rooms: list(z.strictObject({ name: words, parts: z.array(id).min(1).max(40) }), 6),
  }),
);
const stop = once(() => z.strictObject({ at: z.tuple([id, id]), wants: words.optional() }));
const path = once(() =>
  z.strictObject({
    id,
    name: words,
    stages: z
      .array(z.union([box(), stop()]))
      .min(2)
      .max(40),
  }),
);

const complaint = once(() =>
  z.strictObject({
    id,
    words,
    setup: id,
    path: id,
    /** What the complaint says was seen: observable part -> label. */
    sees: z.record(id, z.string().min(1).max(40)).default({}),
    /** What was seen that no part of the model shows (frost, a smell, a bill): a sound machine may look just so. */
    beyond: words.optional(),
    /**
     * Parts, or failures of parts ("KW:welded"), it can come from, where it is of something that no setup shows (a night,
     * a bill); left out: from whatever looks so.
     */
    from: z.array(z.string().min(1).max(80)).max(40).default([]),
  }),
);

const first = once(() =>
  z.strictObject({
    id,
    /** A question with yes or no for an answer. */
    ask: words,
    /** The answer that means: this is the cause. */
    cause: z.enum(["yes", "no"]).default("yes"),
    /** What is done then. */
    then: words,
    minutes: minutes(),
    /** In a hundred such jobs, how often this is it; for a cause in `parts` the search knows better. */
    odds: number({ min: 0, max: 100 }).default(0),
    /** Complaints it belongs to; none named: all. */
    complaints: list(id, 40),
    /** Parts of the machine's model in which the cause lies; none: it is no fault of the machine. */
    parts: list(id, 40),
  }),
);

/** A fault that brings about another: a shorted load that burns its relay, a leak that trips a cut-off. */
const cause = once(() =>
  z.strictObject({
    part: id,
    mode: id,
    then: z.strictObject({ part: id, mode: id }),
    /** Of the times the first is met, in how many the second has come of it already. */
    share: number({ above: 0, max: 0.9 }),
  }),
);

/**
 * What a rating plate can say, and what it picks: the index of the product code decides which boards belong in and
 * which sheet draws the unit.
 */
const plate = once(() =>
  z.strictObject({
    code: words,
    index: z.string().min(1).max(20).optional(),
    /** By assembly, the number of the board that belongs into units with this plate. */
    numbers: z.record(id, words).default({}),
    sheet: words.optional(),
  }),
);

/** What is known of a machine that its drawing does not show. */
const learned = () => ({
  /**
   * How often parts, wires and contacts fail, by part and way of failing, where it is known better than of their
   * kind; what the machine has not is passed over. Left out: as their kinds do.
   */
  odds: z.record(id, z.record(z.string().max(60), number({ min: 0, max: 100 }))).optional(),
  /** Parts, plugs and covers that were put here by their family and that nobody has seen yet; left out: none. */
  assumed: z.array(id).max(400).optional(),
});

export const machineFileSchema = z.lazy(
  once(() =>
    z.strictObject({
      format: z.union([z.literal("1"), z.literal(1)]).transform(() => 1 as const),
      id,
      revision: z.string().min(1).max(20),
      maker: words,
      model: words,
      name: words,
      family: z.enum(FAMILIES),
      /** By which row of functions it is proven after a board swap; left out: by its family. */
      functionsOf: z.enum(FUNCTION_ROWS).optional(),
      /** How each of those functions is shown, and those that this machine has besides. */
      functions: list(shownFunction(), 90),
      /**
       * What it may draw once it sleeps, milliamperes, and after how long it does, seconds; the setup and the wire in which
       * that is logged.
       */
      sleep: z
        .strictObject({
          milliamps: number({ above: 0, max: 10_000 }),
          after: number({ min: 1, max: 86_400 }),
          setup: id.optional(),
          clamp: id.optional(),
        })
        .optional(),
      /** Protection class after IEC 61140; left out: by whether it has an earth. */
      protection: z.enum(["I", "II", "III"]).optional(),
      supply: z.strictObject({
        volts: number({ above: 0, max: 480 }),
        hertz: number({ min: 0, max: 400 }),
        percent: number({ min: 0, max: 30 }),
      }),
      ambient: temperature().default(25),
      cautions: list(words, 20),
      doors: list(z.strictObject({ id, name: words }), 10),
      panels: list(panelCover(), 40),
      settings: list(setting(), 60),
      menu: menu().optional(),
      addOns: list(addOn(), 10),
      /** Left out: every unit is as the file has it, whatever its plate says. */
      plates: list(plate(), 60),
      pieces: z.array(assembly()).min(1).max(100),
      parts: z.array(part()).min(1).max(400),
      wires: list(wire()),
      connectors: list(connector(), 60),
      points: list(point()),
      clamps: list(clamp(), 60),
      references: z.array(reference()).min(1).max(20),
      setups: z.array(setup()).min(1).max(16),
      paths: z.array(path()).min(1).max(12),
      complaints: z.array(complaint()).min(1).max(40),
      /** What is asked before anything is opened. */
      firsts: list(first(), 40),
      /** Faults that bring about others; what came of one is never the end of the search. */
      causes: list(cause(), 60),
      ...learned(),
      /** The order in which someone without a plan walks from plug to load; what the search is compared with. */
      chain: list(test(), 200),
    }),
  ),
);

export type MachineFile = z.output<typeof machineFileSchema>;
export type PartEntry = MachineFile["parts"][number] & {
  id: string;
  name: string;
  piece: string;
  at: Record<string, string>;
  odds: Record<string, number>;
};
export type SetupEntry = MachineFile["setups"][number];
export type AssemblyEntry = MachineFile["pieces"][number];
export type ComplaintEntry = MachineFile["complaints"][number];
export type PathEntry = MachineFile["paths"][number];
export type SettingEntry = MachineFile["settings"][number];
export type FirstEntry = MachineFile["firsts"][number];
export type TestEntry = z.output<ReturnType<typeof test>>;
