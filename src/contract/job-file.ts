import { z } from "zod";
import { sends } from "./endpoint";

/** What became of a job that was taken in from a file. */
export const jobTakenSchema = z.object({ id: z.string(), became: z.enum(["new", "same"]) });
export type JobTaken = Readonly<z.output<typeof jobTakenSchema>>;

/** The file as it is: its text, and who takes it in. */
export const takeJobFile = sends(
  (actor: string) => `/api/jobs/import?by=${encodeURIComponent(actor)}`,
  z.instanceof(Blob),
  jobTakenSchema,
);
