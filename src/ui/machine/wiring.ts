import { z } from "zod";

const place = { x: z.number(), y: z.number() };

/** A drawing laid out; also read back from the browser's own store. */
export const wiringSchema = z.object({
  width: z.number(),
  height: z.number(),
  /** A box is a part, or a plug with its pins. */
  boxes: z.array(
    z.object({
      id: z.string(),
      words: z.string(),
      isPlug: z.boolean(),
      ...place,
      width: z.number(),
      height: z.number(),
    }),
  ),
  lines: z.array(
    z.object({
      id: z.string(),
      energy: z.enum(["mains", "low", "other"]),
      /** Corner points. */
      points: z.array(z.tuple([z.number(), z.number()])),
      /** The wire's colour and name, where the line is one. */
      label: z.object({ words: z.string(), ...place }).nullable(),
    }),
  ),
});
export type Wiring = z.output<typeof wiringSchema>;
export type WiringLine = Wiring["lines"][number];
