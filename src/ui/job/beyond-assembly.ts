import type { Advice, Equipment } from "../../core/diagnose";
import { canOpen, type Machine } from "../../core/model";
import { say } from "#words/ui/job/JobScreen";

/** The board at which the search ended and inside which it could go on; null for whoever never goes on, or already has. */
export function boardToOpen(advice: Advice | null, machine: Machine, equipment: Equipment): string | null {
  const found = advice?.stop?.kind === "found" ? advice.stop.assemblies[0] : undefined;
  if (found === undefined || advice?.inside || equipment.boards) return null;
  return canOpen(machine, found) ? found : null;
}

/** What the search goes on to once the assembly is known, in words; empty before that. */
export function beyondWords(advice: Advice, machine: Machine): string {
  if (advice.inside) return say.insideBoard(machine.assemblyById.get(advice.inside.board)!.name);
  return advice.why ? say.whyItOpened(advice.why.name) : "";
}

/** The likeliest fault of all, "part:mode"; inside a board that of its components. */
export function likeliestOf({ suspects, inside }: Advice): string | null {
  const [first] = inside?.suspects ?? suspects;
  return first?.faults[0]?.id.split(">")[0] ?? null;
}

/** What a person has said brought about what was found; empty where nobody has, or the readings tell. */
export const saidToHaveDoneIt = (advice: Advice | null): string =>
  advice?.why?.asked.find((a) => a.answer === true)?.words ?? "";
