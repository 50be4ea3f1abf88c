import type { Meter } from "../instrument";
import { cautionsFor, forbidden } from "../safety";
import {
  candidateTests,
  LEADS_SHOW,
  Predictor,
  SOUND_MACHINE,
  titleOf,
  type Window,
  windowOf,
  windowWords,
} from "../diagnose";
import { type Done, type EventBody, type Job, PURPOSES } from "../journal";
import { type TouchedProof, touchedSteps } from "./proof-touched";
import { type JobPurpose, lookOver } from "./look-over";
import { type ComplaintEntry, type Fault, has, type Machine, type SetupEntry } from "../model";
import { makeTest, nominalValues, secondsUntil, Simulator, type Test, testKey } from "../simulate";
import { safetyTest, type SafetyLimit } from "./after-repair-limits";
import type { ProofStep } from "./proof-step";
import { type AlsoShown, functionSteps, protectingSteps } from "./proof-functions";
import { misread, SoundDraws } from "./sound-draws";
import { SpoiltTests } from "./spoilt-tests";
import { say } from "#words/core/repair/proof-run";

/**
 * The window of a proof: a sound machine never misses it, with mains, part values and meter at the ends of what they may
 * be. A search weighs what lies at the edge; a proof that a sound machine can fail proves nothing.
 */
function proofWindow(test: Test, window: Window, meter: Meter): Window {
  if (window.kind !== "range" || test.function === "look" || test.function === "continuity") return window;
  const fn = test.function;
  const off = (value: number) => misread(fn, value, meter);
  const high = Number.isFinite(window.high) ? window.high + off(window.high) : window.high;
  const low = window.low - off(window.low);
  // What the words call "below" has no lower end: leads that touch pass.
  return { kind: "range", low: fn === "ohms" && low <= LEADS_SHOW ? Math.min(low, -off(0)) : low, high };
}

/** Groups in the order in which they are made: what shows that the repair failed comes first. */
export const PROOF_GROUPS: Readonly<Record<ProofStep["group"], string>> = {
  look: say.lookedOver,
  complaint: say.theComplaintIsGone,
  repair: say.whatWasWrongReadsRight,
  touched: say.whatHandsTouched,
  protects: say.whatProtects,
  functions: say.everyFunction,
  loads: say.whatItDrivesWorks,
  idle: say.backToIdle,
  time: say.inItsTime,
  closing: say.beforeItIsHandedOver,
  safety: say.safeAfterRepair,
};

/**
 * Estimates E31, all of these. So many readings that the fault had spoilt are made again, so many loads are clamped, so
 * many delays are waited for.
 */
const MOST_READINGS = 3;
const MOST_LOADS = 4;
const MOST_WAITS = 3;
/** A delay shorter than this needs no timer; a longer one than the other is for another day. Seconds. */
const SHORT = 8;
const LONG = 3600;
/** Amperes below which a clamp proves nothing. */
const SEEN_AMPS = 0.1;

/**
 * The script of the proof run after the repair of a fault (or of an assembly, where the fault is not known), for the
 * complaint it came in with. All that it expects is what the simulated sound machine shows. A job without a complaint
 * has null. Throws a RangeError for a complaint the machine has not.
 */
export const proofRun = (...asked: Parameters<typeof proofScript>): readonly ProofStep[] => proofScript(...asked).steps;

/** The same, with the faults of what was touched that no permitted reading shows. */
export function proofScript(
  machine: Machine,
  meter: Meter,
  complaintId: string | null,
  fault: Fault | null,
  cordMetres = 2,
  assembly = fault ? (machine.partById.get(fault.part)?.assembly ?? null) : null,
  job: JobPurpose = { kind: "repair" },
): TouchedProof {
  // What is put away is not tried; a setting is shown by itself, and by the everyday use of the machine.
  if (job.kind === "lay up" && job.purpose === PURPOSES["lay up"][1])
    return { steps: [...lookOver(machine, job), ...closingSteps(machine)], unshown: [] };
  const complaint = machine.file.complaints.find((c) => c.id === complaintId) ?? null;
  if (!complaint && complaintId !== null) throw new RangeError(say.noComplaintComplaintId(complaintId));
  const predictor = new Predictor(machine, meter);
  const draws = new SoundDraws(machine, meter);
  const taken: AlsoShown = new Map();
  const stepOf = (group: ProofStep["group"], test: Test, words: string): ProofStep[] => {
    const setup = machine.setupById.get(test.setup)!;
    if (taken.has(testKey(test)) || forbidden(machine, setup, test) !== null) return [];
    const sampled = windowOf(test, predictor.predict(test.setup, [test], SOUND_MACHINE)[0]!, meter);
    const window = draws.heldBy(test, proofWindow(test, sampled, meter));
    if (!window || window.kind === "unsteady" || window.kind === "unspoken") return [];
    taken.set(testKey(test), []);
    return [
      {
        id: `${group} ${testKey(test)}`,
        group,
        words,
        how: setup.how,
        expected: windowWords(window, test.function),
        test,
        window,
        cautions: cautionsFor(machine, setup, test),
      },
    ];
  };

  const complaintSteps = (complaint ? complaintTests(machine, complaint) : []).flatMap((test) =>
    stepOf("complaint", test, titleOf(machine, test)),
  );
  const spoilt = new SpoiltTests(machine, predictor, meter);
  const repairSteps = (fault ? spoilt.by(fault) : [])
    .flatMap((test) => stepOf("repair", test, titleOf(machine, test)))
    .slice(0, MOST_READINGS);
  // After a small part beside the boards the functions are not gone through.
  const isSwapped = assembly === null ? job.kind !== "setting" : machine.assemblyById.get(assembly)?.board === true;
  const protects = protectingSteps(machine, spoilt, stepOf);
  const functions = isSwapped ? functionSteps(machine, stepOf, taken) : [];
  const loadSteps = loadTests(machine, predictor)
    .flatMap((test) => stepOf("loads", test, titleOf(machine, test)))
    .slice(0, MOST_LOADS);
  const idle = everydaySetup(machine);
  const idleSteps = idle
    ? machine.parts
        .filter((p) => p.labels && has(p, "display", "board-lamp", "light"))
        .flatMap((p) => stepOf("idle", makeTest(idle.id, "look", p.id), p.name))
        .slice(0, 2)
    : [];
  const measured = [...complaintSteps, ...repairSteps, ...protects, ...functions, ...loadSteps, ...idleSteps];
  const touched = machine.assemblyById.has(assembly ?? "")
    ? touchedSteps(machine, spoilt, stepOf, measured, assembly!)
    : { steps: [], unshown: [] };
  const steps = [
    ...lookOver(machine, job),
    ...complaintSteps,
    ...repairSteps,
    ...touched.steps,
    ...protects,
    ...functions,
    ...loadSteps,
    ...idleSteps,
    ...(complaint ? delays(machine, complaint) : []),
    ...(machine.file.sleep ? [sleepStep(machine.file.sleep)] : []),
    ...closingSteps(machine),
    ...(job.kind === "setting" ? [] : safetySteps(machine, cordMetres)),
  ];
  return { steps: steps.map((s) => withAlso(s, taken)), unshown: touched.unshown };
}

/** A step with the functions that it shows besides. */
function withAlso(step: ProofStep, taken: AlsoShown): ProofStep {
  const also = step.test ? (taken.get(testKey(step.test)) ?? []).filter((words) => words !== step.words) : [];
  return also.length > 0 ? { ...step, also: [...new Set(also)] } : step;
}

/** Prices where it takes any, covers, screws, plugs. */
function closingSteps(machine: Machine): readonly ProofStep[] {
  return [
    ...(machine.parts.some((p) => has(p, "takes-payment"))
      ? [
          {
            id: "closing price",
            group: "closing" as const,
            words: say.prices,
            how: say.oneOfEachCoinOr,
            expected: say.rightCreditRightPriceRight,
            cautions: [],
          },
        ]
      : []),
    {
      id: "closing covers",
      group: "closing",
      words: say.coversScrewsPlugs,
      how: say.everyCoverOnWithIts,
      expected: say.allAsItWas,
      cautions: [],
    },
  ];
}

/** The safety test after repair, where the standard speaks of this machine. */
function safetySteps(machine: Machine, cordMetres: number): readonly ProofStep[] {
  const safety = safetyTest(machine, cordMetres);
  if (!safety.applies) return [];
  return safety.limits.map((limit) => ({
    id: `safety ${limit.id}`,
    group: "safety",
    words: limit.words,
    how: limit.how,
    expected: `${limit.sense} ${limitText(limit)}`,
    limit,
    cautions: aboutLimit(limit),
  }));
}

/** What it draws once it sleeps, held against the limit of its file. */
function sleepStep({ milliamps, after }: NonNullable<Machine["file"]["sleep"]>): ProofStep {
  const limit: SafetyLimit = {
    id: "sleep",
    words: say.asleep,
    how: "",
    limit: milliamps,
    sense: "at most",
    unit: "mA",
    source: say.theMachinesFile,
  };
  return {
    id: "time sleep",
    group: "time",
    words: say.asleepCurrentFromItsSupply,
    how: say.everythingOffNothingPressedThe,
    expected: say.atMostLimitText(limitText(limit)),
    limit,
    wait: Math.ceil(1.25 * after),
    cautions: [say.theMeterInAmperesIs],
  };
}

export const limitText = ({ limit, unit }: SafetyLimit): string => `${limit} ${unitSign(unit)}`;

/** The setup a machine is left in: on, in its first mode, nothing held or taken apart. */
export function everydaySetup(machine: Machine): SetupEntry | undefined {
  return machine.file.setups.find(
    (s) =>
      s.power === "on" &&
      s.mode === "run" &&
      s.apart.length +
        s.lifted.length +
        s.jumpers.length +
        s.feeds.length +
        s.good.length +
        s.lamps.length +
        s.openDoors.length +
        s.press.length +
        s.off.length ===
        0,
  );
}

/** What the complaint said was seen, looked at again; where it said nothing, the ends of its path. */
function complaintTests(machine: Machine, complaint: ComplaintEntry): Test[] {
  const seen = Object.keys(complaint.sees).map((part) => makeTest(complaint.setup, "look", part));
  if (seen.length > 0) return seen;
  const path = machine.file.paths.find((p) => p.id === complaint.path)!;
  const parts = path.stages.flatMap((s) => ("parts" in s ? s.parts : []));
  const looks = parts
    .filter((p) => machine.partById.get(p)?.labels)
    .slice(-2)
    .map((p) => makeTest(complaint.setup, "look", p));
  if (looks.length > 0) return looks;
  const ends = new Set(path.stages.flatMap((s) => ("at" in s ? [`${s.at[0]} ${s.at[1]}`] : [])));
  return candidateTests(machine)
    .filter((t) => t.setup === complaint.setup && ends.has(`${t.red} ${t.black ?? ""}`))
    .slice(-1);
}

/** A clamp around, or a look at, each load that runs in some setup of the sound machine, the strongest first. */
function loadTests(machine: Machine, predictor: Predictor): Test[] {
  const found: { test: Test; amps: number }[] = [];
  const seen = new Set<string>();
  for (const setup of machine.file.setups) {
    if (setup.power !== "on") continue;
    const tests = candidateTests(machine).filter(
      (t) => t.setup === setup.id && (t.function === "clamp" || t.function === "dcclamp"),
    );
    predictor.predict(setup.id, tests, SOUND_MACHINE, 0, 1).forEach(([shown], i) => {
      const test = tests[i]!;
      if (shown?.kind !== "value" || shown.value < SEEN_AMPS || seen.has(test.red)) return;
      seen.add(test.red);
      found.push({ test, amps: shown.value });
    });
  }
  return found.sort((a, b) => b.amps - a.amps || (testKey(a.test) < testKey(b.test) ? -1 : 1)).map(({ test }) => test);
}

/** What comes only after a while in the setups of the complaint: a fan that runs on, a compressor after its rest. */
function delays(machine: Machine, complaint: ComplaintEntry): ProofStep[] {
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const setups = [complaint.setup, everydaySetup(machine)?.id].flatMap((id) =>
    id && machine.setupById.get(id)!.power === "on" ? [machine.setupById.get(id)!] : [],
  );
  const steps: ProofStep[] = [];
  for (const setup of new Set(setups)) {
    for (const part of machine.parts) {
      if (!part.kind.electrical.load || !part.labels) continue;
      for (const label of part.labels) {
        if (steps.length >= MOST_WAITS) return steps;
        const after = secondsUntil(simulator, setup, [], values, part.id, label, LONG);
        if (after === null || !Number.isFinite(after) || after < SHORT) continue;
        const seconds = Math.ceil(after);
        steps.push({
          id: `time ${setup.id} ${part.id} ${label}`,
          group: "time",
          words: `${part.name}: ${label}`,
          how: setup.how,
          expected: say.labelAfterAboutPart(label, seconds < 120 ? `${seconds} s` : `${Math.round(seconds / 60)} min`),
          test: makeTest(setup.id, "look", part.id),
          wait: Math.ceil(1.25 * seconds),
          cautions: cautionsFor(machine, setup, makeTest(setup.id, "look", part.id)),
        });
      }
    }
  }
  return steps;
}

/** Where the proof stands. */
export interface ProofState {
  readonly passed: number;
  readonly total: number;
  readonly failed: readonly ProofStep[];
  readonly next: ProofStep | null;
  /** Whether every step of the complaint and of the repair has passed. */
  readonly gone: boolean;
  readonly complete: boolean;
}

export function proofState(steps: readonly ProofStep[], proved: readonly Pick<Done<"proved">, "body">[]): ProofState {
  const result = new Map(proved.map(({ body }) => [body.step, body.passed]));
  const gone = steps.filter((s) => s.group === "complaint" || s.group === "repair");
  return {
    passed: steps.filter((s) => result.get(s.id) === true).length,
    total: steps.length,
    failed: steps.filter((s) => result.get(s.id) === false),
    next: steps.find((s) => !result.has(s.id)) ?? null,
    gone: gone.length > 0 && gone.every((s) => result.get(s.id) === true),
    complete: steps.every((s) => result.get(s.id) === true),
  };
}

/**
 * What the result of one step says of the repair of an assembly, as evidence: it has not helped when a step of the
 * complaint or of the repair fails, and it has when the last of them passes. Null where it says nothing new. `job` is
 * the job before the step was logged.
 */
export function toldOfRepair(
  machine: Machine,
  job: Job,
  assembly: string,
  steps: readonly ProofStep[],
  step: ProofStep,
  passed: boolean,
  typed: string,
): Extract<EventBody, { type: "tried" }> | null {
  if (step.group !== "complaint" && step.group !== "repair") return null;
  if (!passed)
    return {
      type: "tried",
      piece: assembly,
      result: "stays",
      words: say.repairedAndTheProofFailed(step.words, typed).slice(0, 400),
    };
  // A repair that failed before may be made again: what counts is what was said of it last.
  const last = job.answers.findLast(({ body }) => body.type === "tried" && body.piece === assembly)?.body;
  if (last?.type === "tried" && last.result === "gone") return null;
  const proved = [
    ...job.work.proved,
    {
      id: "",
      at: "",
      actor: "",
      body: { type: "proved" as const, step: step.id, words: step.words, passed, typed, limit: step.expected },
    },
  ];
  return proofState(steps, proved).gone
    ? {
        type: "tried",
        piece: assembly,
        result: "gone",
        words: say.repairedTheComplaintIsGone(machine.assemblyById.get(assembly)?.name ?? assembly),
      }
    : null;
}

/** What to mind while a limit is measured. */
function aboutLimit(limit: SafetyLimit): string[] {
  if (limit.id === "insulation") return [say.onlyMainsConductorsAgainstMetalwork];
  if (limit.id === "conductor" || limit.id === "touch") return [say.liveCoversOnHandsOff];
  return [];
}

function unitSign(unit: "ohm" | "Mohm" | "mA"): "mA" | "Ω" | "MΩ" {
  if (unit === "ohm") return "Ω";
  if (unit === "Mohm") return "MΩ";
  return "mA";
}
