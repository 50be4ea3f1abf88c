import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool, type Verdict } from "./tool";

/** Duty of a line that toggles between 0 and `high` volts, from its DC average. */
export function dutyOf(average: number, high: number): number {
  return average / high;
}

function work(given: Given): Sheet {
  const high = given.number("high") ?? 5;
  positive(high, "The high level", "high");
  const average = given.number("average");
  if (average === undefined) throw new Refused("Type what the meter shows on DC volts.", "average");
  if (average < -0.05 * high || average > 1.05 * high)
    throw new Refused(
      `An average outside 0 to ${quantityText(high, "volts")} is not this line: other reference, or another high level.`,
      "average",
    );
  const hertz = given.number("hertz");
  const duty = Math.min(1, Math.max(0, dutyOf(average, high)));
  const steady = duty < 0.03 || duty > 0.97;
  return {
    lines: [
      {
        label: "Duty, if it toggles",
        text: quantityText(duty, "share"),
        big: true,
        formula: formula(
          "d = V / V high",
          `${quantityText(average, "volts")} / ${quantityText(high, "volts")}`,
          quantityText(duty, "share"),
        ),
        source: "mean of a square wave",
      },
      ...(hertz
        ? [
            {
              label: "High for, low for",
              text: `${quantityText(duty / hertz, "seconds")}, ${quantityText((1 - duty) / hertz, "seconds")}`,
              formula: formula("d / f, (1 - d) / f", quantityText(hertz, "hertz"), quantityText(1 / hertz, "seconds")),
              source: "period",
            },
          ]
        : []),
    ],
    verdict: verdictOf(steady, duty, hertz),
    cautions: ["Black lead on the ground of the same board."],
    notes: ["A line that floats moves when you touch the lead's insulation; one that is driven does not."],
  };
}

/** What the DC average and the frequency say of a line that toggles. */
export const togglingLineTool: Tool = {
  id: "line",
  name: "Toggling line",
  group: "Boards",
  words: "DC average and frequency to duty",
  fields: [
    { key: "average", label: "DC volts shown", quantity: "volts" },
    { key: "high", label: "High level", quantity: "volts", preset: "5", min: 0 },
    { key: "hertz", label: "Frequency", quantity: "hertz" },
  ],
  work,
};

function verdictOf(steady: boolean, duty: number, hertz: number | undefined): Verdict {
  if (steady) return { kind: "good", words: `It stands ${duty > 0.5 ? "high" : "low"}.` };
  if (hertz) {
    if (hertz > 0.5) return { kind: "good", words: "It toggles: the frequency confirms it." };
    return { kind: "unsure", words: "Half-way and hardly a frequency: floating?" };
  }
  return {
    kind: "unsure",
    words: "Half-way: it toggles, or it floats. Measure the frequency: a floating line has none that stays.",
  };
}
