import { z } from "zod";
import { reads } from "./endpoint";

/** A closed repair of which it is time to ask whether it held. */
export const followUpSchema = z.object({
  job: z.string(),
  site: z.string(),
  result: z.string().nullable(),
  complaint: z.string().nullable(),
  /** ISO 8601. */
  closedAt: z.string(),
  dueAt: z.string(),
});
export type FollowUp = Readonly<z.output<typeof followUpSchema>>;
export const followUps = reads(() => "/api/follow-ups", z.object({ followUps: z.array(followUpSchema) }));
