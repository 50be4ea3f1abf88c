import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Sheet, type Tool } from "./tool";
import { say } from "#words/core/workbench/led-resistor";

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
  if (supply === undefined) throw new Refused(say.typeTheSupply, "supply");
  positive(amps, say.theCurrent, "amps");
  if (!Number.isInteger(count) || count < 1) throw new Refused(say.wholeLedsOnly, "count");
  const volts = shared || count === 1 ? forward : forward * count;
  if (volts >= supply)
    throw new Refused(say.isNotEnoughTheLeds(quantityText(supply, "volts"), quantityText(volts, "volts")), "supply");
  const total = shared ? amps * count : amps;
  const ohms = (supply - volts) / total;
  const fitted = preferred(ohms);
  const real = (supply - volts) / fitted;
  return {
    lines: [
      {
        label: say.resistor,
        text: `${quantityText(fitted, "ohms")}, ${quantityText(real * real * fitted, "watts")}`,
        big: true,
        formula: formula(
          "R = (U - Uf) / I",
          `(${quantityText(supply, "volts")} - ${quantityText(volts, "volts")}) / ${quantityText(total, "amperes")}`,
          quantityText(ohms, "ohms"),
        ),
        source: say.ohmsLawNextValueOf,
      },
      { label: say.eachLedThen, text: quantityText(shared ? real / count : real, "amperes") },
      ...(shared
        ? [
            {
              label: say.ifAllButOneFail,
              text: say.throughTheLastOne(quantityText(real, "amperes")),
              source: say.allOfItGoesThrough,
            },
          ]
        : []),
    ],
    ...(shared ? { verdict: { kind: "unsure" as const, words: say.sharedLedsOfOneBatch } } : {}),
    cautions: [say.lowVoltageOnlyAnLed],
    notes: [],
  };
}

/** Series resistor for one LED, several in a row, or a shared one. */
export const ledResistorTool: Tool = {
  id: "led",
  name: say.ledResistor,
  group: "joints",
  words: say.oneLedARowOr,
  fields: [
    { key: "supply", label: say.supply, quantity: "volts", min: 0 },
    { key: "forward", label: say.ledVolts, quantity: "volts", hint: "2", min: 0 },
    { key: "amps", label: say.currentEach, quantity: "amperes", hint: "10 mA" },
    { key: "count", label: "LEDs", quantity: "plain", hint: "1", min: 1, max: 100 },
    {
      key: "join",
      label: say.joined,
      choices: [
        ["row", "in a row"],
        ["shared", say.sideBySideOneResistor],
      ],
      preset: "row",
    },
  ],
  work,
};
