import type { EventBody, Job, JournalEvent } from "../journal";
import type { Machine } from "../model";
import { replacesWhole } from "../repair";

/** An assembly that was replaced and did not end the complaint: it was probably good. */
export interface BoughtInVain {
  readonly assembly: string;
  readonly name: string;
  readonly isBoard: boolean;
  /** What the customer was asked for it; null where nothing was decided about it. */
  readonly price: number | null;
}

type Decided = Extract<EventBody, { type: "decided" }>;

/**
 * What was replaced in a job while the complaint stayed. Not what the job was closed on in the end: that was put in once
 * more, or right the second time.
 */
export function boughtInVain(machine: Machine, job: Job, events: readonly JournalEvent[]): readonly BoughtInVain[] {
  const found = new Map<string, BoughtInVain>();
  const decided = new Map<string, Decided>();
  const struck = new Set(events.flatMap(({ body }) => (body.type === "struck" ? [body.event] : [])));
  for (const { id, body } of events) {
    if (struck.has(id)) continue;
    if (body.type === "decided") decided.set(body.piece, body);
    if (body.type !== "tried" || body.result !== "stays" || body.piece === job.called?.piece) continue;
    const said = decided.get(body.piece);
    if (said && !replacesWhole(said.option)) continue;
    const assembly = machine.assemblyById.get(body.piece);
    if (!assembly) continue;
    found.set(body.piece, {
      assembly: body.piece,
      name: assembly.name,
      isBoard: assembly.board === true,
      price: said?.price ?? null,
    });
  }
  return [...found.values()];
}
