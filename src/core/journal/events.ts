import { JOB_KINDS } from "./job-kinds";
import { CARES, MOST_WAIT } from "./waits";
import { z } from "zod";
import { CAME, TRIALS } from "../diagnose";
import { METER_FUNCTIONS } from "../instrument";
import { changeSchema, circuitChangeSchema, GUARDS } from "../model";

/**
 * The journal of a job: what happened, in order, never changed. Every event carries a version `v`; old versions are
 * lifted to the present one on reading (`upcast`), so a journal written once folds for ever.
 */

const text = (most: number) => z.string().trim().min(1).max(most);
const finite = z.number();

export const displaySchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("value"), value: finite }),
  z.strictObject({ kind: z.literal("overload") }),
  z.strictObject({
    kind: z.literal("jumping"),
    low: finite,
    high: finite,
    manner: z.enum(["jumping", "fading", "pulsing"]),
  }),
  z.strictObject({ kind: z.literal("beep"), beeps: z.boolean() }),
  z.strictObject({ kind: z.literal("label"), label: text(40) }),
]);

export const testSchema = z.strictObject({
  setup: text(60),
  function: z.enum(METER_FUNCTIONS),
  red: text(60),
  black: text(60).optional(),
  instant: z.enum(["settled", "recheck"]),
});

/** By what a cause is known, the most first: what works since says little, for plugs were moved on the way. */
export const CONFIRMED_BY = ["found bad", "old part back", "works since", "only measured"] as const;
export type ConfirmedBy = (typeof CONFIRMED_BY)[number];

/**
 * The last entry that stood on the screen of whoever wrote this one: what came between was not known to them. Old
 * entries have none.
 */
const seen = { after: z.uuid().optional() };

/** A reading with all that was on the screen when it was taken; records show this and never compute it again. */
const reading = z.strictObject({
  type: z.literal("reading"),
  test: testSchema,
  /** As typed; for a look, the label chosen. */
  typed: text(80),
  shown: displaySchema,
  /** How it was laid out: title, leads, window, verdict, in words. */
  as: z.strictObject({
    title: text(200),
    red: text(200),
    black: text(200).optional(),
    setup: text(200),
    exposure: text(40),
    expected: text(80),
    shown: text(80),
    verdict: z.enum(["fits", "does not fit", "not judged"]),
    proposed: z.boolean(),
  }),
  coreVersion: text(20),
  /** Read from a simulated unit: a job that holds one teaches nothing. */
  simulated: z.boolean().optional(),
  ...seen,
});

/** Bodies of events, each of the version that `versionOf` names; names and fields that are stored are never changed. */
export const eventBodySchema = z.discriminatedUnion("type", [
  /** Version 2: version 1 had no kind and no plate, and always a complaint and a serial number. */
  z.strictObject({
    type: z.literal("opened"),
    kind: z.enum(JOB_KINDS).default("repair"),
    /** What it is for, within its kind: the module that is fitted, why it is checked, which way it is laid up. */
    purpose: text(120).optional(),
    machine: text(80),
    machineHash: text(64),
    complaint: text(60).optional(),
    complaintWords: text(400).optional(),
    /** It is not always so. */
    comesAndGoes: z.boolean().optional(),
    site: text(120),
    /** Null: none on the plate. */
    serial: text(60).nullable(),
    productCode: text(60).optional(),
    productIndex: text(20).optional(),
    /** Hash of the odds of failure that the job was made with; none: those of its file. */
    odds: text(64).optional(),
    /** Nobody's machine: practice. Nothing is learned from it. */
    simulated: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal("warned"), notice: text(60) }),
  z.strictObject({ type: z.literal("standing"), setup: text(60), panel: text(60).optional() }),
  reading,
  z.strictObject({ type: z.literal("struck"), event: z.uuid(), reason: text(200) }),
  /**
   * A simple cause asked for before anything is opened; "skip" is no evidence. The question "*" stands for all that
   * are left.
   */
  z.strictObject({
    type: z.literal("answered"),
    ...seen,
    first: text(60),
    answer: z.enum(["yes", "no", "skip"]),
    words: text(400),
  }),
  /** What was seen to work, and what was not. */
  z.strictObject({
    type: z.literal("compared"),
    ...seen,
    sees: z
      .array(z.strictObject({ setup: text(60), part: text(60), label: text(40) }))
      .min(2)
      .max(6),
    words: text(400),
  }),
  /** A sign looked for: there, or not. The part "*" is the whole of it. */
  z.strictObject({
    type: z.literal("noticed"),
    ...seen,
    part: text(60),
    sign: text(60),
    there: z.boolean(),
    words: text(400),
  }),
  /** A repair that was tried, and whether the complaint went. */
  z.strictObject({
    type: z.literal("tried"),
    ...seen,
    piece: text(60),
    result: z.enum(["gone", "stays"]),
    words: text(400),
  }),
  /** Something tried by hand on a part or a plug, and what became of the complaint. */
  z.strictObject({
    type: z.literal("by hand"),
    ...seen,
    trial: z.enum(TRIALS),
    of: text(60),
    came: z.enum(CAME),
    words: text(400),
  }),
  /** Something watched with a clock: after how many seconds it came; null: not while it was watched. */
  z.strictObject({
    type: z.literal("timed"),
    ...seen,
    setup: text(60),
    part: text(60),
    label: text(40),
    seconds: finite.min(0).max(86_400).nullable(),
    watched: finite.min(0.5).max(86_400),
    words: text(400),
  }),
  /** How warm it is where the unit stands, degrees Celsius, and what the mains is at, volts. */
  z.strictObject({
    type: z.literal("surroundings"),
    ...seen,
    celsius: finite.min(-40).max(70).optional(),
    volts: finite.min(0).max(600).optional(),
    words: text(400),
  }),
  /** A part tested by itself with a tool of the workbench: what was typed, and the verdict. */
  z.strictObject({
    type: z.literal("alone"),
    ...seen,
    part: text(60),
    found: z.enum(["good", "bad"]),
    mode: text(60).optional(),
    tool: text(40),
    typed: z.record(text(40), z.string().max(400)),
    words: text(400),
  }),
  /** A setting as it was found on the unit, or as it was left. */
  z.strictObject({
    type: z.literal("setting"),
    ...seen,
    setting: text(60),
    value: text(60),
    moment: z.enum(["found", "set"]),
    words: text(400),
  }),
  /**
   * What is to be done about a cause, with what was asked before it: warranty, seals, the customer's word on the
   * price.
   */
  z.strictObject({
    type: z.literal("decided"),
    piece: text(60),
    fault: text(120).optional(),
    option: text(40),
    words: text(400),
    minutes: finite.min(0).max(10_000),
    price: finite.min(0).max(1e6),
    /** To be made good later: it stays on the unit's record until it is. */
    temporary: z.boolean(),
    warranty: z.enum(["none", "in warranty", "unknown"]),
    seals: z.enum(["none", "whole", "broken"]),
    approved: z.strictObject({ by: text(80), price: finite.min(0).max(1e6) }).optional(),
  }),
  /** A step or a whole stage of a repair or an add-on that is done, or is not after all. */
  z.strictObject({ type: z.literal("staged"), plan: text(80), stage: text(120), done: z.boolean() }),
  /** A repair given up half-way, why, and what has to be put back as it was. */
  z.strictObject({
    type: z.literal("abandoned"),
    plan: text(80),
    words: text(400),
    back: z.array(z.strictObject({ item: text(120), words: text(300) })).max(120),
  }),
  /** A part held against what the machine wants: its number and revision, and what came of it. */
  z.strictObject({
    type: z.literal("matched"),
    piece: text(60),
    number: text(60),
    revision: z.string().trim().max(20),
    fits: z.boolean(),
    words: text(600),
    /** Why one that does not fit goes in all the same, and who answers for that. */
    despite: z.strictObject({ reason: text(400), by: text(80) }).optional(),
  }),
  /**
   * A photo kept with the job, by the hash of its content, and what is marked on it; the last marks of a photo count.
   * Places are shares of width and height.
   */
  z.strictObject({
    type: z.literal("photo"),
    hash: z.string().regex(/^[0-9a-f]{64}$/),
    stage: text(120),
    caption: z.string().trim().max(200),
    marks: z
      .array(
        z.discriminatedUnion("kind", [
          z.strictObject({
            kind: z.literal("pin"),
            at: z.tuple([finite.min(0).max(1), finite.min(0).max(1)]),
            words: z.string().max(60),
          }),
          z.strictObject({
            kind: z.literal("arrow"),
            from: z.tuple([finite.min(0).max(1), finite.min(0).max(1)]),
            to: z.tuple([finite.min(0).max(1), finite.min(0).max(1)]),
            words: z.string().max(60),
          }),
        ]),
      )
      .max(40),
  }),
  /** Something changed for the while that has to be put back: a valve shut, a breaker off, a menu unlocked. */
  z.strictObject({ type: z.literal("changed"), item: text(80), words: text(200) }),
  /** That is put back; also for what the program lists by itself: covers, jumpers, modes. */
  z.strictObject({ type: z.literal("restored"), item: text(120), words: text(300) }),
  /** A step of the proof run: measured or seen, passed or failed, with the limit it was held against. */
  z.strictObject({
    type: z.literal("proved"),
    step: text(80),
    words: text(300),
    passed: z.boolean(),
    typed: text(80),
    limit: z.string().trim().max(120),
  }),
  /** The tester that the safety test is made with, and the day it was last calibrated. */
  z.strictObject({ type: z.literal("tester"), name: text(80), calibrated: z.iso.date() }),
  /** What the customer was offered before the repair, as it was shown; prices hold to a day. */
  z.strictObject({
    type: z.literal("quoted"),
    piece: text(60),
    fault: text(120).optional(),
    until: z.iso.date(),
    options: z
      .array(
        z.strictObject({
          option: text(40),
          words: text(400),
          price: finite.min(0).max(1e6),
          holds: finite.min(0).max(1),
          days: finite.min(0).max(365),
        }),
      )
      .min(1)
      .max(20),
  }),
  /** What the customer's page shows besides: photos that were chosen, a word of one's own, and when one looks again. */
  z.strictObject({
    type: z.literal("customer page"),
    photos: z.array(z.string().regex(/^[0-9a-f]{64}$/)).max(8),
    words: z.string().trim().max(600),
    next: z.iso.date().nullable(),
  }),
  /** Something that is waited for; it is due so many seconds after the event. */
  z.strictObject({
    type: z.literal("waiting"),
    wait: text(80),
    words: text(200),
    seconds: finite.min(1).max(MOST_WAIT),
    /** The assembly whose repair it belongs to. */ piece: text(60).optional(),
    /** Whether one may go away meanwhile; none: entered before that was asked, to be stayed with. */
    care: z.enum(CARES).optional(),
  }),
  z.strictObject({ type: z.literal("waited"), wait: text(80) }),
  /** When it is promised to be ready; null: not any more. */
  z.strictObject({ type: z.literal("promised"), at: z.iso.datetime().nullable() }),
  /** When one drives to where the unit stands, and how long that takes, there and back; null: nobody drives. */
  z.strictObject({
    type: z.literal("visit"),
    at: z.iso.datetime().nullable(),
    minutes: finite.min(0).max(1440),
  }),
  /**
   * A change to the circuit of this unit that was proven harmless before it was built, with the proof as it was
   * shown.
   */
  z.strictObject({
    type: z.literal("modified"),
    changes: z.array(circuitChangeSchema).min(1).max(20),
    /** What a board that came out watched over, where its file does not say: "no", or by what that is done now. */
    guards: z.partialRecord(z.enum(GUARDS), text(200)).optional(),
    words: text(2000),
    reason: text(400),
    customer: text(80),
    proof: z.array(text(400)).min(1).max(60),
  }),
  /** A temporary repair of an earlier job, made good. */
  z.strictObject({ type: z.literal("made good"), event: z.uuid(), words: text(400) }),
  /** From here on somebody else has the job, and what they should know first. */
  z.strictObject({ type: z.literal("handed over"), to: text(80), words: z.string().trim().max(400) }),
  /** A job that was opened by mistake is no job: it counts for nothing, and stays on record with its reason. */
  z.strictObject({ type: z.literal("dropped"), reason: text(400) }),
  z.strictObject({ type: z.literal("note"), text: text(2000) }),
  /** Asked after a repair was closed: whether it has held so far. It stands behind the call and never changes it. */
  z.strictObject({ type: z.literal("followed up"), held: z.boolean(), words: z.string().trim().max(400) }),
  /** Something found on this unit that its file has not. */
  z.strictObject({ type: z.literal("varied"), change: changeSchema, words: text(300) }),
  z.strictObject({
    type: z.literal("called"),
    ...seen,
    piece: text(60),
    pieceName: text(120),
    cause: text(400),
    action: text(1000),
    sure: text(40),
    /** The fault that is taken for the cause, `part:mode`, and by what that is known. */
    fault: text(120).optional(),
    confirmed: z.enum(CONFIRMED_BY).optional(),
    proofs: z.array(z.strictObject({ words: text(200), proven: z.boolean() })).max(20),
    /** Why it is called with something unproven. */
    despite: text(400).optional(),
    /** What was still open when the job was closed, and why. */
    left: z
      .array(z.strictObject({ item: text(80), words: text(200) }))
      .min(1)
      .max(60)
      .optional(),
    leftBecause: text(400).optional(),
    /** The unit is unsafe and was left disconnected: why, the tag on it, and who signed for that. */
    unsafe: z.strictObject({ reason: text(400), tag: text(60), signed: text(80) }).optional(),
    /** No fault found: what the tests exclude, and where else to look. */
    excluded: z.array(text(200)).max(40).optional(),
    elsewhere: z.array(text(200)).max(20).optional(),
  }),
]);
export type EventBody = z.output<typeof eventBodySchema>;

/** The version in which a type of event is written today. */
export function versionOf(type: EventBody["type"]): 1 | 2 {
  return type === "opened" ? 2 : 1;
}

/** What a client sends: an id made by the client, so that sending twice is harmless. */
export const newEventSchema = z.strictObject({
  id: z.uuid(),
  v: z.union([z.literal(1), z.literal(2)]),
  actor: text(80),
  body: eventBodySchema,
});
export type NewEvent = z.output<typeof newEventSchema>;

/** An event as the journal holds it. `seq` counts from 1 within the job; `at` is ISO 8601 in UTC. */
export interface JournalEvent extends NewEvent {
  readonly job: string;
  readonly seq: number;
  readonly at: string;
}

/** An event as stored, of any version. */
export interface StoredEvent {
  readonly id: string;
  readonly job: string;
  readonly seq: number;
  readonly v: number;
  readonly actor: string;
  readonly at: string;
  readonly body: unknown;
}

/** A stored event that this program cannot read: its type or version is of a later one. It is shown as it is. */
export interface RawEvent extends StoredEvent {
  readonly raw: true;
}

/** A journal, with what can be read of it apart from what cannot. */
export interface ReadJournal {
  readonly events: readonly JournalEvent[];
  readonly raw: readonly RawEvent[];
}

/** Lifts a stored event to the present version; one that this program cannot read stays as it is. */
export function upcast(stored: StoredEvent): JournalEvent | RawEvent {
  const body = eventBodySchema.safeParse(stored.body);
  // Version 1 of an opening is version 2 without what came later.
  if (!body.success || stored.v < 1 || stored.v > versionOf(body.data.type)) return { ...stored, raw: true };
  const { id, job, seq, actor, at } = stored;
  return { id, job, seq, v: versionOf(body.data.type), actor, at, body: body.data };
}

/** Lifts a whole journal. */
export function readJournal(stored: readonly StoredEvent[]): ReadJournal {
  const events: JournalEvent[] = [];
  const raw: RawEvent[] = [];
  for (const event of stored.map(upcast)) {
    if ("raw" in event) raw.push(event);
    else events.push(event);
  }
  return { events, raw };
}
