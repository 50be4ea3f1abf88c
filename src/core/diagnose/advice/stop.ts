import { inSentence } from "../../quantity";
import type { Evidence, Repair } from "../evidence/evidence";
import { isReseatedWith } from "../evidence/signs";
import { isCause, isModelled } from "../evidence/simple-causes";
import { blamedAssemblies, type Hypothesis } from "../hypotheses/hypothesis";
import { type Beliefs } from "../belief/beliefs";
import type { AssemblySuspect } from "../belief/suspects";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { Equipment } from "../planning/equipment";
import type { BoundProof } from "./binding-proofs";
import { say } from "#words/core/diagnose/advice";

/** Why the search has ended, as a sentence. */
export interface Stop {
  readonly kind:
    "found" | "likely" | "group" | "something else" | "nothing wrong" | "simple cause" | "mended" | "not as drawn";
  readonly assemblies: readonly string[];
  readonly sentence: string;
}

/** What is less likely than this is not named at the end of a search; estimate E02. */
export const NAMED = 0.05;

/** The last repair took the complaint with it; that proves little where a plug was reseated on the way. */
export function mended(dictionary: FaultDictionary, beliefs: Beliefs, repairs: readonly Repair[]): Stop | null {
  const { machine } = dictionary;
  const last = repairs[repairs.length - 1];
  if (last?.result !== "gone") return null;
  const name = inSentence(machine.assemblyById.get(last.assembly)?.name ?? last.assembly);
  const sentence = (): string => {
    if (dictionary.comesAndGoes) return say.goneForNow(name);
    return reseated >= NAMED ? say.curedPerhapsByReseating(name) : say.thisRepairCuredTheComplaint(name);
  };
  const reseated = dictionary.hypotheses.reduce(
    (sum, h, i) => (isReseatedWith(machine, last.assembly, h) ? sum + beliefs.probability[i]! : sum),
    0,
  );
  return {
    kind: "mended",
    assemblies: [last.assembly],
    sentence: sentence(),
  };
}

/**
 * A simple cause that was found and is no fault of the machine: it is put right and tried, before anything is
 * measured. The last answer to a question stands.
 */
export function simpleCause({ machine }: FaultDictionary, evidence: readonly Evidence[]): Stop | null {
  const last = new Map(evidence.flatMap((e) => (e.type === "answer" ? [[e.first, e.answer] as const] : [])));
  const found = machine.file.firsts.find((f) => {
    const a = last.get(f.id);
    return a !== undefined && isCause(f, a) && !isModelled(f);
  });
  return found ? { kind: "simple cause", assemblies: [], sentence: found.then } : null;
}

const isLimited = (equipment: Equipment) => !equipment.live || !equipment.clamp || !equipment.dcClamp;

export function stopOf(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  suspects: readonly AssemblySuspect[],
  settled: boolean,
  equipment: Equipment,
  missing: readonly BoundProof[],
): Stop {
  const top = suspects[0]!;
  if (top.assembly === "no-fault" && dictionary.comesAndGoes && (settled || top.probability > 0.5))
    return { kind: "group", assemblies: [], sentence: say.itDidNotShowItself };
  if (top.assembly === "no-fault" && (settled || top.probability > 0.5))
    return { kind: "nothing wrong", assemblies: [], sentence: say.everyReadingIsAsA };
  if (top.assembly === "not-as-drawn" && (settled || top.probability > 0.5))
    return {
      kind: "not as drawn",
      assemblies: [],
      sentence: say.thisUnitDiffersFromIts(inSentence(top.faults[0]?.name ?? say.somethingDiffers)),
    };
  if (top.assembly === "something-else" && (settled || top.probability > 0.5))
    return {
      kind: "something else",
      assemblies: [],
      sentence: say.theReadingsFitNeitherOne,
    };
  if (settled && missing.length > 0)
    return {
      kind: "likely",
      assemblies: [top.assembly],
      sentence: say.likelyUnproven(top.name, missing.map((p) => inSentence(p.words)).join("; ")),
    };
  if (settled) return found(dictionary, beliefs, top);
  const left = suspects.filter(
    (s) => s.probability >= NAMED && s.assembly !== "no-fault" && s.assembly !== "something-else",
  );
  const isPerhapsSound = suspects.some((s) => s.assembly === "no-fault" && s.probability >= NAMED);
  const names = left.map((s) => s.name).join(", ");
  const group = { kind: "group", assemblies: left.map((s) => s.assembly) } as const;
  if (isLimited(equipment))
    return {
      ...group,
      sentence: say.noneOfTheTestsYou(names, isPerhapsSound ? say.partNothingWrong(names ? ", " : "") : ""),
    };
  // What shows nothing in any test cannot be told from a sound machine.
  if (isPerhapsSound)
    return {
      ...group,
      sentence: say.everyReadingIsAsAGood(names ? say.noSafeTestWouldShow(names) : ""),
    };
  return {
    ...group,
    sentence: say.noSafeTestTellsThese(names),
  };
}

/** What was found; and what goes with it: a second fault, a part it has taken along. */
function found({ machine, hypotheses }: FaultDictionary, beliefs: Beliefs, top: AssemblySuspect): Stop {
  const mine = hypotheses
    .map((h, i) => ({ h, p: beliefs.probability[i]! }))
    .filter(({ h }) => blamedAssemblies(h).includes(top.assembly))
    .sort((a, b) => b.p - a.p);
  const share = (kind: (h: Hypothesis) => boolean) => mine.reduce((sum, { h, p }) => sum + (kind(h) ? p : 0), 0);
  const two = share((h) => h.kind === "two faults") > 0.5;
  const led = mine[0]?.h.kind === "fault" ? mine[0].h.led : [];
  let more: string;
  if (two) more = say.oneFaultDoesNotExplain;
  else if (led.length > 0)
    more = say.itHasTakenWithIt(led.map((f) => inSentence(machine.partById.get(f.part)!.name)).join(" and "));
  else more = "";
  return { kind: "found", assemblies: [top.assembly], sentence: say.theFaultIsInOne(top.name, more) };
}
