import type { Meter } from "../instrument";
import {
  candidateTests,
  costOf,
  type Hypothesis,
  type Prediction,
  type Predictor,
  SOUND_MACHINE,
  verdictOf,
  windowOf,
} from "../diagnose";
import { type Fault, faultId, type Machine, type SetupEntry } from "../model";
import { exposureOf } from "../safety";
import { type Test, testKey } from "../simulate";
import { misread } from "./sound-draws";
import type { ProofStep } from "./proof-step";

const DANGER = { none: 0, dead: 1, "low voltage": 2, live: 3 } as const;
/** What needs another tester than the meter at hand, or proves little. */
const NOT_ASKED: readonly string[] = ["inrush", "insulation", "capacitance", "hertz"];

/** Which readings of a machine a fault throws out of what a sound one shows. One a proof. */
export class SpoiltTests {
  private readonly permitted: readonly Test[];
  private readonly sound = new Map<
    string,
    { readonly tests: readonly Test[]; readonly shown: readonly Prediction[] }
  >();

  constructor(
    private readonly machine: Machine,
    private readonly predictor: Predictor,
    private readonly meter: Meter,
  ) {
    this.permitted = candidateTests(machine).filter((t) => !NOT_ASKED.includes(t.function));
  }

  private soundIn(setup: SetupEntry) {
    let known = this.sound.get(setup.id);
    if (!known) {
      const tests = this.permitted.filter((t) => t.setup === setup.id);
      this.sound.set(setup.id, (known = { tests, shown: this.predictor.predict(setup.id, tests, SOUND_MACHINE) }));
    }
    return known;
  }

  /** Whether a unit with this fault fails one of these steps. */
  fails(fault: Fault, steps: readonly ProofStep[]): boolean {
    const hypothesis = this.hypothesisOf(fault);
    const bySetup = new Map<string, ProofStep[]>();
    for (const s of steps) if (s.test && s.window) bySetup.set(s.test.setup, [...(bySetup.get(s.test.setup) ?? []), s]);
    return [...bySetup].some(([setup, own]) => {
      const shown = this.predictor.predict(
        setup,
        own.map((s) => s.test!),
        hypothesis,
        0,
        1,
      );
      return own.some((s, i) => {
        const read = shown[i]![0];
        return read !== null && read !== undefined && this.isPlainlyOut(s, read);
      });
    });
  }

  /** Whether a reading lies outside the window of a step by more than the meter may misread it. */
  private isPlainlyOut({ test, window }: ProofStep, read: NonNullable<Prediction[number]>): boolean {
    if (verdictOf(window!, read) !== "does not fit") return false;
    const { function: fn } = test!;
    if (read.kind !== "value" || window!.kind !== "range" || fn === "look" || fn === "continuity") return true;
    const off = misread(fn, read.value, this.meter);
    const nearer = read.value > window!.high ? read.value - off : read.value + off;
    return nearer > window!.high || nearer < window!.low;
  }

  private hypothesisOf(fault: Fault): Hypothesis {
    return {
      kind: "fault",
      id: faultId(fault),
      assembly: this.machine.partById.get(fault.part)?.assembly ?? "",
      fault,
      led: [],
      prior: 1,
    };
  }

  /** Safe ones first, then cheap ones, one of each place; in some of the setups only where they are given. */
  by(fault: Fault, setups: readonly SetupEntry[] = this.machine.file.setups): readonly Test[] {
    const { machine } = this;
    const hypothesis = this.hypothesisOf(fault);
    const found: { test: Test; danger: number; minutes: number }[] = [];
    for (const setup of setups) {
      const { tests, shown: sound } = this.soundIn(setup);
      const bad = this.predictor.predict(setup.id, tests, hypothesis, 0, 1);
      tests.forEach((test, i) => {
        const shown = bad[i]![0];
        // What is vague on a sound machine proves nothing of it.
        if (!shown || sound[i]!.some((s) => s?.kind === "value" && s.factor !== undefined)) return;
        if (verdictOf(windowOf(test, sound[i]!, this.meter), shown) === "fits") return;
        found.push({
          test,
          danger: DANGER[exposureOf(machine, setup, test)],
          minutes: costOf(machine, { setup: setup.id, openPanels: new Set() }, test).minutes,
        });
      });
    }
    found.sort((a, b) => a.danger - b.danger || a.minutes - b.minutes || (testKey(a.test) < testKey(b.test) ? -1 : 1));
    const places = new Set<string>();
    return found
      .filter(({ test }) => {
        const place = `${test.red} ${test.black ?? ""}`;
        return places.has(place) ? false : places.add(place);
      })
      .map(({ test }) => test);
  }
}
