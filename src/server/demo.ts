import { createHash } from "node:crypto";
import { ORDINARY_METER } from "../core/instrument";
import { advise, believe, FaultDictionary, describeTest, proofsFor } from "../core/diagnose";
import { type EventBody, evidenceOf, type Job, jobOn, judgedOf, readingBody, unitStateOf } from "../core/journal";
import {
  judge,
  leftBehind,
  optionsFor,
  outlay,
  proofRun,
  type ProofStep,
  procedureFor,
  toldOfRepair,
  USUAL_RATES,
  weighOptions,
} from "../core/repair";
import { decimal, type Reading } from "../core/quantity";
import { nominalValues, observe, Simulator } from "../core/simulate";
import type { Fault } from "../core/model";
import { inTransaction } from "./db";
import { appendEvent } from "./journal";
import { eventsOf } from "./journals";
import { openJob } from "./jobs";
import { newestMachine } from "./machine-store";
import { registerUnit } from "./units";

/**
 * Invented sites and units of an invented workshop. Names the demo data by fixed ids, so that seeding twice adds
 * nothing.
 */
const NAMESPACE = "6f0c1c7e-52a4-4c9e-9a53-0f2f7a5d1c11";
const MACHINE = "quellmoor-sb-210";
const UNITS = [
  { key: "larch", site: "Larch Pass Hut", serial: "40177", machine: MACHINE },
  { key: "saddle", site: "Grey Saddle cable-car station", serial: "40231", machine: MACHINE },
  { key: "school", site: "Valley school kitchen", serial: "39862", machine: MACHINE },
  { key: "hut-freezer", site: "Larch Pass Hut", serial: "BF-2217", machine: "firnau-bf-330" },
  { key: "hut-gas", site: "Upper Cairn Hut", serial: "60-1184", machine: "murgast-abs-60" },
  { key: "school-cooler", site: "Valley school kitchen", serial: "UC-0931", machine: "kaldruun-uc-80" },
  { key: "school-washer", site: "Valley school laundry", serial: "FL-5502", machine: "dornlau-fl-7" },
  { key: "school-dishes", site: "Valley school kitchen", serial: "DW-1276", machine: "velmoor-dw-45" },
  { key: "hut-dryer", site: "Upper Cairn Hut, boot room", serial: "CD-0418", machine: "brenzik-cd-30" },
  { key: "station-ice", site: "Grey Saddle cable-car station, bar", serial: "IM-3390", machine: "lawinor-im-90" },
  { key: "station-drinks", site: "Grey Saddle cable-car station, platform", serial: "DV-7745", machine: "obwart-dv-8" },
  { key: "station-belt", site: "Grey Saddle cable-car station, luggage", serial: "LC-0102", machine: "sellrun-lc-24" },
  { key: "hut-standby", site: "Larch Pass Hut, plant room", serial: "CO-0077", machine: "pfellmar-co-12" },
  { key: "station-winch", site: "Grey Saddle cable-car station, ramp", serial: "BW-0233", machine: "zirvald-bw-15" },
  { key: "shop-tool", site: "Workshop", serial: "FT-9081", machine: "tannrast-ft-20" },
  { key: "shop-stapler", site: "Workshop", serial: "SN-1846", machine: "grisselm-sn-18" },
  { key: "slope-panel", site: "Grey Saddle slope vehicle 2", serial: "IP-0015", machine: "hochkar-ip-4" },
  { key: "station-tickets", site: "Grey Saddle cable-car station, hall", serial: "TM-0311", machine: "perlgrund-tm-3" },
] as const;

/** An id that is the same for the same key: version 5 of RFC 9562, in our namespace. */
function idOf(key: string): string {
  const bytes = createHash("sha1")
    .update(Buffer.from(NAMESPACE.replaceAll("-", ""), "hex"))
    .update(key)
    .digest();
  bytes[6] = (bytes[6]! & 0x0f) | 0x50;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = bytes.toString("hex");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20, 32)].join("-");
}

/**
 * Units and three jobs: one untouched, one half-way, one repaired, proven and closed. Readings come from the
 * simulated unit.
 */
export async function seedDemo(now: Date): Promise<void> {
  const minutesAgo = (m: number) => new Date(now.getTime() - m * 60_000);
  for (const { key, site, serial, machine } of UNITS)
    await inTransaction((tx) =>
      registerUnit(
        tx,
        { id: idOf(key), site, serial, machine, productCode: null, productIndex: null },
        "Ida",
        minutesAgo(60 * 24),
      ),
    );
  await openJob(
    { id: idOf("job untouched"), unit: idOf("larch"), complaint: "panel-dark", actor: "Ida" },
    minutesAgo(20),
  );

  const halfway = await openJob(
    { id: idOf("job half-way"), unit: idOf("saddle"), complaint: "panel-dark", actor: "Ida" },
    minutesAgo(95),
  );
  const closed = await openJob(
    { id: idOf("job closed"), unit: idOf("school"), complaint: "all-dead", actor: "Jon" },
    minutesAgo(60 * 22),
  );
  if ((await eventsOf(closed.id)).length > 1) return;
  const { machine } = await newestMachine(MACHINE);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  await playJob(dictionary, halfway.id, { part: "W4", mode: "open" }, "Ida", minutesAgo(90), 3, false);
  await playJob(dictionary, closed.id, { part: "PS1", mode: "dead" }, "Jon", minutesAgo(60 * 22 - 5), 40, true);
}

/** Works a job on a simulated unit with a known fault, following the advice; closes it if asked. */
async function playJob(
  dictionary: FaultDictionary,
  job: string,
  fault: Fault,
  actor: string,
  start: Date,
  most: number,
  close: boolean,
): Promise<void> {
  const { machine } = dictionary;
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  let clock = start.getTime();
  let count = 0;
  const log = (body: EventBody) =>
    appendEvent(job, { id: idOf(`${job} event ${count++}`), v: 1, actor, body }, new Date((clock += 150_000)));
  const now = async () => jobOn(machine, await eventsOf(job));

  await log({ type: "warned", notice: "working-live" });
  for (let n = 0; n < most; n++) {
    const folded = await now();
    const evidence = evidenceOf(folded);
    const advice = advise(dictionary, evidence, unitStateOf(folded));
    const test = advice.next?.test;
    if (!test) break;
    const card = describeTest(dictionary, believe(dictionary, evidence), unitStateOf(folded), test);
    const shown = asTyped(
      observe(simulator, simulator.energise(machine.setupById.get(test.setup)!, [fault], values), test, ORDINARY_METER),
    );
    await log(readingBody(card, shown.typed, shown.shown, true));
  }
  if (close) await repairAndClose(dictionary, fault, log, now);
}

/**
 * Goes on from the cause found: decides, swaps, proves on the machine as it then is, puts everything back and closes
 * the call.
 */
async function repairAndClose(
  dictionary: FaultDictionary,
  fault: Fault,
  log: (body: EventBody) => Promise<unknown>,
  now: () => Promise<Job>,
): Promise<void> {
  const { machine } = dictionary;
  const simulator = new Simulator(machine);
  const values = nominalValues(machine);
  const before = await now();
  const assembly = advise(dictionary, evidenceOf(before), unitStateOf(before)).suspects[0]!;
  const [option] = weighOptions(optionsFor(machine, fault), USUAL_RATES, 400);
  const price = Math.round(outlay(option!.option, USUAL_RATES));
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
    approved: { by: "Kitchen lead", price },
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
    despite: "Without its supply the sensor says nothing.",
    proofs: proofsFor(machine, assembly.assembly, judgedOf(folded)).map((p) => ({
      words: p.words,
      proven: p.by !== null,
    })),
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
