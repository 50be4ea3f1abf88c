import { z } from "zod";
import { id, number, words, yesNo } from "../scalar";
import { measuredRow, pair, pin } from "./measured";

/** A state of the board, as its sheet's columns have it; the first whose sign is there is the one it is in. */
const state = z.strictObject({
  id,
  name: words,
  /** What its display or lamp shows in it. */
  shows: z.string().min(1).max(30).optional(),
  /** It is in it while the machine is asked for this mode; */
  mode: id.optional(),
  /** while this input is closed, or open; */
  closed: id.optional(),
  open: id.optional(),
  /** while the volts between two pins are above, or below, so many. Nothing of these: in every other case. */
  fed: z
    .strictObject({
      between: pair,
      above: number({ above: 0, max: 480 }).optional(),
      below: number({ above: 0, max: 480 }).optional(),
    })
    .optional(),
});

/** What a pin gives or is joined to, state by state. States that are in neither list: the sheet does not say. */
const output = z.strictObject({
  to: pin,
  from: pin,
  /** Left out: a contact joins the two pins. */
  gives: z
    .strictObject({
      volts: number({ above: 0, max: 60 }),
      current: z.enum(["dc", "ac"]).default("dc"),
      /** What it breaks down by under load, ohms. */
      ohms: number({ above: 0, max: 1e5 }).default(0.3),
      /** Share of the volts by which a sound one may lie beside them. */
      tolerance: number({ above: 0, max: 0.5 }).default(0.05),
    })
    .optional(),
  on: z.array(id).max(20).default([]),
  off: z.array(id).max(20).default([]),
  /** Seconds after the state began. */
  after: number({ min: 0, max: 3600 }).default(0),
  /** Of alternating volts, one half of each wave only: for coils that hold by it. */
  shape: z.enum(["steady", "pulsed", "half wave"]).default("steady"),
  /** Where its line is from. */
  source: z.enum(["sheet", "measured", "assumed"]).default("sheet"),
});

/** What the board looks for between two pins: a switch, a sensor. */
const input = z.strictObject({
  between: pair,
  /** Plug off, volts between them; and through how many ohms it gives them. */
  volts: number({ above: 0, max: 60 }),
  ohms: number({ above: 0, max: 1e7 }),
});

export const pinFields = () =>
  z.object({
    /** Every pin there is; of one that stands in no line the sheet says nothing. */
    pins: z.array(pin).min(2).max(80),
    feed: z.strictObject({
      between: pair,
      current: z.enum(["ac", "dc"]),
      volts: number({ above: 0, max: 480 }),
      watts: number({ above: 0, max: 500 }),
    }),
    isolated: yesNo.default(false),
    states: z.array(state).min(1).max(20),
    outputs: z.record(id, output).default({}),
    inputs: z.record(id, input).default({}),
    link: z.strictObject({ between: pair, volts: number({ above: 0, max: 60 }) }).optional(),
    /** Ohms between pins, dead, plugs off. */
    ohms: z
      .array(z.strictObject({ between: pair, ohms: number({ above: 0, max: 1e8 }) }))
      .max(60)
      .default([]),
    /** What was read on good boards. */
    measured: z.array(measuredRow).max(2000).default([]),
  });
export type PinFields = z.output<ReturnType<typeof pinFields>>;
