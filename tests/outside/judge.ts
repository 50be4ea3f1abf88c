import { ORDINARY_METER } from "../../src/core/instrument";
import { FaultDictionary, verdictOf, windowOf } from "../../src/core/diagnose";
import { makeTest } from "../../src/core/simulate";
import { readMachineYaml } from "../../src/core/model";
import { likelihood } from "../../src/core/diagnose/reading/likelihood";
import { KETTLE } from "../support/kettle";
import type { OhmsShown } from "./spice-meter";
import type { DeadPart } from "./spice-parts";

/** The part in a machine of its own: beside a kettle, each of its terminals a point to measure at. */
function dictionaryWith(part: DeadPart): FaultDictionary {
  const at = part.terminals.map((t) => `${t}: net-${t}`).join(", ");
  const points = part.terminals.map((t) => `  - { id: at-${t}, name: ${t}, net: net-${t} }`).join("\n");
  const { machine } = readMachineYaml(
    KETTLE.replace(
      "points:\n",
      `  - { id: tried, ${part.part}, name: Tried, piece: heater, at: { ${at} } }\npoints:\n${points}\n`,
    ),
    "tried.yaml",
  );
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  return dictionary;
}

const known = new Map<string, FaultDictionary>();
function dictionaryOf(part: DeadPart): FaultDictionary {
  if (!known.has(part.part)) known.set(part.part, dictionaryWith(part));
  return known.get(part.part)!;
}

/** What Unzo says of a reading: as a sound part shows it or not, and how much better the failure explains it. */
export function judged(part: DeadPart, shown: OhmsShown) {
  const dictionary = dictionaryOf(part);
  const test = makeTest("off", "ohms", `at-${part.red}`, `at-${part.black}`);
  const predictions = dictionary.predictionsFor(test);
  const window = windowOf(test, predictions[0]!, ORDINARY_METER);
  const failed = dictionary.hypotheses.findIndex(
    (h) => h.kind === "fault" && h.fault.part === "tried" && h.fault.mode === part.mode,
  );
  return {
    verdict: verdictOf(window, shown),
    window,
    times:
      failed < 0
        ? null
        : likelihood(test, shown, predictions[failed]!, ORDINARY_METER) /
          likelihood(test, shown, predictions[0]!, ORDINARY_METER),
  };
}
