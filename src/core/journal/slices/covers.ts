import type { Machine } from "../../model";
import { isPowered, panelsFor } from "../../safety";
import type { Test } from "../../simulate";
import type { Slice } from "../slice";
import { plainTest } from "./unit-state";

/** What a journal says of power and covers, as it came; what of it opens a cover only the machine knows. */
export interface CoverTrail {
  /** The setup it was last brought to; null: none yet. */
  setup: string | null;
  /** What it was opened with. */
  complaint: string | undefined;
  readonly moves: ({ readonly test: Test } | { readonly off: string } | { readonly on: string })[];
}

const COVER = "cover ";

/** Power and covers without the machine; `standingNow` says with it how the unit stands. */
export const covers: Slice<CoverTrail> = {
  init: () => ({ setup: null, complaint: undefined, moves: [] }),
  apply(state, { body }) {
    if (body.type === "opened") state.complaint = body.complaint;
    if (body.type === "standing") {
      state.setup = body.setup;
      if (body.panel) state.moves.push({ off: body.panel });
    }
    if (body.type === "reading") {
      const test = plainTest(body.test);
      state.setup = test.setup;
      state.moves.push({ test });
    }
    if (body.type === "restored" && body.item.startsWith(COVER))
      state.moves.push({ on: body.item.slice(COVER.length) });
    return state;
  },
};

/** How a unit stands by its journal: whether it has power, and which covers are off. */
export function standingNow(
  machine: Machine,
  { setup, complaint, moves }: CoverTrail,
): { readonly powered: boolean; readonly off: ReadonlySet<string> } {
  const { complaints, setups } = machine.file;
  const at = setup ?? complaints.find((c) => c.id === complaint)?.setup ?? setups[0]!.id;
  const off = new Set<string>();
  for (const move of moves) {
    if ("on" in move) off.delete(move.on);
    else for (const panel of "off" in move ? [move.off] : panelsFor(machine, move.test)) off.add(panel);
  }
  const entry = machine.setupById.get(at);
  return { powered: entry !== undefined && isPowered(entry), off };
}
