import { has, type Machine, plainConditions } from "../../model";
import { makeTest } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import { assemblySuspects, type AssemblySuspect } from "../belief/suspects";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { believe } from "../belief/beliefs";

/** One thing a machine can show that means something: a code, a text of its display, a pattern of its lamp. */
export interface MachineCode {
  /** The code it stands for; null for a text or pattern that is no code. */
  readonly code: string | null;
  readonly words: string;
  /** The part that shows it, and how. */
  readonly part: string;
  readonly partName: string;
  readonly label: string;
  /** The assembly that the maker's table blames. */
  readonly blames: string | null;
  readonly blamesName: string | null;
}

/** Everything a machine can show, codes first. */
export function codesOf(machine: Machine): readonly MachineCode[] {
  const shown: MachineCode[] = [];
  for (const part of machine.parts) {
    if (!has(part, "tells-codes") || !part.labels) continue;
    const { observed } = part.kind;
    const controller = machine.partById.get(observed?.shows?.(part.fields) ?? "");
    const program = controller?.kind.electrical.program?.(controller.fields);
    const lamp = observed?.lamp?.(part.fields);
    const lines = lamp === undefined ? (program?.display ?? []) : (program?.lamps[lamp] ?? []);
    for (const label of part.labels) {
      const of = lines
        .filter((l) => l.shows === label)
        .flatMap((l) => plainConditions(l.when))
        .flatMap((c) => ("code" in c ? [c.code] : []));
      const codes = program?.codes.filter((c) => of.includes(c.id)) ?? [];
      const common = { part: part.id, partName: part.name, label };
      if (codes.length === 0) shown.push({ ...common, code: null, words: "", blames: null, blamesName: null });
      for (const code of codes)
        shown.push({
          ...common,
          code: code.id,
          words: code.words,
          blames: code.blames ?? null,
          blamesName: code.blames ? (machine.assemblyById.get(code.blames)?.name ?? code.blames) : null,
        });
    }
  }
  return shown.sort((a, b) => Number(a.code === null) - Number(b.code === null));
}

/** Whether a code, text or pattern answers a search: every word of it somewhere in code, label or meaning. */
export function codeMatches(code: MachineCode, wanted: string): boolean {
  const text = `${code.code ?? ""} ${code.label} ${code.words}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/**
 * What a thing shown makes of the suspects: the assemblies by simulation of every fault, and what the maker's table
 * blames.
 */
export interface CodeOdds {
  readonly suspects: readonly AssemblySuspect[];
  /** Of the assembly that the table blames; null where it blames none. */
  readonly blamed: number | null;
}

/**
 * Re-weighs the suspects by what the machine shows in a setup, beside the evidence there is. Needs no dictionary
 * built.
 */
export function codeOdds(
  dictionary: FaultDictionary,
  evidence: readonly Evidence[],
  setup: string,
  shown: Pick<MachineCode, "part" | "label" | "blames">,
): CodeOdds {
  const beliefs = believe(dictionary, [
    ...evidence,
    {
      type: "reading",
      id: "shown",
      test: makeTest(setup, "look", shown.part),
      shown: { kind: "label", label: shown.label },
    },
  ]);
  const suspects = assemblySuspects(dictionary, beliefs);
  return {
    suspects,
    blamed: shown.blames === null ? null : (suspects.find((s) => s.assembly === shown.blames)?.probability ?? 0),
  };
}

/**
 * The setup in which a thing would be shown: that of a complaint which says so, else the first in which any
 * hypothesis shows it, else null.
 */
export function setupShowing(dictionary: FaultDictionary, shown: Pick<MachineCode, "part" | "label">): string | null {
  const { machine } = dictionary;
  const said = machine.file.complaints.find((c) => c.sees[shown.part] === shown.label);
  if (said) return said.setup;
  for (const setup of machine.file.setups) {
    if (setup.power === "off") continue;
    const predictions = dictionary.predictionsFor(makeTest(setup.id, "look", shown.part));
    if (predictions.some((p) => p.some((s) => s?.kind === "label" && s.label === shown.label))) return setup.id;
  }
  return null;
}
