import { evidenceOf, type Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { type Evidence, expressible, type Equipment, type SetAside, type Times } from "../../core/diagnose";
import type { PlainUnitState } from "../../workers/isolation-desk";

/** What advice is asked for; `key` names it: the same key, the same answer. */
export interface Question {
  readonly evidence: readonly Evidence[];
  readonly unitState: PlainUnitState;
  readonly key: string;
}

/** The changes a unit bears, as a key: with other changes it is another machine. */
export const changesOf = (job: Job) => job.changes.map((c) => c.id).join(" ");

/**
 * What the screen asks of the search. Only what re-weighs suspects or changes costs makes another question; a notice
 * read or a note does not.
 */
export function questionOf(
  machine: Machine,
  job: Job,
  equipment: Equipment,
  times: Times,
): Question & { readonly aside: readonly SetAside[] } {
  const { kept: evidence, aside } = expressible(machine, evidenceOf(job));
  const unitState = { setup: job.setup, openPanels: job.openPanels, equipment, times };
  return {
    evidence,
    aside,
    unitState,
    key: [...evidence.map((e) => e.id), job.setup, ...job.openPanels, changesOf(job), JSON.stringify(equipment)].join(
      " ",
    ),
  };
}
