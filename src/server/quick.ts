import { z } from "zod";
import { ChangeError, quickMachine, readParts, readSupply, variantOf } from "../core/model";
import { changesIn } from "../core/journal";
import { openJob, readJob } from "./jobs";
import { newestMachine } from "./machine-store";
import { keepMachineFile } from "./machines";
import { Refusal } from "./refusal";
import type { quickSchema } from "../contract/jobs";
import { say } from "#words/server";

/** Makes the small machine file, a unit of it and a job. Answers the same for the same id. */
export async function openQuickJob(
  input: z.output<typeof quickSchema>,
  now: Date,
): Promise<{ id: string; machine: string }> {
  let supply, parts;
  try {
    supply = readSupply(input.supply);
    parts = readParts(input.loads, supply);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(400, error.message);
    throw error;
  }
  if (input.dead > parts.loads.length) throw new Refusal(400, say.chooseWhichLoadDoesNot);
  const machine = `no-file-${input.id.slice(0, 8)}`;
  const file = quickMachine({
    id: machine,
    name: input.what,
    family: input.family,
    supply,
    filter: input.filter,
    fuse: input.fuse,
    ...parts,
    ...(input.boards ? { boards: input.boards } : {}),
    ...(input.face ? { face: input.face } : {}),
    ...(input.held ? { held: input.held } : {}),
  });
  await keepMachineFile(file, "quick", now);
  const newUnit = { id: input.unit, site: input.site || say.atTheDoor, machine, serial: input.serial };
  const complaint = input.dead === 0 ? "dead" : `no-${input.dead}`;
  const { id } = await openJob({ id: input.id, newUnit, complaint, actor: input.actor }, now);
  return { id, machine };
}

/** Puts what was found on a unit into its machine's file, as a new version of it. */
export async function offerChanges(job: string, now: Date): Promise<{ id: string; hash: string }> {
  const { file, events } = await readJob(job);
  const activeChanges = changesIn(events);
  if (activeChanges.length === 0) throw new Refusal(409, say.nothingWasFoundOnThis);
  const { machine } = await newestMachine(file.id);
  try {
    const changed = variantOf(machine.file, activeChanges).file;
    return {
      id: file.id,
      hash: await keepMachineFile(
        { ...changed, revision: `${Number.parseInt(changed.revision, 10) + 1 || `${changed.revision}+`}`.slice(0, 20) },
        "found",
        now,
      ),
    };
  } catch (error) {
    if (error instanceof ChangeError) throw new Refusal(409, say.theFileHasChangedSince(error.message));
    throw error;
  }
}
