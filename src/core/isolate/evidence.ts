import type { Machine } from "../machine/compile";
import type { Shown } from "../quantity/read";
import type { FirstAnswer } from "./firsts";
import { makeTest, testKey, type Test } from "../simulate/test";
import { COMPLAINT_SLIP, SLIP } from "./likelihood";

/** Anything that re-weighs suspects. Each kind of evidence comes down to tests and what they showed. */
export type Evidence =
  /** What the customer says, before anything was touched. */
  | { readonly type: "complaint"; readonly id: string; readonly complaint: string }
  /** A meter reading, or a look: a test as it was really made. */
  | { readonly type: "reading"; readonly id: string; readonly test: Test; readonly shown: Shown }
  /** "Works on this, not on that": what was seen to work, and what was not, without a meter. */
  | { readonly type: "compared"; readonly id: string; readonly sees: readonly Seen[] }
  /** A simple cause asked for and answered. */
  | { readonly type: "answer"; readonly id: string; readonly first: string; readonly answer: FirstAnswer }
  /** A sign looked for on a part or on the unit: there, or not. */
  | { readonly type: "sign"; readonly id: string; readonly part: string; readonly sign: string; readonly there: boolean }
  /** A repair of one piece that was tried, and what became of the complaint. */
  | { readonly type: "tried"; readonly id: string; readonly piece: string; readonly result: "gone" | "stays" };

/** Something seen of a part in a setup. */
export interface Seen {
  readonly setup: string;
  readonly part: string;
  readonly label: string;
}

/** One observation inside a piece of evidence. */
export interface Observation {
  readonly evidence: string;
  readonly test: Test;
  readonly shown: Shown;
  readonly slip: number;
  /** Repeating a test adds no evidence: n repeats count 1/n each. */
  readonly weight: number;
  /** The last of its test: what repeats say is learned once. */
  readonly isLast: boolean;
}

/** Takes evidence apart into observations; struck-out evidence is simply not passed in. */
export function observationsOf(machine: Machine, evidence: readonly Evidence[]): Observation[] {
  const plain = evidence.flatMap((e): Omit<Observation, "weight" | "isLast">[] => {
    if (e.type === "reading") return [{ evidence: e.id, test: e.test, shown: e.shown, slip: SLIP }];
    if (e.type === "answer" || e.type === "sign" || e.type === "tried") return [];
    if (e.type === "compared") return e.sees.map((s) => ({ evidence: e.id, test: makeTest(s.setup, "look", s.part), shown: { kind: "label", label: s.label }, slip: COMPLAINT_SLIP }));
    const complaint = machine.file.complaints.find((c) => c.id === e.complaint);
    return Object.entries(complaint?.sees ?? {}).map(([part, label]) => ({
      evidence: e.id, test: makeTest(complaint!.setup, "look", part), shown: { kind: "label", label }, slip: COMPLAINT_SLIP,
    }));
  });
  const repeats = new Map<string, number>();
  for (const o of plain) repeats.set(testKey(o.test), (repeats.get(testKey(o.test)) ?? 0) + 1);
  // In an order of their own, so that what is learned on the way does not depend on the order of measuring.
  const sorted = plain.map((o, i) => ({ o, i, key: `${testKey(o.test)} ${JSON.stringify(o.shown)}` })).sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : a.i - b.i));
  return sorted.map(({ o }, i) => ({ ...o, weight: 1 / repeats.get(testKey(o.test))!, isLast: sorted[i + 1] === undefined || testKey(sorted[i + 1]!.o.test) !== testKey(o.test) }));
}
