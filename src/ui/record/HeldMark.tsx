import type { Held } from "../../core/learn";
import { say } from "#words/ui/held";

/** Whether a repair held, in a word. */
export function HeldMark({ held }: { held: Held["kind"] }) {
  return <span className={`held is-${held.replace(" ", "-")}`}>{say.kinds[held]}</span>;
}
