import { z } from "zod";
import { quickMachine, readParts, readSupply } from "../core/model";
import { openJob } from "./jobs";
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
