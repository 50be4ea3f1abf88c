import { makeTest, type Test, testKey } from "../../simulate";
import { type Beliefs } from "../belief/beliefs";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { Evidence } from "../evidence/evidence";
import type { UnitState } from "../planning/cost";
import { ALL_EQUIPMENT, canMake } from "../planning/equipment";
import { type RatedTest, rateOne } from "../planning/rating";
import { verdictOf, windowOf } from "../reading/window";

/** What has to be seen to before a unit is called sound: by a step, or because a reading stands against it. */
export interface BeforeSound {
  readonly step: RatedTest | null;
  /** Why the step is made. */
  readonly why: "complaint" | "misfit";
  /** The reading that no sound machine shows, though it was made twice; its id. */
  readonly against: string | null;
}

/** Readings, the last of each test and after the last repair, that a sound machine does not show. */
function misfits(dictionary: FaultDictionary, unitState: UnitState, evidence: readonly Evidence[]) {
  const repairs = unitState.repairs?.length ?? 0;
  const last = new Map<string, { readonly id: string; readonly test: Test; readonly times: number; fits: boolean }>();
  for (const e of evidence) {
    if (e.type !== "reading" || e.test.instant !== "settled" || (e.repairs?.length ?? 0) !== repairs) continue;
    const key = testKey(e.test);
    const sound = dictionary.predictionsFor(e.test)[0]!;
    const fits = verdictOf(windowOf(e.test, sound, dictionary.meter), e.shown) === "fits";
    last.set(key, { id: e.id, test: e.test, times: (last.get(key)?.times ?? 0) + 1, fits });
  }
  return [...last.values()].filter((r) => !r.fits);
}

/** What speaks against calling a unit sound: what was complained of is unseen, or a reading is not as a sound one's. */
export function beforeSound(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
): BeforeSound {
  const unseen = complaintToSee(dictionary, beliefs, unitState, evidence);
  if (unseen) return { step: unseen, why: "complaint", against: null };
  const odd = misfits(dictionary, unitState, evidence);
  const once = odd.filter(
    (r) => r.times === 1 && canMake(dictionary.machine, r.test, unitState.equipment ?? ALL_EQUIPMENT),
  );
  if (once[0])
    return { step: rateOne(dictionary, beliefs.probability, unitState, once[0].test), why: "misfit", against: null };
  return { step: null, why: "misfit", against: odd[0]?.id ?? null };
}

/**
 * What was complained of and nobody here has looked at yet, as the cheapest look; null when all of it was seen, or is of
 * a kind that cannot be seen. Asked only before a unit is called sound: whoever complains saw something, and a sound
 * unit does not show it.
 */
function complaintToSee(
  dictionary: FaultDictionary,
  beliefs: Beliefs,
  unitState: UnitState,
  evidence: readonly Evidence[],
): RatedTest | null {
  const { machine } = dictionary;
  const id = evidence.find((e) => e.type === "complaint")?.complaint;
  const complaint = machine.file.complaints.find((c) => c.id === id);
  if (!complaint) return null;
  const seen = new Set(
    evidence.flatMap((e) =>
      e.type === "reading" && (e.repairs?.length ?? 0) === (unitState.repairs?.length ?? 0) ? [testKey(e.test)] : [],
    ),
  );
  const looks = Object.keys(complaint.sees)
    .map((part) => makeTest(complaint.setup, "look", part))
    .filter((test) => !seen.has(testKey(test)) && canMake(machine, test, unitState.equipment ?? ALL_EQUIPMENT))
    .map((test) => rateOne(dictionary, beliefs.probability, unitState, test));
  return looks.sort((a, b) => a.minutes - b.minutes || (testKey(a.test) < testKey(b.test) ? -1 : 1))[0] ?? null;
}
