import { KIND_NAMES } from "#words/kinds";
import type { KindId } from "./kinds/registry";
import type { Part } from "./machine";

const NAMES: Readonly<Record<KindId, string>> = KIND_NAMES;

/** What a person calls the kind of a part; what the compiler puts in by itself bears its id. */
export function kindName(part: Pick<Part, "kind">): string {
  const { kind } = part.kind;
  return kind in NAMES ? NAMES[kind as KindId] : kind;
}
