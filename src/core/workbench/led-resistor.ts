import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool } from "./tool";

/** The E12 series (IEC 60063), one decade. */
export const E12 = [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82] as const;

/** The next E12 value at or above some ohms. */
export function preferred(ohms: number): number {
  const decade = 10 ** Math.floor(Math.log10(ohms) - 1);
  return (E12.find((e) => e * decade >= ohms * (1 - 1e-9)) ?? 100) * decade;
}

function work(given: Given): Sheet {
  const [supply, forward, amps] = [given.number("supply"), given.number("forward") ?? 2, given.number("amps") ?? 0.01];
  const count = given.number("count") ?? 1;
  const shared = given.text("join") === "shared";
  if (supply === undefined) throw new Refused("Type the supply.", "supply");
  positive(amps, "The current", "amps");
  if (!Number.isInteger(count) || count < 1) throw new Refused("Whole LEDs only.", "count");
  const volts = shared || count === 1 ? forward : forward * count;
  if (volts >= supply)
    throw new Refused(
      `${quantityText(supply, "volts")} is not enough: the LEDs alone take ${quantityText(volts, "volts")}.`,
      "supply",
    );
  const total = shared ? amps * count : amps;
  const ohms = (supply - volts) / total;
  const fitted = preferred(ohms);
  const real = (supply - volts) / fitted;
  return {
    lines: [
      {
        label: "Resistor",
        text: `${quantityText(fitted, "ohms")}, ${quantityText(real * real * fitted, "watts")}`,
        big: true,
        formula: formula(
          "R = (U - Uf) / I",
          `(${quantityText(supply, "volts")} - ${quantityText(volts, "volts")}) / ${quantityText(total, "amperes")}`,
          quantityText(ohms, "ohms"),
        ),
        source: "Ohm's law; next value of E12, IEC 60063",
      },
      { label: "Each LED then", text: quantityText(shared ? real / count : real, "amperes") },
      ...(shared
        ? [
            {
              label: "If all but one fail",
              text: `${quantityText(real, "amperes")} through the last one`,
              source: "all of it goes through what is left",
            },
          ]
        : []),
    ],
    ...(shared
      ? { verdict: { kind: "unsure" as const, words: "Shared: LEDs of one batch only, or one takes it all." } }
      : {}),
    cautions: ["Low voltage only: an LED on mains wants more than a resistor."],
    notes: [],
  };
}

/** Series resistor for one LED, several in a row, or a shared one. */
export const ledResistorTool: Tool = {
  id: "led",
  name: "LED resistor",
  group: "Joints and wires",
  words: "One LED, a row, or one resistor for many",
  fields: [
    { key: "supply", label: "Supply", quantity: "volts", min: 0 },
    { key: "forward", label: "LED volts", quantity: "volts", hint: "2", min: 0 },
    { key: "amps", label: "Current each", quantity: "amperes", hint: "10 mA" },
    { key: "count", label: "LEDs", quantity: "plain", hint: "1", min: 1, max: 100 },
    {
      key: "join",
      label: "Joined",
      choices: [
        ["row", "in a row"],
        ["shared", "side by side, one resistor"],
      ],
      preset: "row",
    },
  ],
  work,
};
