import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool, type Verdict } from "./tool";
import { say } from "#words/core/workbench/toggling-line";

/** Duty of a line that toggles between 0 and `high` volts, from its DC average. */
export function dutyOf(average: number, high: number): number {
  return average / high;
}

function work(given: Given): Sheet {
  const high = given.number("high") ?? 5;
  positive(high, say.theHighLevel, "high");
  const average = given.number("average");
  if (average === undefined) throw new Refused(say.typeWhatTheMeterShows, "average");
  if (average < -0.05 * high || average > 1.05 * high)
    throw new Refused(say.anAverageOutside0To(quantityText(high, "volts")), "average");
  const hertz = given.number("hertz");
  const duty = Math.min(1, Math.max(0, dutyOf(average, high)));
  const steady = duty < 0.03 || duty > 0.97;
  return {
    lines: [
      {
        label: say.dutyIfItToggles,
        text: quantityText(duty, "share"),
        big: true,
        formula: formula(
          "d = V / V high",
          `${quantityText(average, "volts")} / ${quantityText(high, "volts")}`,
          quantityText(duty, "share"),
        ),
        source: say.meanOfASquareWave,
      },
      ...(hertz
        ? [
            {
              label: say.highForLowFor,
              text: `${quantityText(duty / hertz, "seconds")}, ${quantityText((1 - duty) / hertz, "seconds")}`,
              formula: formula("d / f, (1 - d) / f", quantityText(hertz, "hertz"), quantityText(1 / hertz, "seconds")),
              source: "period",
            },
          ]
        : []),
    ],
    verdict: verdictOf(steady, duty, hertz),
    cautions: [say.blackLeadOnTheGround],
    notes: [say.aLineThatFloatsMoves],
  };
}

/** What the DC average and the frequency say of a line that toggles. */
export const togglingLineTool: Tool = {
  id: "line",
  name: say.togglingLine,
  group: "boards",
  words: say.dcAverageAndFrequencyTo,
  fields: [
    { key: "average", label: say.dcVoltsShown, quantity: "volts" },
    { key: "high", label: say.highLevel, quantity: "volts", preset: "5", min: 0 },
    { key: "hertz", label: say.frequency, quantity: "hertz" },
  ],
  work,
};

function verdictOf(steady: boolean, duty: number, hertz: number | undefined): Verdict {
  if (steady) return { kind: "good", words: say.itStandsPart(duty > 0.5 ? "high" : "low") };
  if (hertz) {
    if (hertz > 0.5) return { kind: "good", words: say.itTogglesTheFrequencyConfirms };
    return { kind: "unsure", words: say.halfWayAndHardlyA };
  }
  return {
    kind: "unsure",
    words: say.halfWayItTogglesOr,
  };
}
