import type { JobKind } from "../../core/journal";
import type { MachineFile } from "../../core/model";
import { addOnCalled } from "../../core/repair";
import { KIND_WORDS, PURPOSE_WORDS } from "#words/job";

/** What a job that is no repair is about, as its title: "Fit: card reader CR-2". */
export function kindWords(kind: JobKind, purpose: string | undefined, file: Pick<MachineFile, "addOns">): string {
  if (purpose === undefined) return KIND_WORDS[kind];
  if (kind === "fit") return `${KIND_WORDS.fit}: ${addOnCalled(file, purpose).name}`;
  return PURPOSE_WORDS[purpose] ?? purpose;
}
