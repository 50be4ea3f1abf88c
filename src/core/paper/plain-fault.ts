import type { Machine } from "../model";
import { say } from "#words/core/paper/plain-fault";

/** A fault, `part:mode`, as it is told to whoever owns the machine; null where the machine has none of that name. */
export function plainFault(machine: Machine, fault: string): string | null {
  const [id = "", modeId = ""] = fault.split(":");
  const part = machine.partById.get(id);
  const mode = part?.modes.find((m) => m.id === modeId);
  if (!part || !mode) return null;
  return say.byMode[mode.id]?.(part.name) ?? say.other(part.name, mode.words);
}
