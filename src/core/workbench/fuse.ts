import { quantityText, readQuantity } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";

/** Preferred ratings, amperes (IEC 60127, from memory). */
export const FUSE_RATINGS = [
  0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8, 10, 12.5, 16, 20,
  25, 32,
];

/** The next preferred rating above what flows, a quarter to spare (from memory). */
export function fuseFor(amps: number): number | null {
  return FUSE_RATINGS.find((r) => r >= 1.25 * amps - 1e-9) ?? null;
}

/** Amperes of loads typed as "325W heater, 0.5A fan", summed. Throws `Refused` naming the load. */
export function loadSum(
  text: string,
  volts: number,
  given: Given,
): { readonly amps: number; readonly parts: readonly { readonly words: string; readonly amps: number }[] } {
  const parts = text
    .split(/[,;\n]+/)
    .map((t) => t.trim())
    .filter((t) => t !== "")
    .map((t) => {
      const match = /^([\d.,]+\s*[a-zA-ZµΩ]+)\s*(.*)$/.exec(t);
      const typed = match?.[1] ?? t;
      const [watts, amps, ohms] = (["watts", "amperes", "ohms"] as const).map((q) =>
        new RegExp(`${{ watts: "w(?:atts?)?|hp", amperes: "a(?:mps?)?", ohms: "Ω|ohms?|r" }[q]}$`, "i").test(typed)
          ? readQuantity(typed, q, given.liked)
          : null,
      );
      let value: number;
      if (watts?.ok) value = watts.value / volts;
      else if (amps?.ok) value = amps.value;
      else if (ohms?.ok) value = volts / ohms.value;
      else value = NaN;
      if (!(value > 0) || !Number.isFinite(value))
        throw new Refused(`"${t.slice(0, 30)}" is no load: type watts, amperes or ohms, then what it is.`, "loads");
      return { words: match?.[2] || "load", amps: value };
    });
  return { amps: parts.reduce((sum, p) => sum + p.amps, 0), parts };
}

function work(given: Given): Sheet {
  const volts = given.number("volts") ?? 230;
  positive(volts, "The supply", "volts");
  const lines: Line[] = [];
  let verdict: Verdict | undefined;
  const fitted = given.number("fitted");
  const print = given.number("print");
  if (given.text("loads")) {
    const sum = loadSum(given.text("loads"), volts, given);
    const wanted = fuseFor(sum.amps);
    lines.push({
      label: "Loads together",
      text: quantityText(sum.amps, "amperes"),
      big: true,
      formula: `${sum.parts.map((p) => quantityText(p.amps, "amperes")).join(" + ")} = ${quantityText(sum.amps, "amperes")}`,
      source: "sum of currents, taken as in phase: the worst case",
    });
    lines.push({
      label: "Next rating above",
      text: wanted === null ? "beyond small fuses" : quantityText(wanted, "amperes"),
      formula: formula(
        "1.25 × I",
        `1.25 × ${quantityText(sum.amps, "amperes")}`,
        quantityText(1.25 * sum.amps, "amperes"),
      ),
      source: "IEC 60127 ratings and a quarter to spare, from memory; the print at the holder goes before it",
    });
    if (fitted !== undefined)
      if (fitted < sum.amps) verdict = { kind: "bad", words: "Blown by load: all together draw more than it carries." };
      else if (print === undefined && wanted !== null && fitted > 2 * wanted)
        verdict = { kind: "bad", words: "Far too large: it protects nothing. What does the holder say?" };
      else verdict = { kind: "good", words: "It carries the loads." };
    const motor = given.number("start");
    if (motor !== undefined && fitted !== undefined) {
      lines.push({
        label: "With the start current",
        text: `${quantityText(motor / fitted, "plain")} times its rating for a moment`,
        source:
          given.text("type") === "quick"
            ? "a quick fuse blows from about twice, from memory"
            : "a slow fuse bears about ten times for a tenth of a second, from memory",
      });
      if (motor / fitted > (given.text("type") === "quick" ? 2 : 10))
        verdict = { kind: "bad", words: "Blown by inrush: wrong type, or the inrush resistor is bridged." };
    }
  }
  const dead = given.number("dead");
  if (dead !== undefined) {
    const feeds = dead === 0 ? Infinity : volts / dead;
    lines.push({
      label: "Behind it, dead",
      text: `${quantityText(dead, "ohms")}: ${Number.isFinite(feeds) ? quantityText(feeds, "amperes") : "a short"} at most`,
      formula: formula(
        "I = V / R",
        `${quantityText(volts, "volts")} / ${quantityText(dead, "ohms")}`,
        Number.isFinite(feeds) ? quantityText(feeds, "amperes") : "without end",
      ),
      source: "Ohm's law; coils choke, so alternating current is less",
    });
    if (fitted !== undefined && feeds > 3 * fitted)
      verdict = {
        kind: "bad",
        words: "Still shorted behind it: find it dead, load by load, before a new fuse goes in.",
      };
  } else if (given.text("blown") === "yes")
    verdict = { kind: "unsure", words: "Why did it blow? Measure the ohms behind it, dead, before a new one goes in." };
  const fuse = given.number("fuse");
  if (fuse !== undefined)
    lines.push({
      label: "The fuse itself",
      text: fuse < 2 ? "whole" : "blown",
      source: "dead and out of its holder, common practice, no source",
    });
  if (print !== undefined && fitted !== undefined && print !== fitted)
    verdict = {
      kind: "bad",
      words: `Wrong size: ${quantityText(fitted, "amperes")} where ${quantityText(print, "amperes")} is printed.`,
    };
  if (lines.length === 0 && !verdict) throw new Refused("Type the loads behind it, or the ohms behind it.");
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [
      "Same type, same rating, same volts: never larger, never bridged.",
      "Out of its holder, dead. Measured live, backfeed and open loads fool it.",
    ],
    notes: ["A black glass: short. A clean break in the wire: overload or age (common practice, no source)."],
  };
}

/** The right fuse, and why it blew. */
export const fuseTool: Tool = {
  id: "fuse",
  name: "Fuse",
  group: "Joints and wires",
  words: "Right type and size, and why it blew",
  fields: [
    { key: "volts", label: "Supply", quantity: "volts", preset: "230", min: 0 },
    { key: "loads", label: "Loads behind it", lines: 2, hint: "325W heater, 0.5A fan" },
    { key: "fitted", label: "Fuse fitted", quantity: "amperes" },
    { key: "print", label: "Printed at the holder", quantity: "amperes" },
    {
      key: "type",
      label: "Type",
      choices: [
        ["slow", "slow"],
        ["quick", "quick"],
      ],
      preset: "slow",
    },
    { key: "start", label: "Largest inrush", quantity: "amperes" },
    {
      key: "blown",
      label: "It is blown",
      choices: [
        ["no", "no"],
        ["yes", "yes"],
      ],
      preset: "no",
      under: "Measured",
    },
    { key: "fuse", label: "Its own ohms, taken out", quantity: "ohms", under: "Measured" },
    { key: "dead", label: "Ohms behind it, dead", quantity: "ohms", under: "Measured" },
  ],
  work,
  fill(part, machine): Record<string, string> {
    const { amps } = ratings(part);
    return {
      volts: String(machine.file.supply.volts),
      ...(amps ? { print: String(amps), fitted: String(amps) } : {}),
    };
  },
};
