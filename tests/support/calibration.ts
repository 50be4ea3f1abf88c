import type { Evidence } from "../../src/core/diagnose/evidence/evidence";
import type { Hypothesis } from "../../src/core/diagnose/hypotheses/hypothesis";
import { scaleOf, isNumeric } from "../../src/core/diagnose/reading/scale";
import type { Reading } from "../../src/core/quantity/read";
import type { Test } from "../../src/core/simulate/test";
import { randomValues, UnitOnTheBench } from "./unit-on-the-bench";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";
import { believe, involvement } from "../../src/core/diagnose/belief/beliefs";

/** Of the beliefs between two tenths, how many there were and how many came true. */
export interface Decile {
  readonly from: number;
  readonly cases: number;
  readonly believed: number;
  readonly true: number;
}

export interface Calibration {
  readonly runs: number;
  readonly deciles: readonly Decile[];
}

/** Tests made in one run, at most. */
const TESTS = 5;
/** As the model has it: a reading in so many is a slip. */
const SLIP = 0.02;

/**
 * Draws the truth from the prior (fault by its odds, part values, mains and room evenly, meter noise, slips), makes a
 * few tests drawn from those that tell something, and asks after each how likely every assembly is: of what was believed
 * at 30 %, three in ten must be true.
 */
export function calibrate(isolations: readonly FaultDictionary[], each: number, random: () => number): Calibration {
  const sums = Array.from({ length: 10 }, () => ({ cases: 0, believed: 0, true: 0 }));
  let runs = 0;
  for (const dictionary of isolations) {
    for (let k = 0; k < each; k++) {
      const truth = drawn(dictionary.hypotheses, random);
      if (truth.kind === "something else") continue;
      runs++;
      const unit = new UnitOnTheBench(
        dictionary.machine,
        truth.kind === "fault" ? [truth.fault, ...truth.led] : [],
        randomValues(dictionary.machine, random),
        random,
      );
      const evidence: Evidence[] = [];
      for (let t = 0; t < TESTS; t++) {
        const test = dictionary.candidates[Math.floor(random() * dictionary.candidates.length)]!;
        evidence.push({
          type: "reading",
          id: `r${t}`,
          test,
          shown: random() < SLIP ? slip(dictionary, test, random) : unit.read(test),
        });
        // What cannot be drawn is left out of what is believed.
        const probability = believe(dictionary, evidence).probability;
        const other = probability[dictionary.hypotheses.findIndex((h) => h.kind === "something else")]!;
        for (const [assembly, p] of involvement(dictionary, probability)) {
          if (assembly === "something-else") continue;
          const believed = p / (1 - other);
          if (believed < 0.005) continue;
          const tenth = sums[Math.min(9, Math.floor(10 * believed))]!;
          tenth.cases++;
          tenth.believed += believed;
          if (truth.assembly === assembly) tenth.true++;
        }
      }
    }
  }
  return {
    runs,
    deciles: sums.map((s, i) => ({
      from: i / 10,
      cases: s.cases,
      believed: s.cases > 0 ? s.believed / s.cases : 0,
      true: s.cases > 0 ? s.true / s.cases : 0,
    })),
  };
}

function drawn(hypotheses: readonly Hypothesis[], random: () => number): Hypothesis {
  let left = random() * hypotheses.reduce((sum, h) => sum + h.prior, 0);
  for (const h of hypotheses) {
    left -= h.prior;
    if (left < 0) return h;
  }
  return hypotheses[hypotheses.length - 1]!;
}

/** A slip as the model has it: anything the display can show, evenly on the meter's own scale. */
function slip(dictionary: FaultDictionary, test: Test, random: () => number): Reading {
  if (!isNumeric(test.function)) {
    const labels = dictionary.machine.partById.get(test.red)?.labels ?? [];
    return { kind: "label", label: labels[Math.floor(random() * labels.length)] ?? "" };
  }
  const at = random();
  if (at < 0.1) return { kind: "overload" };
  const scale = scaleOf(dictionary.meter, test.function);
  const y =
    random() * scale.width * (test.function === "dcv" && random() < 0.5 ? -0.5 : test.function === "dcv" ? 0.5 : 1);
  return { kind: "value", value: (Math.sinh(y * scale.relative) * scale.absolute) / scale.relative };
}
