import { quantityText } from "../quantity";
import { INSULATION_CLASS_I, judgeInsulation } from "./heater";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";
import { ratings } from "../model";

/** Three leads of a single-phase motor or compressor, named from three readings. */
export interface Windings {
  readonly common: string;
  readonly run: string;
  readonly start: string;
  readonly runOhms: number;
  readonly startOhms: number;
  /** How far the largest reading is from the sum of the two others, a share of it. */
  readonly off: number;
}

/**
 * Common, run and start from the readings between the leads 1-2, 2-3 and 1-3, ohms. The largest lies across both
 * windings: the lead that is not in it is common. From common, the smaller is the run winding (common practice, no
 * source). Throws
 * `Refused` where two are equal.
 */
export function nameLeads(ohms12: number, ohms23: number, ohms13: number): Windings {
  const readings = [
    { leads: ["1", "2"], ohms: ohms12 },
    { leads: ["2", "3"], ohms: ohms23 },
    { leads: ["1", "3"], ohms: ohms13 },
  ];
  if (readings.some((r) => !(r.ohms > 0) || !Number.isFinite(r.ohms)))
    throw new Refused(
      "One of the three is open or shorted: with an open winding the leads cannot be told. Infinite " +
        "between two leads, and finite from neither, means that winding is open.",
    );
  const sorted = [...readings].sort((a, b) => b.ohms - a.ohms);
  const [across, startWinding, runWinding] = sorted as [(typeof sorted)[0], (typeof sorted)[0], (typeof sorted)[0]];
  const common = ["1", "2", "3"].find((lead) => !across.leads.includes(lead))!;
  const other = (r: typeof across) => r.leads.find((lead) => lead !== common)!;
  if (startWinding.ohms - runWinding.ohms < 0.02 * startWinding.ohms)
    throw new Refused(
      "Two readings are equal within 2 %: start and run cannot be told by ohms. It may turn both ways, " +
        "with windings alike, or have three phases.",
    );
  return {
    common,
    run: other(runWinding),
    start: other(startWinding),
    runOhms: runWinding.ohms,
    startOhms: startWinding.ohms,
    off: Math.abs(across.ohms - runWinding.ohms - startWinding.ohms) / across.ohms,
  };
}

/** How far windings that ought to be alike differ: the largest step from their mean, a share of it. */
export function imbalance(ohms: readonly number[]): number {
  const mean = ohms.reduce((a, b) => a + b, 0) / ohms.length;
  return Math.max(...ohms.map((o) => Math.abs(o - mean))) / mean;
}

/** Windings alike within this share are balanced; common practice, no source. */
const BALANCED = 0.05;
/** A run capacitor may have lost this much of its print; common practice, no source. */
const CAPACITOR_LOST = 0.1;
/** A rotor at rest draws four to eight times its running current; from memory. */
const LOCKED: readonly [number, number] = [4, 8];
/** A cold start thermistor; from memory. */
const START_PTC: readonly [number, number] = [3, 50];

function work(given: Given): Sheet {
  const { liked } = given;
  const ohms = (v: number) => quantityText(v, "ohms", liked);
  const lines: Line[] = [];
  const found: Verdict[] = [];
  const judge = (label: string, verdict: Verdict, formulaText?: string, source = "common practice, no source") => {
    found.push(verdict);
    lines.push({ label, text: verdict.words, ...(formulaText ? { formula: formulaText } : {}), source });
  };
  const three = (["ohms12", "ohms23", "ohms13"] as const).map((k) => given.number(k));
  if (three.every((v) => v !== undefined)) {
    const open = three.filter((v) => v === Infinity).length;
    if (given.text("sort") === "alike") {
      if (open > 0) judge("Balance", { kind: "bad", words: "A winding is open.", mode: "open" });
      else {
        const share = imbalance(three as number[]);
        judge(
          "Balance",
          share <= BALANCED
            ? { kind: "good", words: `Balanced: ${quantityText(share, "share")} apart.` }
            : {
                kind: "bad",
                words: `Out of balance by ${quantityText(share, "share")}: shorted turns or a poor joint.`,
                mode: "shorted",
              },
          formula("max |R - mean| / mean", three.map((v) => ohms(v!)).join(", "), quantityText(share, "share")),
        );
      }
    } else if (open > 0)
      judge("Windings", {
        kind: "bad",
        words:
          open === 3
            ? "All open: the common lead, or the cut-off inside it. Hot? Let it cool an hour and measure again."
            : "One winding is open.",
        mode: "open",
      });
    else {
      const w = nameLeads(three[0]!, three[1]!, three[2]!);
      lines.push({
        label: "Common, run, start",
        text: `${w.common}, ${w.run}, ${w.start}`,
        big: true,
        formula: formula(
          "C-R + C-S",
          `${ohms(w.runOhms)} + ${ohms(w.startOhms)}`,
          `${ohms(w.runOhms + w.startOhms)}, against R-S ${ohms(Math.max(...(three as number[])))}`,
        ),
        source: "common practice, no source",
      });
      judge(
        "Windings",
        w.off <= 0.1
          ? { kind: "good", words: "The two smaller add up to the largest." }
          : {
              kind: "bad",
              words: `They do not add up, ${quantityText(w.off, "share")} off: a lead on the wrong spot, or shorted turns.`,
            },
      );
    }
  } else if (three.some((v) => v !== undefined))
    throw new Refused(
      "Three readings are needed: 1 to 2, 2 to 3, 1 to 3.",
      (["ohms12", "ohms23", "ohms13"] as const)[three.findIndex((v) => v === undefined)],
    );
  const toCase = given.number("case");
  if (toCase !== undefined)
    judge("To its case", judgeInsulation(toCase, INSULATION_CLASS_I), undefined, "EN 50678:2020, class I");
  const [farads, print] = [given.number("farads"), given.number("print")];
  if (farads !== undefined && print !== undefined) {
    positive(print, "The print", "print");
    const share = farads / print - 1;
    judge(
      "Run capacitor",
      Math.abs(share) <= CAPACITOR_LOST
        ? { kind: "good", words: `Good: ${quantityText(share, "share")} from its print.` }
        : {
            kind: "bad",
            words: `${share < 0 ? "Weak" : "Wrong value"}: ${quantityText(share, "share")} from its print.`,
            mode: "open",
          },
      formula(
        "C / print - 1",
        `${quantityText(farads, "farads")} / ${quantityText(print, "farads")} - 1`,
        quantityText(share, "share"),
      ),
    );
  }
  const starter = given.number("starter");
  if (starter !== undefined)
    judge(
      "Start thermistor, cold",
      starter >= START_PTC[0] && starter <= START_PTC[1]
        ? { kind: "good", words: "As a cold start thermistor should be." }
        : {
            kind: "bad",
            words: starter > START_PTC[1] ? "Too high: open, cracked, or still warm." : "Too low: shorted.",
          },
      undefined,
      "3 to 50 Ω cold, from memory",
    );
  const [plate, running, starting] = [given.number("plate"), given.number("running"), given.number("starting")];
  if (plate !== undefined) {
    positive(plate, "The plate current", "plate");
    lines.push({
      label: "Rotor at rest draws",
      text: `${quantityText(LOCKED[0] * plate, "amperes")} to ${quantityText(LOCKED[1] * plate, "amperes")}`,
      formula: formula(
        "4 to 8 × I",
        `4 to 8 × ${quantityText(plate, "amperes")}`,
        `${quantityText(4 * plate, "amperes")} to ${quantityText(8 * plate, "amperes")}`,
      ),
      source: "from memory",
    });
    if (running !== undefined) judge("Running current", runningVerdict(running, plate));
    if (starting !== undefined)
      judge(
        "Inrush",
        starting < 2 * plate
          ? { kind: "unsure", words: "Small for a start: a soft start, or the clamp came too late." }
          : { kind: "good", words: "A start like this is usual." },
      );
  }
  const brush = given.number("brush");
  if (brush !== undefined) {
    const least = given.number("brushLeast") ?? 5;
    judge(
      "Brushes",
      brush < least
        ? { kind: "bad", words: `Worn below ${quantityText(least, "millimetres", liked)}.`, mode: "brushes-worn" }
        : { kind: "good", words: "Long enough; both slide freely?" },
      undefined,
      "5 mm as a default, from memory",
    );
  }
  const feeds = given.text("feed") === "yes";
  if (lines.length === 0 && !feeds)
    throw new Refused("Type the three readings, or any other pair, to have them judged.");
  const verdict = found.find((v) => v.kind === "bad") ?? found.find((v) => v.kind === "unsure") ?? found[0];
  return {
    lines,
    ...(verdict ? { verdict } : {}),
    cautions: [
      "Every source off, the run capacitor discharged through a resistor and proven near 0 V.",
      ...(feeds
        ? [
            "Fed directly: unloaded, secured against the jump of its start, fused at twice its plate " +
              "current, at reduced voltage first; a sealed compressor only with its own start device, and by " +
              "who is licensed.",
          ]
        : []),
    ],
    notes: feeds
      ? [
          "Reduced voltage: a third for brushed motors, half for the rest. It should turn evenly, without " +
            "smell, within seconds; one that only hums is switched off at once.",
          "It turns: what feeds it is to blame. It does not: the motor.",
        ]
      : [],
  };
}

/** A motor or compressor by its windings, capacitor, start device and currents. */
export const motorTool: Tool = {
  id: "motor",
  name: "Motor or compressor",
  group: "Loads",
  words: "Windings, capacitor, start device, currents",
  fields: [
    { key: "ohms12", label: "Lead 1 to 2", quantity: "ohms", under: "Windings" },
    { key: "ohms23", label: "Lead 2 to 3", quantity: "ohms", under: "Windings" },
    { key: "ohms13", label: "Lead 1 to 3", quantity: "ohms", under: "Windings" },
    {
      key: "sort",
      label: "Windings",
      choices: [
        ["start", "run and start"],
        ["alike", "three alike"],
      ],
      preset: "start",
      under: "Windings",
    },
    { key: "case", label: "Any lead to the case", quantity: "ohms", under: "Windings" },
    { key: "farads", label: "Capacitor measured", quantity: "farads", under: "Starting", hint: "7.6u" },
    { key: "print", label: "Its print", quantity: "farads", under: "Starting", hint: "8u" },
    { key: "starter", label: "Start thermistor, cold", quantity: "ohms", under: "Starting" },
    { key: "plate", label: "Plate current", quantity: "amperes", under: "Currents" },
    { key: "running", label: "Clamp, running", quantity: "amperes", under: "Currents" },
    { key: "starting", label: "Clamp, inrush", quantity: "amperes", under: "Currents" },
    { key: "brush", label: "Brush length", quantity: "millimetres", under: "Brushes and feed" },
    { key: "brushLeast", label: "Least length", quantity: "millimetres", under: "Brushes and feed", hint: "5 mm" },
    {
      key: "feed",
      label: "Feed it directly",
      choices: [
        ["no", "no"],
        ["yes", "yes: show the rules"],
      ],
      preset: "no",
      under: "Brushes and feed",
    },
  ],
  work,
  fill(part) {
    const { amps, farads } = ratings(part);
    return {
      ...(amps ? { plate: String(amps) } : {}),
      ...(farads ? { print: `${farads * 1e6}u` } : {}),
    };
  },
};

function runningVerdict(running: number, plate: number): Verdict {
  if (running > LOCKED[0] * 0.75 * plate)
    return {
      kind: "bad",
      words: "It does not turn: this is the current of a rotor at rest. Off, before its cut-off goes.",
      mode: "locked",
    };
  if (running > 1.15 * plate) return { kind: "bad", words: "Overloaded: stiff, low voltage, or the run capacitor." };
  if (running < 0.2 * plate) return { kind: "bad", words: "Next to nothing flows: open, or not fed.", mode: "open" };
  return { kind: "good", words: "As its plate says, or less." };
}
