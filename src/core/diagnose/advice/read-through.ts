import { inSentence } from "../../quantity";
import { has } from "../../model";
import type { Test } from "../../simulate";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import { windowOf } from "../reading/window";
import { say } from "#words/core/diagnose/advice";

/** More parts than this are counted, not named. */
const MOST_NAMED = 3;

/**
 * Through what an ohmmeter reads, in words: the parts in whose lead it lies, which one of them open would show as
 * overload, and those beside them, which one of them open would show as more. Empty for any other function, and where
 * a sound machine shows an overload or every fault shows the same.
 */
export function readThrough(dictionary: FaultDictionary, test: Test): string {
  if (test.function !== "ohms") return "";
  const { machine, hypotheses, meter } = dictionary;
  const predictions = dictionary.predictionsFor(test);
  const window = windowOf(test, predictions[0]!, meter);
  if (window.kind !== "range") return "";
  const [through, beside] = [new Set<string>(), new Set<string>()];
  hypotheses.forEach((h, i) => {
    if (h.kind !== "fault" || h.led.length > 0) return;
    const part = machine.partById.get(h.fault.part)!;
    const shown = predictions[i]!;
    if (has(part, "conductor") || shown.length === 0) return;
    if (shown.every((s) => s?.kind === "overload")) through.add(part.name);
    else if (shown.every((s) => s?.kind === "value" && s.value > window.high)) beside.add(part.name);
  });
  for (const name of through) beside.delete(name);
  return [through.size > 0 ? say.readThrough(named(through)) : "", beside.size > 0 ? say.readBeside(named(beside)) : ""]
    .filter(Boolean)
    .join(", ");
}

function named(names: ReadonlySet<string>): string {
  const all = [...names].map(inSentence);
  if (all.length <= MOST_NAMED + 1) return all.join(", ");
  return say.andMore(all.slice(0, MOST_NAMED).join(", "), all.length - MOST_NAMED);
}
