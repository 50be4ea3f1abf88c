import type { Machine, Point } from "../../src/core/model/machine";
import { misfitOf } from "../../src/core/diagnose/advice/likely-slips";
import type { Reading } from "../../src/core/quantity/read";
import { makeTest, testKey, type Test } from "../../src/core/simulate/test";
import { search } from "./isolate-unit";
import type { UnitOnTheBench } from "./unit-on-the-bench";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

/** The six kinds of slip that are tried, and a value out of the air. */
export const SLIP_KINDS = [
  "next pin",
  "mirrored pin",
  "other side",
  "other reference",
  "other volts",
  "standing otherwise",
] as const;
export type SlipKind = (typeof SLIP_KINDS)[number] | "arbitrary";

/** Share of slips that are a value out of the air. */
const ARBITRARY = 0.2;

/**
 * What is really measured when someone means `test` and slips; null where this slip cannot happen there. Written from
 * the plugs as drawn, not from what the search looks for.
 */
function slipped(machine: Machine, test: Test, kind: SlipKind, random: () => number): Test | null {
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  if (kind === "standing otherwise") {
    const now = machine.setupById.get(test.setup)!;
    const other = pick(
      machine.file.setups.filter(
        (s) => s.id !== now.id && s.power === now.power && s.feeds.length === 0 && s.apart.join() === now.apart.join(),
      ),
    );
    return other ? { ...test, setup: other.id } : null;
  }
  if (test.black === undefined) return null;
  if (kind === "other volts")
    return test.function === "dcv" || test.function === "acv"
      ? makeTest(test.setup, test.function === "dcv" ? "acv" : "dcv", test.red, test.black)
      : null;
  if (kind === "other reference") {
    const points = machine.file.references
      .filter((r) => !r.points.includes(test.black!))
      .flatMap((r) => r.points.slice(0, 1));
    const black = pick(
      points.filter((p) => p !== test.red && machine.points.get(p)!.node !== machine.points.get(test.black!)!.node),
    );
    return black ? makeTest(test.setup, test.function, test.red, black) : null;
  }
  const isRed = random() < 0.5;
  const meant = machine.points.get(isRed ? test.red : test.black)!;
  const spot = pick(beside(machine, meant, kind));
  if (!spot || spot.id === (isRed ? test.black : test.red)) return null;
  return isRed
    ? makeTest(test.setup, test.function, spot.id, test.black)
    : makeTest(test.setup, test.function, test.red, spot.id);
}

function beside(machine: Machine, meant: Point, kind: SlipKind): readonly Point[] {
  const plug = machine.file.connectors.find((c) => c.id === meant.connector);
  if (!plug) return [];
  const pins = plug.pins.map((p) => p.pin);
  const at = pins.indexOf(meant.pin ?? "");
  const on = (pin: string | undefined, same: boolean) =>
    [...machine.points.values()].filter(
      (p) => p.connector === plug.id && p.pin === pin && (p.where === meant.where) === same,
    );
  if (kind === "next pin") return [...on(pins[at - 1], true), ...on(pins[at + 1], true)];
  if (kind === "mirrored pin")
    return pins[pins.length - 1 - at] === meant.pin ? [] : on(pins[pins.length - 1 - at], true);
  return kind === "other side" ? on(meant.pin, false) : [];
}

/** A search with one wrong reading in it. */
export interface Slipped {
  readonly assemblies: readonly string[];
  /** Null: the run had no step at which anything could be misread. */
  readonly kind: SlipKind | null;
  /**
   * The slip was named: as the likeliest, or among those named. Null where it could not be: a value out of the air,
   * or one that is what the right spot shows too.
   */
  readonly named: { readonly first: boolean; readonly any: boolean } | null;
}

/** Searches a unit with exactly one reading wrong, at a step and of a kind drawn evenly. */
export function searchWithSlip(
  dictionary: FaultDictionary,
  fresh: () => UnitOnTheBench,
  random: () => number,
): Slipped {
  const { machine } = dictionary;
  const steps = search(dictionary, fresh(), "advice").tests.length;
  const at = Math.floor(random() * steps);
  const order =
    random() < ARBITRARY
      ? []
      : [...SLIP_KINDS]
          .map((kind) => ({ kind, by: random() }))
          .sort((a, b) => a.by - b.by)
          .map(({ kind }) => kind);
  const unit = fresh();
  let made: { kind: SlipKind; test: Test | null; key: string } | null = null;
  let step = 0;
  const run = search(dictionary, unit, "advice", {
    misread: (_, test, shown) => {
      if (step++ < at || made) return null;
      if (test.function === "look")
        return lookAgain(
          machine,
          test,
          shown,
          (label) => {
            made = { kind: "arbitrary", test: null, key: `${testKey(test)} ${label}` };
          },
          random,
        );
      for (const kind of order) {
        const other = slipped(machine, test, kind, random);
        if (!other) continue;
        try {
          const wrong = unit.read(other);
          made = { kind, test: isAlike(wrong, shown) ? null : other, key: testKey(test) };
          return wrong;
        } catch {
          continue;
        }
      }
      made = { kind: "arbitrary", test: null, key: testKey(test) };
      return arbitrary(test, random);
    },
  });
  const done = made as { kind: SlipKind; test: Test | null; key: string } | null;
  const wrong = done?.test ? run.evidence.find((e) => e.type === "reading" && testKey(e.test) === done.key) : undefined;
  if (!done?.test || !wrong) return { assemblies: run.assemblies, kind: done?.kind ?? null, named: null };
  const slips = misfitOf(dictionary, run.evidence, wrong.id)?.slips ?? [];
  // Two spots on one wire are one slip.
  const node = (id: string | undefined) => (id === undefined ? "" : String(machine.points.get(id)?.node ?? id));
  const hit = slips.map(
    (s) =>
      s.instead.setup === done.test!.setup &&
      s.instead.function === done.test!.function &&
      node(s.instead.red) === node(done.test!.red) &&
      node(s.instead.black) === node(done.test!.black),
  );
  return { assemblies: run.assemblies, kind: done.kind, named: { first: hit[0] === true, any: hit.includes(true) } };
}

/** Someone looks and names another thing that the part could do. */
function lookAgain(
  machine: Machine,
  test: Test,
  shown: Reading,
  note: (label: string) => void,
  random: () => number,
): Reading | null {
  const labels =
    machine.partById.get(test.red)?.labels?.filter((l) => shown.kind === "label" && l !== shown.label) ?? [];
  if (test.instant !== "settled" || labels.length === 0) return null;
  const label = labels[Math.floor(random() * labels.length)]!;
  note(label);
  return { kind: "label", label };
}

function arbitrary(test: Test, random: () => number): Reading {
  if (random() < 0.15) return test.function === "ohms" ? { kind: "overload" } : { kind: "value", value: 0 };
  const [low, high] =
    test.function === "ohms"
      ? [0.1, 1e6]
      : test.function === "acv" || test.function === "lowz"
        ? [0.1, 260]
        : test.function === "dcv"
          ? [0.01, 60]
          : [0.01, 20];
  return { kind: "value", value: low * (high / low) ** random() };
}

/** A slip that shows what the right spot shows is none. */
function isAlike(a: Reading, b: Reading): boolean {
  if (a.kind === "value" && b.kind === "value")
    return Math.abs(a.value - b.value) <= 0.1 * Math.max(Math.abs(a.value), Math.abs(b.value)) + 0.2;
  return JSON.stringify(a) === JSON.stringify(b);
}
