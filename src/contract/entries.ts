import { z } from "zod";
import { eventBodySchema, type JournalEvent, newEventSchema, type RawEvent } from "../core/journal";
import { address, reads, sends } from "./endpoint";

/** An entry of a journal as it crosses the wire. */
export const entrySchema = z.object({
  id: z.string(),
  job: z.string(),
  seq: z.number(),
  v: z.union([z.literal(1), z.literal(2)]),
  actor: z.string(),
  at: z.string(),
  body: eventBodySchema,
}) satisfies z.ZodType<JournalEvent>;
/** An entry that a later program wrote. */
export const rawEntrySchema = z.object({
  id: z.string(),
  job: z.string(),
  seq: z.number(),
  v: z.number(),
  actor: z.string(),
  at: z.string(),
  body: z.unknown(),
  raw: z.literal(true),
}) satisfies z.ZodType<RawEvent>;
/** What the live stream of a job carries, an entry a message. */
export const liveSchema = z.union([rawEntrySchema, entrySchema]);

export const logEntry = sends(
  (job: string) => address`/api/jobs/${job}/events`,
  newEventSchema,
  z.object({ event: entrySchema }),
);
export const journalAfter = reads(
  (job: string, after: string) => address`/api/jobs/${job}/events?after=${after}`,
  z.object({ events: z.array(entrySchema), raw: z.array(rawEntrySchema) }),
);
export const liveAddress = (job: string, after: number) => address`/api/jobs/${job}/live?after=${String(after)}`;
