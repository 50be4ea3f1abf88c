import { type Test, testKey } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import type { FaultDictionary } from "../dictionary/fault-dictionary";

/**
 * Looks that are not asked for: at what was seen already to be not as it should, by the complaint or by a look, in
 * any setup in which it should show the same. Nothing was changed that could light it, and the complaint is never
 * asked back. A service test does change something: it drives an output past what else would ask for it. Keys of tests.
 */
export function secondLooks(dictionary: FaultDictionary, evidence: readonly Evidence[]): ReadonlySet<string> {
  const { machine } = dictionary;
  const should = (test: Test): string | null => {
    const sound = dictionary.predictionsFor(test)[0]![0];
    return sound?.kind === "label" ? sound.label : null;
  };
  const modeOf = (setup: string) => machine.setupById.get(setup)?.mode;
  const looks = dictionary.candidates.filter((t) => t.function === "look" && t.instant === "settled");
  const repairs = evidence.filter((e) => e.type === "tried").length;
  const seen = evidence.flatMap((e): readonly { part: string; setup: string; label: string }[] => {
    if (e.type === "complaint") {
      const complaint = machine.file.complaints.find((c) => c.id === e.complaint);
      if (!complaint || repairs > 0) return [];
      return Object.entries(complaint.sees).map(([part, label]) => ({ part, setup: complaint.setup, label }));
    }
    if (e.type !== "reading" || e.test.function !== "look" || e.shown.kind !== "label") return [];
    if ((e.repairs?.length ?? 0) !== repairs) return [];
    return [{ part: e.test.red, setup: e.test.setup, label: e.shown.label }];
  });
  const wrong = seen.flatMap(({ part, setup, label }) => {
    const own = looks.find((t) => t.red === part && t.setup === setup);
    const sound = own ? should(own) : null;
    return sound !== null && sound !== label ? [{ part, sound, mode: modeOf(setup) }] : [];
  });
  const isSecond = (t: Test) =>
    wrong.some((w) => w.part === t.red && w.sound === should(t) && w.mode === modeOf(t.setup));
  return new Set(looks.filter(isSecond).map(testKey));
}
