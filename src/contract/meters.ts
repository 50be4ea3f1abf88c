import { z } from "zod";
import { METER_FUNCTIONS } from "../core/instrument";
import { displaySchema } from "../core/journal";
import { address, reads, sends } from "./endpoint";

/** A device at a configured address. */
export const deviceSchema = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(["meter", "supply"]),
  simulated: z.boolean(),
});
export type Device = Readonly<z.output<typeof deviceSchema>>;

const yes = z.boolean().default(false);
export const readSchema = z.strictObject({
  function: z.enum(METER_FUNCTIONS).optional(),
  live: yes,
  floats: yes,
  leadsOff: yes,
});

const name = z.string().min(1).max(60);
/** Leads of the stand-in on two points of a simulated machine, or taken off. */
export const standInSchema = z.strictObject({
  job: z.uuid().optional(),
  machine: name.optional(),
  fault: z.string().max(120).default("hidden"),
  leads: z.strictObject({ setup: name, red: name, black: name }).nullable(),
});

export const devices = reads(() => "/api/meters", z.object({ devices: z.array(deviceSchema) }));
export const readDevice = sends(
  (id: string) => address`/api/meters/${id}/read`,
  readSchema,
  z.object({ shown: displaySchema }),
);
export const layLeads = sends(() => "/api/meters/stand-in", standInSchema, z.object({ card: z.boolean() }));
