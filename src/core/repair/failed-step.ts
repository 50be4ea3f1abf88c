import { unitOf } from "../instrument";
import type { EventBody } from "../journal";
import type { Machine } from "../model";
import { parseReading, type Reading, readingText } from "../quantity";
import { exposureOf } from "../safety";
import { titleOf } from "../diagnose";
import { CORE_VERSION } from "../version";
import type { ProofStep } from "./proof-step";

/**
 * A step of the proof that failed, as the reading it is: the search goes on with it. Null for a step that is no test of
 * the model, and where what was seen has no name of its own.
 */
export function failedReading(
  machine: Machine,
  step: ProofStep,
  typed: string,
): Extract<EventBody, { type: "reading" }> | null {
  const { test } = step;
  if (!test) return null;
  const shown = test.function === "look" ? seenInstead(machine, step) : measured(step, typed);
  if (!shown) return null;
  const setup = machine.setupById.get(test.setup)!;
  const name = (id: string) =>
    machine.points.get(id)?.name ?? machine.clamps.get(id)?.name ?? machine.partById.get(id)?.name ?? id;
  return {
    type: "reading",
    test,
    typed: typed.slice(0, 80),
    shown,
    as: {
      title: titleOf(machine, test),
      red: name(test.red),
      ...(test.black === undefined ? {} : { black: name(test.black) }),
      setup: setup.name,
      exposure: exposureOf(machine, setup, test),
      expected: step.expected.slice(0, 80),
      shown: readingText(shown, unitOf(test.function)).slice(0, 80),
      verdict: "does not fit",
      proposed: false,
    },
    coreVersion: CORE_VERSION,
  };
}

function measured({ test }: ProofStep, typed: string): Reading | null {
  const unit = unitOf(test!.function);
  const read = parseReading(typed, unit === "" ? "beep" : unit);
  return read.ok ? read.shown : null;
}

/** What else a part can show, where that is one thing only. */
function seenInstead(machine: Machine, { test, expected }: ProofStep): Reading | null {
  const others = (machine.partById.get(test!.red)?.labels ?? []).filter((l) => l !== expected);
  return others.length === 1 ? { kind: "label", label: others[0]! } : null;
}
