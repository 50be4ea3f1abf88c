import { z } from "zod";
import { quickMachine, readLoads } from "../core/model/quick";
import { applyChanges, ChangeError } from "../core/model/as-found";
import { changesIn } from "../core/journal/slices/changes";
import { openJob, readJob } from "./jobs";
import { newestMachine } from "./machine-store";
import { keepMachineFile } from "./machines";
import { Refusal } from "./refusal";

/** A job on a machine without a file: what it is, its mains, the checkpoints there are, its loads, what does not work. */
export const quickSchema = z.strictObject({
  id: z.uuid(),
  /** Id of the unit, made by the client like that of the job. */
  unit: z.uuid(),
  what: z.string().trim().min(1, "Say what machine it is.").max(60),
  family: z
    .enum(["refrigerator", "washer", "dishwasher", "dryer", "ice machine", "vending machine", "powered equipment"])
    .default("powered equipment"),
  site: z.string().trim().max(120).default(""),
  serial: z
    .string()
    .trim()
    .min(1, "Type the serial number, or say that there is none on the plate.")
    .max(60)
    .nullable(),
  volts: z.union([z.literal(120), z.literal(230), z.literal(240)]),
  filter: z.boolean(),
  fuse: z.boolean(),
  loads: z.string().trim().min(1, "Name at least one load.").max(600),
  /** Number of the load that does not work, from 1; 0: nothing works. */
  dead: z.number().int().min(0).max(8),
  actor: z.string().trim().min(1, "Say who you are.").max(80),
});

/** Makes the small machine file, a unit of it and a job. Answers the same for the same id. */
export async function openQuickJob(
  input: z.output<typeof quickSchema>,
  now: Date,
): Promise<{ id: string; machine: string }> {
  let loads;
  try {
    loads = readLoads(input.loads, input.volts);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(400, error.message);
    throw error;
  }
  if (input.dead > loads.length) throw new Refusal(400, "Choose which load does not work.");
  const machine = `no-file-${input.id.slice(0, 8)}`;
  const file = quickMachine({
    id: machine,
    name: input.what,
    family: input.family,
    volts: input.volts,
    hertz: input.volts === 230 ? 50 : 60,
    filter: input.filter,
    fuse: input.fuse,
    loads,
  });
  await keepMachineFile(file, "quick", now);
  const newUnit = { id: input.unit, site: input.site || "At the door", machine, serial: input.serial };
  const complaint = input.dead === 0 ? "dead" : `no-${input.dead}`;
  const { id } = await openJob({ id: input.id, newUnit, complaint, actor: input.actor }, now);
  return { id, machine };
}

/** Puts what was found on a unit into its machine's file, as a new version of it. */
export async function offerChanges(job: string, now: Date): Promise<{ id: string; hash: string }> {
  const { file, events } = await readJob(job);
  const standing = changesIn(events);
  if (standing.length === 0) throw new Refusal(409, "Nothing was found on this unit that its file has not.");
  const { machine } = await newestMachine(file.id);
  try {
    const changed = applyChanges(machine.file, standing);
    return {
      id: file.id,
      hash: await keepMachineFile(
        { ...changed, revision: `${Number.parseInt(changed.revision, 10) + 1 || `${changed.revision}+`}`.slice(0, 20) },
        "found",
        now,
      ),
    };
  } catch (error) {
    if (error instanceof ChangeError) throw new Refusal(409, `The file has changed since: ${error.message}`);
    throw error;
  }
}
