import { quantityText } from "../quantity";
import {
  formula,
  positive,
  readList,
  Refused,
  type Given,
  type Line,
  type Sheet,
  type Tool,
  type Verdict,
} from "./tool";

/**
 * Watts in one contact up to which it stays cool, and above which its metal anneals and its housing browns; common
 * practice, no source.
 */
export const COOL_WATTS = 0.5;
export const BURNS_WATTS = 2;

/** What becomes of a contact that drops `volts` at `amps`: cool, warm or burning, with its ohms and watts. */
export function contactHeat(
  volts: number,
  amps: number,
): { readonly ohms: number; readonly watts: number; readonly state: "cool" | "warm" | "burns" } {
  const watts = volts * amps;
  return { ohms: volts / amps, watts, state: heatState(watts) };
}

/** Volts at which a contact carrying `amps` burns. */
export function burningDrop(amps: number): number {
  return BURNS_WATTS / amps;
}

/** Minutes a cleaned contact dries before power; the label goes before it. Common practice, no source. */
export const DRYING_MINUTES = 10;
/** Ohms of a good contact by a hand-held meter, leads zeroed; common practice, no source. */
const GOOD_OHMS = 0.2;

function work(given: Given): Sheet {
  const { liked } = given;
  const lines: Line[] = [];
  const found: Verdict[] = [];
  const wiggle = readList(given.text("wiggle"), "ohms", liked, "wiggle");
  if (wiggle.length > 0) {
    const [low, high] = [Math.min(...wiggle), Math.max(...wiggle)];
    let verdict: Verdict;
    if (high === Infinity)
      verdict = {
        kind: "bad",
        words: low === Infinity ? "Open." : "Opens when it is moved: this contact comes and goes.",
        mode: low === Infinity ? "open" : "resistive",
      };
    else if (high - low > GOOD_OHMS)
      verdict = {
        kind: "bad",
        words: `Moves between ${quantityText(low, "ohms")} and ${quantityText(high, "ohms")} when wiggled.`,
        mode: "resistive",
      };
    else if (high > 5 * GOOD_OHMS)
      verdict = { kind: "bad", words: "Too high, and steady: dirt or corrosion.", mode: "resistive" };
    else if (high > GOOD_OHMS) verdict = { kind: "unsure", words: "A little high. Zero the leads and measure again." };
    else verdict = { kind: "good", words: "Steady and low." };
    found.push(verdict);
    lines.push({
      label: "Dead, wiggled",
      text: verdict.words,
      source: "below 0.2 Ω with zeroed leads, common practice, no source",
    });
  }
  const [volts, amps] = [given.number("volts"), given.number("amps")];
  if (amps !== undefined) {
    positive(amps, "The current", "amps");
    lines.push({
      label: "Burns from a drop of",
      text: quantityText(burningDrop(amps), "volts"),
      formula: formula(
        "V = P / I",
        `${quantityText(BURNS_WATTS, "watts")} / ${quantityText(amps, "amperes")}`,
        quantityText(burningDrop(amps), "volts"),
      ),
      source: "2 W in one contact, common practice, no source",
    });
    if (volts !== undefined) {
      const heat = contactHeat(Math.abs(volts), amps);
      let verdict: Verdict;
      if (heat.state === "cool") verdict = { kind: "good", words: "Stays cool." };
      else if (heat.state === "warm")
        verdict = { kind: "unsure", words: "Runs warm: clean and tighten it, measure again." };
      else verdict = { kind: "bad", words: "Burns: renew pin and socket together, both sides.", mode: "resistive" };
      found.push(verdict);
      lines.push(
        {
          label: "Heat in it",
          text: `${quantityText(heat.watts, "watts")}. ${verdict.words}`,
          big: true,
          formula: formula(
            "P = V I",
            `${quantityText(Math.abs(volts), "volts")} × ${quantityText(amps, "amperes")}`,
            quantityText(heat.watts, "watts"),
          ),
          source: "Joule's law",
        },
        {
          label: "Its ohms",
          text: quantityText(heat.ohms, "ohms"),
          formula: formula(
            "R = V / I",
            `${quantityText(Math.abs(volts), "volts")} / ${quantityText(amps, "amperes")}`,
            quantityText(heat.ohms, "ohms"),
          ),
          source: "Ohm's law",
        },
      );
    }
  } else if (volts !== undefined)
    throw new Refused("A drop means something only with the current that flows: clamp it.", "amps");
  const [depth, full] = [given.number("depth"), given.number("full")];
  if (depth !== undefined && full !== undefined) {
    const verdict: Verdict =
      depth >= 0.95 * full
        ? { kind: "good", words: "Seated." }
        : {
            kind: "bad",
            words: `Stands off by ${quantityText(full - depth, "millimetres", liked)}: find what holds it, do not force it.`,
            mode: "open",
          };
    found.push(verdict);
    lines.push({ label: "Seating", text: verdict.words });
  }
  const tug = given.text("tug");
  if (tug) {
    const verdict: Verdict =
      tug === "holds"
        ? { kind: "good", words: "Every wire holds." }
        : {
            kind: "bad",
            words: "A wire comes out: its latch is broken or the crimp is bad. Renew the pin.",
            mode: "open",
          };
    found.push(verdict);
    lines.push({ label: "Tug test", text: verdict.words });
  }
  const done = given.text("done");
  if (done === "cleaned" || done === "both")
    lines.push({
      label: "Dry before power",
      text: quantityText(given.number("drying") ?? DRYING_MINUTES * 60, "seconds"),
      source: "10 minutes is usual; the label goes before it. Common practice, no source",
    });
  if (lines.length === 0) throw new Refused("Type ohms while you wiggle it, or the drop and the current.");
  const verdict = found.find((v) => v.kind === "bad") ?? found.find((v) => v.kind === "unsure") ?? found[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [
      "Ohms with every source off, proven dead. The drop is measured live, leads placed with the power off.",
      ...(done === "cleaned" || done === "both"
        ? ["Contact cleaner only with the power off, away from flame and heat; nothing is fed before it is dry."]
        : []),
    ],
    notes: notesOn(done),
  };
}

/** A plug contact or terminal. */
export const contactTool: Tool = {
  id: "contact",
  name: "Contact or plug",
  group: "Joints and wires",
  words: "Wiggled ohms, drop under load, seating, tug",
  fields: [
    { key: "wiggle", label: "Ohms while wiggled", hint: "0.1 0.1 3 OL", under: "Dead" },
    { key: "depth", label: "Pushed in", quantity: "millimetres", under: "Dead" },
    { key: "full", label: "Full depth", quantity: "millimetres", under: "Dead" },
    {
      key: "tug",
      label: "Tug test",
      choices: [
        ["", "not made"],
        ["holds", "all hold"],
        ["loose", "one comes out"],
      ],
      preset: "",
      under: "Dead",
    },
    { key: "volts", label: "Drop across it", quantity: "volts", under: "Under load", hint: "120 mV" },
    { key: "amps", label: "Current through it", quantity: "amperes", under: "Under load" },
    {
      key: "done",
      label: "What was done",
      choices: [
        ["", "nothing yet"],
        ["reseated", "reseated"],
        ["cleaned", "cleaned"],
        ["both", "cleaned and reseated"],
      ],
      preset: "",
      under: "Done",
    },
    { key: "drying", label: "Drying time of the label", quantity: "seconds", hint: "10 min", under: "Done" },
  ],
  work,
};

function heatState(watts: number): "warm" | "cool" | "burns" {
  if (watts < COOL_WATTS) return "cool";
  if (watts < BURNS_WATTS) return "warm";
  return "burns";
}

function notesOn(done: string): string[] {
  if (done === "reseated")
    return ["Reseated only. Keep it apart from cleaning in the record: if it comes back, cleaning was not tried."];
  if (done === "cleaned") return ["Cleaned only: pushed home again at the end? That is reseating as well."];
  if (done === "both") return ["Cleaned and reseated: which of the two helped stays open."];
  return ["Harness before boards: in old, damp machines contacts are the first suspects."];
}
