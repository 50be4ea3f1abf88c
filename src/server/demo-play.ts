import { ORDINARY_METER } from "../core/instrument";
import { advise, believe, type FaultDictionary, describeTest, proofsFor } from "../core/diagnose";
import { type Body, type EventBody, evidenceOf, type Job, judgedOf, readingBody, unitStateOf } from "../core/journal";
import {
  judge,
  leftBehind,
  optionsFor,
  priceOf,
  proofRun,
  type ProofStep,
  procedureFor,
  toldOfRepair,
  USUAL_RATES,
  USUAL_WORTH,
  weighOptions,
} from "../core/repair";
import { decimal, type Reading } from "../core/quantity";
import { nominalValues, observe, Simulator, type Values } from "../core/simulate";
import type { Fault } from "../core/model";

/** The journal of a job that is played: how it is added to, and the job as it is now. */
export interface Played {
  log(body: EventBody): Promise<unknown>;
  now(): Promise<Job>;
}

/** Works a job on a simulated unit with a known fault, or with none, following the advice for so many readings at most. */
export async function playSearch(
  dictionary: FaultDictionary,
  fault: Fault | null,
  { log, now }: Played,
  most: number,
  values: Values = nominalValues(dictionary.machine),
): Promise<void> {
  const { machine } = dictionary;
  const simulator = new Simulator(machine);
  await log({ type: "warned", notice: "working-live" });
  for (let n = 0; n < most; n++) {
    const folded = await now();
    const evidence = evidenceOf(folded);
    const advice = advise(dictionary, evidence, unitStateOf(folded));
    const test = advice.next?.test;
    if (!test) break;
    const card = describeTest(dictionary, believe(dictionary, evidence), unitStateOf(folded), test);
    const state = simulator.energise(machine.setupById.get(test.setup)!, fault ? [fault] : [], values);
    const shown = asTyped(observe(simulator, state, test, ORDINARY_METER));
    await log(readingBody(card, shown.typed, shown.shown, true));
  }
}

/**
 * Goes on from the cause found: decides, swaps, proves on the machine as it then is, puts everything back and closes
 * the call.
 */
export async function playRepair(
  dictionary: FaultDictionary,
  fault: Fault,
  { log, now }: Played,
  how: { readonly rank?: number; readonly customer?: string; readonly called?: Partial<Body<"called">> } = {},
): Promise<void> {
  const { machine } = dictionary;
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const before = await now();
  const assembly = advise(dictionary, evidenceOf(before), unitStateOf(before)).suspects[0]!;
  const options = weighOptions(optionsFor(machine, fault), USUAL_RATES, USUAL_WORTH).filter(
    (o) => o.option.id !== "give-up",
  );
  const option = options[how.rank ?? 0] ?? options[0];
  const price = Math.round(priceOf(option!.option, USUAL_RATES));
  await log({
    type: "decided",
    piece: assembly.assembly,
    fault: `${fault.part}:${fault.mode}`,
    option: option!.option.id,
    words: option!.option.words,
    minutes: option!.option.minutes,
    price,
    temporary: option!.option.temporary,
    warranty: "none",
    seals: "none",
    approved: { by: how.customer ?? "Kitchen lead", price },
  });
  for (const stage of procedureFor(machine, { assembly: assembly.assembly, option: option!.option.id, fault }).stages)
    await log({ type: "staged", plan: assembly.assembly, stage: stage.id, done: true });
  const steps = proofRun(machine, ORDINARY_METER, before.opened.complaint ?? null, fault);
  for (const step of steps) {
    let typed: string;
    if (step.limit) typed = GOOD[step.limit.id];
    else if (step.test)
      typed = asTyped(
        observe(
          simulator,
          simulator.energise(machine.setupById.get(step.test.setup)!, [], values),
          step.test,
          ORDINARY_METER,
        ),
      ).typed;
    else typed = "seen";
    // What is only seen is seen: the machine is sound by now.
    const passed = judge(step, typed).kind !== "fail";
    await log({ type: "proved", step: step.id, words: step.words, passed, typed, limit: step.expected.slice(0, 120) });
    const told = toldOfRepair(machine, await now(), assembly.assembly, steps, step, passed, typed);
    if (told) await log(told);
  }
  for (const left of leftBehind(machine, await now()))
    await log({ type: "restored", item: left.item, words: left.words });
  const folded = await now();
  await log({
    type: "called",
    piece: assembly.assembly,
    pieceName: assembly.name,
    cause: assembly.faults[0]!.name,
    action: `${option!.option.words}.`,
    sure: assembly.word,
    proofs: proofsFor(machine, assembly.assembly, judgedOf(folded)).map((p) => ({
      words: p.words,
      proven: p.by !== null,
    })),
    ...how.called,
  });
}

/** What a sound machine shows in the safety test; invented. */
const GOOD: Readonly<Record<NonNullable<ProofStep["limit"]>["id"], string>> = {
  bonding: "0.12",
  insulation: "85",
  conductor: "0.4",
  touch: "0.05",
  sleep: "1.2",
};

/** A simulated reading as a technician would type it. */
function asTyped(shown: Reading): { typed: string; shown: Reading } {
  if (shown.kind === "value") {
    const value = Number(decimal(shown.value));
    return { typed: String(value), shown: { kind: "value", value } };
  }
  if (shown.kind === "jumping") {
    const [low, high] = [Number(decimal(shown.low)), Number(decimal(shown.high))];
    return { typed: `${low}-${high}`, shown: { ...shown, low, high } };
  }
  return {
    typed: asTypedByHand(shown),
    shown,
  };
}

function asTypedByHand(shown: Exclude<Reading, { kind: "value" | "jumping" }>): string {
  if (shown.kind === "overload") return "OL";
  if (shown.kind === "label") return shown.label;
  if (shown.beeps) return "beep";
  return "nothing";
}
