import { has, type Machine, type UnitSign } from "../../model";
import { faultsOf, assembliesOf, type Hypothesis } from "../hypotheses/hypothesis";
import { say } from "#words/core/diagnose/evidence";

/**
 * What is seen, heard or smelt without a meter. A part's signs stand with its kind, each with its chance under every
 * failure and without one. Signs of the whole unit speak for kinds of part; their chances are estimate E13.
 */

/** In the place of a part, and no name that a part may have: the sign is of the whole unit. */
export const WHOLE_UNIT = "*";

interface UnitSignEntry {
  readonly id: UnitSign;
  readonly words: string;
  /** Chance that it is so when nothing that speaks for it has failed; what speaks for it stands with the kinds. */
  readonly otherwise: number;
}

export const UNIT_SIGNS: readonly UnitSignEntry[] = [
  {
    id: "moved",
    words: say.itComesOrGoesWhen,
    otherwise: 0.06,
  },
  {
    id: "warm",
    words: say.itFailsWhenItHas,
    otherwise: 0.08,
  },
  {
    id: "comes-and-goes",
    words: say.itComesAndGoesBy,
    otherwise: 0.1,
  },
  {
    id: "damp",
    words: say.itStandsOrStoodIn,
    otherwise: 0.2,
  },
  {
    id: "unused",
    words: say.itHadNotBeenUsed,
    otherwise: 0.12,
  },
  {
    id: "worked-on",
    words: say.someoneWorkedOnItShortly,
    otherwise: 0.12,
  },
  {
    id: "storm",
    words: say.itFailedInAThunderstorm,
    otherwise: 0.06,
  },
];

/** A sign as asked of a person. */
export interface SignAsked {
  /** The part, or `WHOLE_UNIT`. */
  readonly part: string;
  readonly partName: string;
  readonly sign: string;
  readonly words: string;
}

/** Every sign of a machine: of its parts, then of the unit. */
export function signsOf(machine: Machine): readonly SignAsked[] {
  const own = machine.parts.flatMap((part) =>
    (part.kind.failures.signs?.(part.fields) ?? []).map((s) => ({
      part: part.id,
      partName: part.name,
      sign: s.id,
      words: s.words,
    })),
  );
  return [...own, ...UNIT_SIGNS.map((s) => ({ part: WHOLE_UNIT, partName: say.theUnit, sign: s.id, words: s.words }))];
}

/** Chance that a sign is there under a hypothesis; null for a sign the machine does not have. */
export function signChance(machine: Machine, part: string, sign: string, hypothesis: Hypothesis): number | null {
  const faults = faultsOf(machine, hypothesis);
  if (part === WHOLE_UNIT) {
    const known = UNIT_SIGNS.find((s) => s.id === sign);
    if (!known) return null;
    return faults.reduce(
      (most, f) => Math.max(most, machine.partById.get(f.part)!.kind.failures.unitSigns?.[known.id] ?? 0),
      known.otherwise,
    );
  }
  const own = machine.partById.get(part);
  const known = own?.kind.failures.signs?.(own.fields).find((s) => s.id === sign);
  if (!known) return null;
  const fault = faults.find((f) => f.part === part);
  return open((fault ? known.given[fault.mode] : undefined) ?? known.otherwise);
}

/** Nobody's eye is so sure that a sign, or its absence, would rule anything out by itself. */
const open = (chance: number) => Math.min(0.99, Math.max(0.003, chance));

/**
 * A repair that was tried: how often it cures what it should, and how often a fault goes away by chance meanwhile;
 * estimate E14.
 */
const CURES = 0.9;
const GOES_BY_CHANCE = 0.06;
/** Of repairs that seemed to help, those after which the complaint comes back. */
export const WEARS_OFF = GOES_BY_CHANCE;
/** With two faults, how often the complaint goes with the first of them. */
const ONE_OF_TWO = 0.4;

/**
 * Whoever takes an assembly out pulls its plugs and pushes them home again: how often that alone cures a contact of
 * one of them; estimate E47.
 */
const RESEATED = 0.6;

/** Whether the fault is a plug's contact that was reseated when this assembly was taken out and put in. */
export function isReseatedWith(machine: Machine, assembly: string, hypothesis: Hypothesis): boolean {
  const own = new Set(machine.parts.filter((p) => p.assembly === assembly).flatMap((p) => [...p.nodeOf.values()]));
  // Where the plug itself was mended it was no swap.
  if (assembliesOf(machine, hypothesis).includes(assembly)) return false;
  return faultsOf(machine, hypothesis).some((f) => {
    const part = machine.partById.get(f.part)!;
    return has(part, "plug-contact") && [...part.nodeOf.values()].some((node) => own.has(node));
  });
}

/** Likelihood of what came of a repair of one assembly under a hypothesis; of two faults, one more is left. */
export function repairLikelihood(
  machine: Machine,
  assembly: string,
  result: "gone" | "stays",
  hypothesis: Hypothesis,
): number {
  const assemblies = assembliesOf(machine, hypothesis);
  let gone: number;
  if (assemblies.includes(assembly)) {
    if (assemblies.length === 1) gone = CURES;
    else gone = ONE_OF_TWO;
  } else if (isReseatedWith(machine, assembly, hypothesis)) gone = RESEATED;
  else gone = GOES_BY_CHANCE;
  return result === "gone" ? gone : 1 - gone;
}
