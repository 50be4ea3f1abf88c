import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { verdictOf } from "../../src/core/diagnose/reading/window";
import type { EventBody, JournalEvent } from "../../src/core/journal/events";
import type { Job } from "../../src/core/journal/fold";
import { jobOn } from "../../src/core/journal/job";
import type { Machine } from "../../src/core/model/machine";
import type { Fault } from "../../src/core/model/fault";
import { carryOver, type CarryOver } from "../../src/core/repair/carry-over";
import { leftBehind, type LeftBehind } from "../../src/core/repair/left-behind";
import { optionsFor, USUAL_RATES, weighOptions } from "../../src/core/repair/options";
import { proofRun, proofState } from "../../src/core/repair/proof-run";
import type { ProofStep } from "../../src/core/repair/proof-step";
import { procedureFor } from "../../src/core/repair/procedure";
import type { Procedure } from "../../src/core/repair/work-steps";
import type { Test } from "../../src/core/simulate/test";
import { search } from "./isolate-unit";
import { UnitOnTheBench } from "./unit-on-the-bench";
import type { FaultDictionary } from "../../src/core/diagnose/dictionary/fault-dictionary";

/** A journal written as a job goes on. */
export class TestJournal {
  readonly events: JournalEvent[] = [];
  constructor(
    readonly machine: Machine,
    complaint: string,
  ) {
    this.log({
      type: "opened",
      kind: "repair",
      machine: machine.file.id,
      machineHash: "h",
      complaint,
      complaintWords: complaint,
      site: "Larch Pass Hut",
      serial: "1",
    });
  }
  log(body: EventBody): JournalEvent {
    const n = this.events.length + 1;
    const event: JournalEvent = {
      id: `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`,
      job: "j",
      v: 1,
      actor: "Vera",
      seq: n,
      at: new Date(Date.UTC(2026, 4, 1, 8, n)).toISOString(),
      body,
    };
    this.events.push(event);
    return event;
  }
  get job(): Job {
    return jobOn(this.machine, this.events);
  }
}

/** What came of one fault taken from the complaint to the closed record. */
export interface WholeWay {
  readonly found: readonly string[];
  readonly plan: Procedure;
  readonly carried: CarryOver;
  readonly steps: readonly ProofStep[];
  /** Steps that fail on the unit before its repair, and after it. */
  readonly failBefore: readonly string[];
  readonly failAfter: readonly string[];
  /** What was on the list before it was put back, and after. */
  readonly leftBefore: readonly LeftBehind[];
  readonly leftAfter: readonly LeftBehind[];
  readonly job: Job;
}

/**
 * Isolates a unit's fault, decides, swaps or repairs, sets up, proves and records: all in core, the technician being
 * this function.
 */
export function wholeWay(dictionary: FaultDictionary, fault: Fault, unit: UnitOnTheBench, complaint: string): WholeWay {
  const { machine } = dictionary;
  const journal = new TestJournal(machine, complaint);
  const run = search(dictionary, unit, "advice");
  for (const test of run.tests) {
    journal.log({
      type: "reading",
      test,
      typed: "x",
      shown: unit.read(test),
      as: {
        title: test.red,
        red: test.red,
        setup: test.setup,
        exposure: "dead",
        expected: "x",
        shown: "x",
        verdict: "fits",
        proposed: true,
      },
      coreVersion: "0",
    });
  }
  const assembly = machine.partById.get(fault.part)!.assembly;
  const [best] = weighOptions(optionsFor(machine, fault), USUAL_RATES, 400);
  journal.log({
    type: "decided",
    piece: assembly,
    option: best!.option.id,
    words: best!.option.words,
    minutes: best!.option.minutes,
    price: best!.option.parts,
    temporary: best!.option.temporary,
    warranty: "none",
    seals: "none",
    approved: { by: "Hut keeper", price: 100 },
  });
  // Settings are read before the old board comes out.
  for (const s of machine.file.settings)
    journal.log({
      type: "setting",
      setting: s.id,
      value: s.values[s.values.length - 1]!.value,
      moment: "found",
      words: s.name,
    });
  const carried = carryOver(machine, journal.job);
  const plan = procedureFor(machine, { assembly, option: best!.option.id, fault });
  for (const stage of plan.stages) journal.log({ type: "staged", plan: assembly, stage: stage.id, done: true });
  for (const s of carried.settings)
    journal.log({ type: "setting", setting: s.setting, value: s.value!, moment: "set", words: s.name });
  const steps = proofRun(machine, ORDINARY_METER, complaint, fault);
  // No meter shows less than no ohms: what its error takes below nothing is shown as nothing.
  const shown = (test: Test) => {
    const s = unit.read(test);
    return s.kind === "value" && test.function !== "dcv" ? { ...s, value: Math.max(0, s.value) } : s;
  };
  const fails = () =>
    steps.filter((s) => s.test && s.window && verdictOf(s.window, shown(s.test)) === "does not fit").map((s) => s.id);
  // The search may have tried a repair that cured it: the proof is held against the unit as it came in.
  unit.faults = [fault];
  const failBefore = fails();
  unit.repair(assembly);
  const failAfter = fails();
  journal.log({
    type: "tried",
    piece: assembly,
    result: failAfter.length === 0 ? "gone" : "stays",
    words: "proof run",
  });
  for (const s of steps)
    journal.log({
      type: "proved",
      step: s.id,
      words: s.words,
      passed: !failAfter.includes(s.id),
      typed: "x",
      limit: s.expected,
    });
  const leftBefore = leftBehind(machine, journal.job);
  for (const l of leftBefore) journal.log({ type: "restored", item: l.item, words: l.words });
  const leftAfter = leftBehind(machine, journal.job);
  journal.log({
    type: "called",
    piece: assembly,
    pieceName: assembly,
    cause: "x",
    action: best!.option.words,
    sure: "likely",
    proofs: [],
  });
  return {
    found: run.assemblies,
    plan,
    carried,
    steps,
    failBefore,
    failAfter,
    leftBefore,
    leftAfter,
    job: journal.job,
  };
}

export { proofState };
