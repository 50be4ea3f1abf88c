import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool } from "./tool";

/** How a coil's current decays through what is across it, down to the current at which the relay lets go. */
export interface Decay {
  /** L/R of the coil, seconds. */
  readonly tau: number;
  /** Seconds until the current is at the drop-out. */
  readonly release: number;
  /** Volts across the switch at the instant it opens. */
  readonly peak: number;
}

/**
 * Decay of a coil of `henries` and `ohms` fed with `volts` (direct) into a clamp of `clampVolts` (0.7 for a diode, more
 * for a diode with zener), down to `dropOut` of its current: R i + L di/dt = -clampVolts, so t = L/R ln((I + Vc/R) / (x
 * I + Vc/R)).
 */
export function clampedDecay(volts: number, ohms: number, henries: number, clampVolts: number, dropOut: number): Decay {
  const [amps, pull] = [volts / ohms, clampVolts / ohms];
  const tau = henries / ohms;
  return { tau, release: tau * Math.log((amps + pull) / (dropOut * amps + pull)), peak: volts + clampVolts };
}

/** The same into a resistor of `across` ohms beside the coil. */
export function resistorDecay(volts: number, ohms: number, henries: number, across: number, dropOut: number): Decay {
  const tau = henries / (ohms + across);
  return { tau, release: tau * Math.log(1 / dropOut), peak: volts + (volts / ohms) * across };
}

/**
 * The same into a capacitor of `farads` with `series` ohms, from the switch's own side: L di/dt = -(R i + v + Rs i), C
 * dv/dt = i, stepped through in thousandths of the shorter time constant. Released is when the current has fallen below
 * the drop-out and stays so for its first swing.
 */
export function rcDecay(
  volts: number,
  ohms: number,
  henries: number,
  farads: number,
  series: number,
  dropOut: number,
): Decay {
  const amps = volts / ohms;
  const tau = henries / ohms;
  const step = Math.min(tau, Math.sqrt(henries * farads), series * farads) / 1000;
  let [i, v, t, top] = [amps, 0, 0, amps * series];
  while (i > dropOut * amps && t < 20 * tau) {
    const di = (-(ohms + series) * i - v) / henries;
    const half = i + (di * step) / 2;
    v += (half / farads) * step;
    i += ((-(ohms + series) * half - v) / henries) * step;
    t += step;
    top = Math.max(top, v + i * series);
  }
  return { tau, release: t, peak: volts + top };
}

/** Relays let go at about this share of their rated current; from memory. */
export const DROP_OUT = 0.2;

/**
 * A capacitor and its resistor for a contact that switches `amps` at `volts`: C = I² / 10 µF, R = V / (10 I^(1 +
 * 50/V)), a rule of thumb, from memory.
 */
export function rcMember(volts: number, amps: number): { readonly farads: number; readonly ohms: number } {
  return {
    farads: Math.max(1e-8, (amps * amps * 1e-6) / 10),
    ohms: Math.min(1000, Math.max(10, volts / (10 * amps ** (1 + 50 / volts)))),
  };
}

function work(given: Given): Sheet {
  const [volts, ohms] = [given.number("volts"), given.number("ohms")];
  if (volts === undefined || ohms === undefined)
    throw new Refused("Type the coil's volts and ohms.", volts === undefined ? "volts" : "ohms");
  positive(volts, "Coil volts", "volts");
  positive(ohms, "Coil ohms", "ohms");
  const henries = given.number("henries") ?? ohms * 0.005;
  const amps = volts / ohms;
  const part = given.text("part");
  const ac = given.text("current") === "ac";
  if (ac && (part === "diode" || part === "zener"))
    throw new Refused(
      "A diode across alternating current is a short for every second half-wave. Take a varistor or an RC member.",
      "part",
    );
  const v = (x: number) => quantityText(x, "volts");
  const lines: Line[] = [
    {
      label: "Coil current",
      text: quantityText(amps, "amperes"),
      formula: formula("I = V / R", `${v(volts)} / ${quantityText(ohms, "ohms")}`, quantityText(amps, "amperes")),
      source: "Ohm's law",
    },
    {
      label: "Energy in the coil",
      text: quantityText(0.5 * henries * amps * amps, "joules"),
      formula: formula(
        "E = ½ L I²",
        `½ × ${quantityText(henries, "henries")} × ${quantityText(amps, "amperes")}²`,
        quantityText(0.5 * henries * amps * amps, "joules"),
      ),
      source: given.number("henries") === undefined ? "L taken as 5 ms × R, from memory: measure it" : "textbook",
    },
  ];
  const table: string[][] = [];
  const row = (name: string, d: Decay) => table.push([name, quantityText(d.release, "seconds"), v(d.peak)]);
  if (!ac) {
    row("Diode", clampedDecay(volts, ohms, henries, 0.7, DROP_OUT));
    row("Diode and zener of the coil volts", clampedDecay(volts, ohms, henries, volts + 0.7, DROP_OUT));
    row("Resistor of the coil ohms", resistorDecay(volts, ohms, henries, ohms, DROP_OUT));
  }
  const rc = rcMember(volts, amps);
  if (!ac)
    row(
      `RC: ${quantityText(rc.farads, "farads")}, ${quantityText(rc.ohms, "ohms")}`,
      rcDecay(volts, ohms, henries, rc.farads, rc.ohms, DROP_OUT),
    );
  row(`Varistor of ${v(2 * volts)}`, clampedDecay(volts, ohms, henries, 2 * volts, DROP_OUT));
  if (part === "diode") {
    const d = clampedDecay(volts, ohms, henries, 0.7, DROP_OUT);
    lines.push(
      {
        label: "Release delay with a diode",
        text: quantityText(d.release, "seconds"),
        big: true,
        formula: formula(
          "t = L/R ln((I + Vd/R) / (0.2 I + Vd/R))",
          `${quantityText(d.tau, "seconds")} × ln(…)`,
          quantityText(d.release, "seconds"),
        ),
        source: "first-order decay, textbook; drops out at 20 % from memory",
      },
      { label: "The diode", text: `band to plus; at least ${quantityText(amps, "amperes")} and ${v(2 * volts)}` },
    );
  }
  if (part === "rc")
    lines.push({
      label: "RC across the contact",
      text: `${quantityText(rc.farads, "farads")} with ${quantityText(rc.ohms, "ohms")}`,
      big: true,
      formula: "C = I² / 10 µF, R = V / (10 I^(1 + 50/V))",
      source: "a rule of thumb of contact makers, from memory; 10 nF and 10 Ω at least",
    });
  if (part === "varistor")
    lines.push({
      label: "Varistor",
      text: `for ${v(ac ? 1.3 * volts : 1.5 * volts)} or more at rest`,
      big: true,
      source: "a third above the highest working voltage, from memory",
    });
  if (part === "zener") {
    const d = clampedDecay(volts, ohms, henries, volts + 0.7, DROP_OUT);
    lines.push({
      label: "Release delay with a zener",
      text: quantityText(d.release, "seconds"),
      big: true,
      formula: formula(
        "t = L/R ln((I + Vc/R) / (0.2 I + Vc/R))",
        `${quantityText(d.tau, "seconds")} × ln(…)`,
        quantityText(d.release, "seconds"),
      ),
      source: "first-order decay, textbook",
    });
  }
  return {
    lines,
    table: {
      head: ["Across the coil", "Lets go after", "Volts at the switch"],
      rows: table.map((cells) => ({ cells })),
    },
    cautions: ["A diode the wrong way round is a short for the driver: band to plus, checked before power."],
    notes: ["Slow release lets a contact part slowly, and burn: with motors and direct current take the quicker one."],
  };
}

/** What goes across a coil, and what it does to the release. */
export const suppressionTool: Tool = {
  id: "suppression",
  name: "Coil suppression",
  group: "Boards",
  words: "Diode, zener, RC, varistor: release delay and peak",
  fields: [
    { key: "volts", label: "Coil volts", quantity: "volts", min: 0 },
    { key: "ohms", label: "Coil ohms", quantity: "ohms" },
    { key: "henries", label: "Inductance", quantity: "henries", hint: "500 mH, empty: guessed" },
    {
      key: "current",
      label: "Current",
      choices: [
        ["dc", "DC"],
        ["ac", "AC"],
      ],
      preset: "dc",
    },
    {
      key: "part",
      label: "Across it",
      choices: [
        ["diode", "diode"],
        ["zener", "diode and zener"],
        ["rc", "RC across the contact"],
        ["varistor", "varistor"],
      ],
      preset: "diode",
    },
  ],
  work,
};
