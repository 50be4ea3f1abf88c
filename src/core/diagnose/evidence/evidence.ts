import { energyAt } from "../../safety";
import { WHOLE_UNIT } from "./signs";
import type { Machine } from "../../model";
import type { Reading } from "../../quantity";
import type { BenchVerdict } from "./bench-verdict";
import type { FirstAnswer } from "./simple-causes";
import type { TriedByHand } from "./tried-by-hand";
import type { Timed } from "./timed-observation";
import { makeTest, type Test, testKey } from "../../simulate";
import type { Meter } from "../../instrument";
import { COMPLAINT_SLIP, SLIP } from "../reading/likelihood";
import { isNumeric, scaleOf, toScale } from "../reading/scale";

/** Anything that re-weighs suspects. Each kind of evidence comes down to tests and what they showed. */
export type Evidence =
  /** What the customer says, before anything was touched. */
  /** `comesAndGoes`: not always so; then what is measured is provoked, and a good reading clears little. */
  | { readonly type: "complaint"; readonly id: string; readonly complaint: string; readonly comesAndGoes?: boolean }
  /** A meter reading, or a look: a test as it was really made. */
  | {
      readonly type: "reading";
      readonly id: string;
      readonly test: Test;
      readonly shown: Reading;
      /** Repairs that were made before it, in order; it was taken on a machine that had them. */
      readonly repairs?: readonly Repair[];
    }
  /** "Works on this, not on that": what was seen to work, and what was not, without a meter. */
  | { readonly type: "compared"; readonly id: string; readonly sees: readonly Seen[] }
  /** A simple cause asked for and answered. */
  | { readonly type: "answer"; readonly id: string; readonly first: string; readonly answer: FirstAnswer }
  /** A sign looked for on a part or on the unit: there, or not. */
  | {
      readonly type: "sign";
      readonly id: string;
      readonly part: string;
      readonly sign: string;
      readonly there: boolean;
    }
  /** A part tested by itself. */
  | ({ readonly type: "alone"; readonly id: string } & BenchVerdict)
  /** Something tried by hand, without a meter. */
  | ({ readonly type: "by hand"; readonly id: string } & TriedByHand)
  /** Something watched with a clock: after how many seconds it came, or that it never did. */
  | ({ readonly type: "timed"; readonly id: string } & Timed)
  /** How warm it is here, degrees Celsius, and what the mains is at, volts; asked once. */
  | { readonly type: "surroundings"; readonly id: string; readonly celsius?: number; readonly volts?: number }
  /** A repair of one assembly that was tried, and what became of the complaint. */
  | { readonly type: "tried"; readonly id: string; readonly assembly: string; readonly result: "gone" | "stays" };

/** A repair of one assembly, and what became of the complaint. */
export interface Repair {
  readonly assembly: string;
  readonly result: "gone" | "stays";
}

/** Something seen of a part in a setup. */
export interface Seen {
  readonly setup: string;
  readonly part: string;
  readonly label: string;
}

/** One observation inside an entry of evidence. */
export interface Observation {
  readonly evidence: string;
  readonly test: Test;
  readonly shown: Reading;
  readonly slip: number;
  readonly repairs: readonly Repair[];
  /** The same reading made again is one reading: n of them count 1/n each, and a slip is the less likely. */
  readonly weight: number;
  /** The last of its test: what repeats say is learned once. */
  readonly isLast: boolean;
  /** It is what was complained of: seen while it was so. */
  readonly isComplaint: boolean;
}

/** Whether this is somebody's word on the sign that it comes and goes. */
export const isSaidToComeAndGo = (e: Evidence) =>
  e.type === "sign" && e.part === WHOLE_UNIT && e.sign === "comes-and-goes";

/** Whether what was complained of comes and goes: said with the complaint, or by the last word on that sign. */
export function comesAndGoes(evidence: readonly Evidence[]): boolean {
  const sign = evidence.filter(isSaidToComeAndGo).at(-1);
  if (sign?.type === "sign") return sign.there;
  return evidence.some((e) => e.type === "complaint" && e.comesAndGoes === true);
}

/** What a complaint says is seen. */
function complained(
  machine: Machine,
  id: string,
  evidence: string,
  repairs: readonly Repair[],
): Omit<Observation, "weight" | "isLast">[] {
  const complaint = machine.file.complaints.find((c) => c.id === id);
  return Object.entries(complaint?.sees ?? {}).map(([part, label]) => ({
    evidence,
    test: makeTest(complaint!.setup, "look", part),
    shown: { kind: "label", label },
    slip: COMPLAINT_SLIP,
    repairs,
    isComplaint: true,
  }));
}

/** What is known of room and mains; of each, what was said last. */
export function surroundingsOf(evidence: readonly Evidence[]): { readonly celsius?: number; readonly volts?: number } {
  return evidence.reduce(
    (known, e) =>
      e.type === "surroundings"
        ? {
            ...known,
            ...(e.celsius === undefined ? {} : { celsius: e.celsius }),
            ...(e.volts === undefined ? {} : { volts: e.volts }),
          }
        : known,
    {},
  );
}

/**
 * Whether a reading is an ohmmeter's overload between mains and metalwork: what leaks at hundreds of volts it cannot
 * see, so it clears nothing.
 */
function isBlindToLeakage(machine: Machine, test: Test, shown: Reading): boolean {
  if (test.function !== "ohms" && test.function !== "continuity") return false;
  if (shown.kind !== "overload" && !(shown.kind === "beep" && !shown.beeps)) return false;
  const energies = [test.red, test.black].map((id) => (id === undefined ? "unknown" : energyAt(machine, id)));
  return energies.includes("mains") && energies.includes("earth");
}

/** What is weighed as somebody's word, see `saidOf`, and is no observation. */
const SAID = ["answer", "sign", "alone", "timed", "by hand", "surroundings"] as const;
type Said = Extract<Evidence, { type: (typeof SAID)[number] }>;
const isSaid = (e: Evidence): e is Said => (SAID as readonly string[]).includes(e.type);

/** The same slip made again when a reading is made once more; estimate E12. */
const SLIP_AGAIN = 0.15;

/** Takes evidence apart into observations; struck-out evidence is simply not passed in. */
export function observationsOf(machine: Machine, meter: Meter, evidence: readonly Evidence[]): Observation[] {
  const none: readonly Repair[] = [];
  const made = evidence.find((e) => e.type === "complaint");
  let repairs = none;
  const plain = evidence.flatMap((e): Omit<Observation, "weight" | "isLast">[] => {
    if (e.type === "reading" && isBlindToLeakage(machine, e.test, e.shown)) return [];
    if (e.type === "reading")
      return [
        { evidence: e.id, test: e.test, shown: e.shown, slip: SLIP, repairs: e.repairs ?? none, isComplaint: false },
      ];
    if (isSaid(e)) return [];
    if (e.type === "tried") {
      repairs = [...repairs, { assembly: e.assembly, result: e.result }];
      // It stays: the complaint is made once more, of the machine as it is now.
      return e.result === "stays" && made ? complained(machine, made.complaint, e.id, repairs) : [];
    }
    if (e.type === "compared")
      return e.sees.map((s) => ({
        evidence: e.id,
        test: makeTest(s.setup, "look", s.part),
        shown: { kind: "label", label: s.label },
        slip: COMPLAINT_SLIP,
        repairs: none,
        isComplaint: true,
      }));
    return complained(machine, e.complaint, e.id, none);
  });
  // What comes and goes was seen by whoever complains, and is not taken back by a look at which it works.
  const apart = comesAndGoes(evidence);
  const place = (o: (typeof plain)[number]) =>
    `${apart && o.isComplaint ? "complaint " : ""}${testKey(o.test)} ${o.repairs.map((r) => r.assembly).join(" ")}`;
  const groups = new Map<string, (typeof plain)[number][]>();
  for (const o of plain) groups.set(place(o), [...(groups.get(place(o)) ?? []), o]);
  const weighed = plain.flatMap((o): Omit<Observation, "isLast">[] => {
    const group = groups.get(place(o))!;
    // A fault that comes and goes throws its dice anew at every power cycle.
    if (group.length === 1 || o.test.instant === "recheck") return [{ ...o, weight: 1 }];
    const validReadings = agreedOn(meter, group);
    if (!validReadings.includes(o)) return [];
    return [{ ...o, weight: 1 / validReadings.length, slip: o.slip * SLIP_AGAIN ** (validReadings.length - 1) }];
  });
  // In an order of their own, so that what is learned on the way does not depend on the order of measuring.
  const sorted = weighed
    .map((o, i) => ({ o, i, key: `${place(o)} ${JSON.stringify(o.shown)}` }))
    .sort((a, b) => {
      if (a.key < b.key) return -1;
      return a.key > b.key ? 1 : a.i - b.i;
    });
  return sorted.map(({ o }, i) => ({
    ...o,
    isLast: sorted[i + 1] === undefined || place(sorted[i + 1]!.o) !== place(o),
  }));
}

/**
 * Of readings of one test that differ, those that stand: the ones that most others agree with, and of equals those that
 * agree with the latest. The others were slips; averaging them in would be believing none of them.
 */
export function agreedOn<O extends { readonly test: Test; readonly shown: Reading }>(
  meter: Meter,
  group: readonly O[],
): readonly O[] {
  const parties = group.map((o) => group.filter((other) => isSameReading(meter, o, other)));
  return parties.reduce((best, party) => (party.length >= best.length ? party : best));
}

/** Readings of one test nearer than this, in meter errors, say the same. */
const SAME = 6;

/** Whether two readings of one test say the same. */
export function isSameReading(
  meter: Meter,
  a: { readonly test: Test; readonly shown: Reading },
  b: { readonly shown: Reading },
): boolean {
  if (a.shown.kind === "value" && b.shown.kind === "value" && isNumeric(a.test.function)) {
    const scale = scaleOf(meter, a.test.function);
    return Math.abs(toScale(scale, a.shown.value) - toScale(scale, b.shown.value)) < SAME;
  }
  if (a.shown.kind === "label" && b.shown.kind === "label") return a.shown.label === b.shown.label;
  if (a.shown.kind === "beep" && b.shown.kind === "beep") return a.shown.beeps === b.shown.beeps;
  return a.shown.kind === b.shown.kind;
}
