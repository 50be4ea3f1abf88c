import { quantityText } from "../quantity";
import { formula, positive, Refused, type Given, type Line, type Sheet, type Tool } from "./tool";
import { LETS_GO_ABOUT } from "../model";
import { coilAmps, coilFormula, USUAL_HERTZ } from "./relay";
import { say } from "#words/core/workbench/suppression";

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

/** Moments of a swing at which its volts are looked at. */
const LOOKS = 4000;
/** Halvings until a moment is known as well as a number holds it. */
const HALVINGS = 60;

/**
 * The same into a capacitor of `farads` with `series` ohms, from the switch's own side: L di/dt = -(R i + v + Rs i), C
 * dv/dt = i, which is a damped swing known in closed form. Released is when the current has first fallen below the
 * drop-out, or given up after twenty time constants of the coil.
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
  const { current, charge, firstZero } = swing(ohms + series, henries, farads);
  // The current falls all the way to where it first is nothing.
  let [from, to] = [0, firstZero];
  for (let n = 0; n < HALVINGS; n++) {
    const middle = (from + to) / 2;
    if (current(middle) > dropOut) from = middle;
    else to = middle;
  }
  const release = Math.min(to, 20 * tau);
  let top = amps * series;
  for (let n = 1; n <= LOOKS; n++) {
    const t = (n / LOOKS) * release;
    top = Math.max(top, amps * (charge(t) / farads + current(t) * series));
  }
  return { tau, release, peak: volts + top };
}

/**
 * The free swing of a coil into a capacitor through `ohms`, from one ampere and no volts: current in amperes, charge in
 * ampere seconds, and when the current first is nothing, seconds.
 */
function swing(ohms: number, henries: number, farads: number) {
  const damping = ohms / (2 * henries);
  const square = 1 / (henries * farads);
  const under = square - damping ** 2;
  if (under > 0) {
    const w = Math.sqrt(under);
    const fading = (t: number) => Math.exp(-damping * t);
    return {
      current: (t: number) => fading(t) * (Math.cos(w * t) - (damping / w) * Math.sin(w * t)),
      charge: (t: number) => (fading(t) * Math.sin(w * t)) / w,
      firstZero: Math.atan2(w, damping) / w,
    };
  }
  // A hair off where both fade alike, so that nothing is divided by nothing.
  const apart = Math.max(Math.sqrt(-under), 1e-6 * damping);
  const fast = damping + apart;
  const slow = square / fast;
  const between = fast - slow;
  return {
    current: (t: number) => (fast * Math.exp(-fast * t) - slow * Math.exp(-slow * t)) / between,
    charge: (t: number) => (Math.exp(-slow * t) - Math.exp(-fast * t)) / between,
    firstZero: Math.log(fast / slow) / between,
  };
}

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

/** What the coil draws and holds. */
function coilLines(volts: number, ohms: number, typedHenries: number | undefined, hertz: number): Line[] {
  const henries = typedHenries ?? ohms * USUAL_TAU;
  const amps = coilAmps(volts, ohms, typedHenries ?? 0, hertz);
  const joules = quantityText(0.5 * henries * amps * amps, "joules");
  return [
    {
      label: say.coilCurrent,
      text: quantityText(amps, "amperes"),
      ...coilFormula(volts, ohms, typedHenries ?? 0, hertz),
    },
    {
      label: say.energyInTheCoil,
      text: joules,
      formula: formula(
        "E = ½ L I²",
        `½ × ${quantityText(henries, "henries")} × ${quantityText(amps, "amperes")}²`,
        joules,
      ),
      source: typedHenries === undefined ? say.lTakenAs5Ms : say.textbook,
    },
  ];
}

/** L / R of a small coil whose inductance nobody knows, seconds; from memory. */
const USUAL_TAU = 0.005;

function work(given: Given): Sheet {
  const [volts, ohms] = [given.number("volts"), given.number("ohms")];
  if (volts === undefined || ohms === undefined)
    throw new Refused(say.typeTheCoilsVoltsAnd, volts === undefined ? "volts" : "ohms");
  positive(volts, say.coilVolts, "volts");
  positive(ohms, say.coilOhms, "ohms");
  const typedHenries = given.number("henries");
  const henries = typedHenries ?? ohms * USUAL_TAU;
  const part = given.text("part");
  const ac = given.text("current") === "ac";
  const hertz = ac ? (given.number("hertz") ?? USUAL_HERTZ) : 0;
  const amps = coilAmps(volts, ohms, typedHenries ?? 0, hertz);
  if (ac && (part === "diode" || part === "zener")) throw new Refused(say.aDiodeAcrossAlternatingCurrent, "part");
  const v = (x: number) => quantityText(x, "volts");
  const lines = coilLines(volts, ohms, typedHenries, hertz);
  const table: string[][] = [];
  const row = (name: string, d: Decay) => table.push([name, quantityText(d.release, "seconds"), v(d.peak)]);
  if (!ac) {
    row("Diode", clampedDecay(volts, ohms, henries, 0.7, LETS_GO_ABOUT));
    row(say.diodeAndZenerOfThe, clampedDecay(volts, ohms, henries, volts + 0.7, LETS_GO_ABOUT));
    row(say.resistorOfTheCoilOhms, resistorDecay(volts, ohms, henries, ohms, LETS_GO_ABOUT));
  }
  const rc = rcMember(volts, amps);
  if (!ac)
    row(
      `RC: ${quantityText(rc.farads, "farads")}, ${quantityText(rc.ohms, "ohms")}`,
      rcDecay(volts, ohms, henries, rc.farads, rc.ohms, LETS_GO_ABOUT),
    );
  row(say.varistorOfV(v(2 * volts)), clampedDecay(volts, ohms, henries, 2 * volts, LETS_GO_ABOUT));
  if (part === "diode") {
    const d = clampedDecay(volts, ohms, henries, 0.7, LETS_GO_ABOUT);
    lines.push(
      {
        label: say.releaseDelayWithADiode,
        text: quantityText(d.release, "seconds"),
        big: true,
        formula: formula(
          "t = L/R ln((I + Vd/R) / (0.2 I + Vd/R))",
          `${quantityText(d.tau, "seconds")} × ln(…)`,
          quantityText(d.release, "seconds"),
        ),
        source: say.firstOrderDecayTextbookDrops,
      },
      { label: say.theDiode, text: say.bandToPlusAtLeast(quantityText(amps, "amperes"), v(2 * volts)) },
    );
  }
  if (part === "rc")
    lines.push({
      label: say.rcAcrossTheContact,
      text: `${quantityText(rc.farads, "farads")} with ${quantityText(rc.ohms, "ohms")}`,
      big: true,
      formula: "C = I² / 10 µF, R = V / (10 I^(1 + 50/V))",
      source: say.aRuleOfThumbOf,
    });
  if (part === "varistor")
    lines.push({
      label: say.varistor,
      text: say.forOrMoreAtRest(v(ac ? 1.3 * volts : 1.5 * volts)),
      big: true,
      source: say.aThirdAboveTheHighest,
    });
  if (part === "zener") {
    const d = clampedDecay(volts, ohms, henries, volts + 0.7, LETS_GO_ABOUT);
    lines.push({
      label: say.releaseDelayWithAZener,
      text: quantityText(d.release, "seconds"),
      big: true,
      formula: formula(
        "t = L/R ln((I + Vc/R) / (0.2 I + Vc/R))",
        `${quantityText(d.tau, "seconds")} × ln(…)`,
        quantityText(d.release, "seconds"),
      ),
      source: say.firstOrderDecayTextbook,
    });
  }
  return {
    lines,
    table: {
      head: [say.acrossTheCoil, say.letsGoAfter, say.voltsAtTheSwitch],
      rows: table.map((cells) => ({ cells })),
    },
    cautions: [say.aDiodeTheWrongWay],
    notes: [say.slowReleaseLetsAContact],
  };
}

/** What goes across a coil, and what it does to the release. */
export const suppressionTool: Tool = {
  id: "suppression",
  name: say.coilSuppression,
  group: "boards",
  words: say.diodeZenerRcVaristorRelease,
  fields: [
    { key: "volts", label: say.coilVolts, quantity: "volts", min: 0 },
    { key: "ohms", label: say.coilOhms, quantity: "ohms" },
    { key: "henries", label: say.inductance, quantity: "henries", hint: say.mhEmptyGuessed },
    {
      key: "current",
      label: say.current,
      choices: [
        ["dc", "DC"],
        ["ac", "AC"],
      ],
      preset: "dc",
    },
    { key: "hertz", label: say.hertz, quantity: "hertz", hint: "50" },
    {
      key: "part",
      label: say.acrossIt,
      choices: [
        ["diode", "diode"],
        ["zener", say.diodeAndZener],
        ["rc", say.rcAcrossTheContact],
        ["varistor", "varistor"],
      ],
      preset: "diode",
    },
  ],
  work,
};
