import { z } from "zod";
import { CARES, MOST_WAIT } from "../core/journal";
import { actorSchema, address, reads, sends } from "./endpoint";
import { say } from "#words/contract";

/** Something that is waited for, wherever one is. */
export const openWaitSchema = z.object({
  /** The job it belongs to; null: to none. */
  job: z.string().nullable(),
  /** Where its unit stands, and what is complained of; null without a job. */
  site: z.string().nullable(),
  wait: z.string(),
  words: z.string(),
  /** The assembly whose repair it belongs to, where the journal says. */
  assembly: z.string().nullable(),
  /** When it is due, ISO 8601. */
  due: z.string(),
  /** Whether one may go away meanwhile; null: nobody has said, so one stays. */
  care: z.enum(CARES).nullable(),
});
export type OpenWait = Readonly<z.output<typeof openWaitSchema>>;
export const waiting = reads(() => "/api/waits", z.object({ waits: z.array(openWaitSchema), more: z.number() }));

/** A wait that belongs to no job; the ids are made by the client, so that sending twice is harmless. */
export const beginWaitSchema = z.strictObject({
  id: z.uuid(),
  wait: z.uuid(),
  words: z.string().trim().min(1, say.sayWhatIsWaitedFor).max(200),
  seconds: z.number().min(1).max(MOST_WAIT, say.thatIsLongerThanA),
  care: z.enum(CARES),
  actor: actorSchema,
});
export const beginWait = sends(() => "/api/waits", beginWaitSchema, z.object({ wait: z.string() }));
export const endWaitSchema = z.strictObject({ id: z.uuid(), actor: actorSchema });
export const endWait = sends(
  (wait: string) => address`/api/waits/${wait}`,
  endWaitSchema,
  z.object({ wait: z.string() }),
);
