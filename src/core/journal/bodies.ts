import type { Care } from "./waits";
import { type TestCard, type SignAsked, type TriedByHand, trialWords } from "../diagnose";
import { unitOf } from "../instrument";
import type { Change, CircuitChange, GuardAnswers, Machine, SettingEntry } from "../model";
import { type Asked, parseReading, quantityText, type Reading } from "../quantity";
import { exposureOf } from "../safety";
import { makeTest, type Test } from "../simulate";
import { CORE_VERSION } from "../version";
import { readingBody } from "./reading-body";
import type { Body } from "./slice";
import { say } from "#words/core/journal";

/**
 * What screens write into a journal: each entry is made here from what was chosen or typed, with the words that records
 * show for ever. A screen says what happened; how it is written down is not its business.
 */

const lowered = (text: string) => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;
const upTo = (most: number, text: string) => text.slice(0, most);

/** What came of a text typed for a test. */
export type Typed =
  /** Nothing is typed yet. */
  | { readonly kind: "empty" }
  /** It cannot be read as what the test asks for; `ask` is a question back. */
  | { readonly kind: "unread"; readonly sentence: string; readonly ask: "overload?" | null }
  | { readonly kind: "read"; readonly shown: Reading; readonly body: Body<"reading"> };

/**
 * Judges what was typed for a laid-out test: what the meter shows, and the entry it becomes. `proposed`: the test was
 * proposed.
 */
export function judgeTyped(card: TestCard, typed: string, proposed: boolean): Typed {
  const text = typed.trim();
  if (text === "") return { kind: "empty" };
  const asked: Asked = unitOf(card.test.function) || "beep";
  const read = parseReading(text, asked);
  if (!read.ok) return { kind: "unread", sentence: read.sentence, ask: read.ask ?? null };
  return { kind: "read", shown: read.shown, body: readingBody(card, text, read.shown, proposed) };
}

/** What is logged for a lone 1 on ohms once the person has said which it is. */
export function loneOne(card: TestCard, is: "overload" | "one ohm", proposed: boolean): Body<"reading"> {
  if (is === "overload") return readingBody(card, "1 (overload)", { kind: "overload" }, proposed);
  const shown: Reading =
    card.test.function === "continuity" ? { kind: "beep", beeps: true } : { kind: "value", value: 1 };
  return readingBody(card, "1 ohm", shown, proposed);
}

/** Something seen of a part, as the label chosen. */
export function sawBody(card: TestCard, label: string, proposed = false): Body<"reading"> {
  return readingBody(card, label, { kind: "label", label }, proposed);
}

const SAID = { yes: "Yes.", no: "No.", skip: "Not asked." } as const;

/** A simple cause asked for. */
export function answeredBody(
  first: { readonly id: string; readonly ask: string },
  answer: "yes" | "no" | "skip",
): Body<"answered"> {
  return { type: "answered", first: first.id, answer, words: `${first.ask} ${SAID[answer]}` };
}

/** All simple causes that are left are passed over. */
export const toMeasuring = (): Body<"answered"> => ({
  type: "answered",
  first: "*",
  answer: "skip",
  words: say.onToMeasuring,
});

/** A simple cause was put right and the complaint stays: the opposite of the answer that found it. */
export function stillThere(found: Body<"answered">, sentence: string): Body<"answered"> {
  const answer = found.answer === "yes" ? "no" : "yes";
  return { type: "answered", first: found.first, answer, words: say.putRightTheComplaintStays(sentence) };
}

/** A repair that was tried on an assembly. */
export function triedBody(
  assembly: { readonly id: string; readonly name: string; readonly repair: string },
  result: "gone" | "stays",
): Body<"tried"> {
  const came = result === "gone" ? say.isGone : "stays";
  return {
    type: "tried",
    piece: assembly.id,
    result,
    words: say.triedTheComplaint(assembly.name, lowered(assembly.repair), came),
  };
}

/** Something tried by hand: on what, how, and what came of it. */
export const byHandBody = (name: string, tried: TriedByHand): Body<"by hand"> => ({
  type: "by hand",
  ...tried,
  words: upTo(400, trialWords(name, tried)),
});

/** How warm it is and what the mains is at. */
export function surroundingsBody(noted: { readonly celsius?: number; readonly volts?: number }): Body<"surroundings"> {
  const words = [
    noted.celsius === undefined ? "" : `${noted.celsius} °C here`,
    noted.volts === undefined ? "" : say.mainsAtVoltsV(noted.volts),
  ].filter(Boolean);
  return { type: "surroundings", ...noted, words: words.join(", ") };
}

/** A sign looked for. */
export function noticedBody(sign: SignAsked, there: boolean): Body<"noticed"> {
  const words = `${sign.partName}: ${sign.words}. ${there ? "Yes." : "No."}`;
  return { type: "noticed", part: sign.part, sign: sign.sign, there, words };
}

/** What was seen to work, and what was not, each with its words. */
export function comparedBody(
  works: Body<"compared">["sees"][number] & { readonly words: string },
  fails: Body<"compared">["sees"][number] & { readonly words: string },
): Body<"compared"> {
  const plain = ({ setup, part, label }: typeof works) => ({ setup, part, label });
  return {
    type: "compared",
    sees: [plain(works), plain(fails)],
    words: say.worksWorksWordsNotFails(works.words, fails.words),
  };
}

/** Something watched with a clock for so many seconds. */
export function timedBody(
  setup: string,
  load: { readonly part: string; readonly name: string; readonly should: string },
  seconds: number,
  came: boolean,
): Body<"timed"> {
  return {
    type: "timed",
    setup,
    part: load.part,
    label: load.should,
    seconds: came ? seconds : null,
    watched: Math.max(1, seconds),
    words: came
      ? `${load.name}: ${load.should} after ${seconds} s`
      : say.loadNameNotShouldWithin(load.name, load.should, seconds),
  };
}

/** A part tested by itself with a tool. Fields left empty are not kept. */
export function aloneBody(
  found: Pick<Body<"alone">, "part" | "found"> & { readonly mode?: string },
  tool: string,
  typed: Readonly<Record<string, string>>,
  words: string,
): Body<"alone"> {
  const { part, found: verdict, mode } = found;
  return {
    type: "alone",
    part,
    found: verdict,
    ...(mode ? { mode } : {}),
    tool,
    typed: Object.fromEntries(Object.entries(typed).filter(([, v]) => v.trim() !== "")),
    words: upTo(400, words),
  };
}

/** A setting as it was found. `words` say what its value means. */
export function settingFound(setting: Pick<SettingEntry, "id" | "name">, value: string, words: string) {
  return settingBody(setting, value, "found", `${setting.name} found: ${value}, ${words}`);
}

/** A setting as it was left; on a new board, or on the one that is there. */
export function settingSet(setting: Pick<SettingEntry, "id" | "name">, value: string, words: string) {
  return settingBody(setting, value, "set", say.settingNameSetToValue(setting.name, value, words));
}

/** A setting of the old board brought over to the new one, by its menu or by hand. */
export function settingCarried(setting: Pick<SettingEntry, "id" | "name">, value: string, by: "menu" | "hand") {
  const words = by === "menu" ? say.enteredAsOnTheNew(value) : say.setToOnTheNew(value);
  return settingBody(setting, value, "set", `${setting.name} ${words}`);
}

/** Where the sleep current of a machine is logged; null where its file does not say. */
export function sleepTest({ file }: Machine): Test | null {
  const { setup, clamp } = file.sleep ?? {};
  return setup !== undefined && clamp !== undefined ? makeTest(setup, "dcclamp", clamp) : null;
}

/** What a machine was logged to draw where it should sleep, as a reading of the wire in which it was logged. */
export function sleepLoggedBody(machine: Machine, amps: number): Body<"reading"> {
  const test = sleepTest(machine);
  if (!test) throw new RangeError(say.noPlaceForTheSleepCurrent);
  const shown: Reading = { kind: "value", value: amps };
  const most = machine.file.sleep!.milliamps;
  return {
    type: "reading",
    test,
    typed: quantityText(amps, "amperes"),
    shown,
    as: {
      title: say.sleepCurrentLogged,
      red: machine.clamps.get(test.red)!.name,
      setup: machine.setupById.get(test.setup)!.name,
      exposure: exposureOf(machine, machine.setupById.get(test.setup)!, test),
      expected: say.atMostMilliamps(most),
      shown: quantityText(amps, "amperes"),
      verdict: 1000 * amps <= most ? "fits" : "does not fit",
      proposed: false,
    },
    coreVersion: CORE_VERSION,
  };
}

function settingBody(
  { id }: Pick<SettingEntry, "id">,
  value: string,
  moment: "found" | "set",
  words: string,
): Body<"setting"> {
  return { type: "setting", setting: id, value, moment, words: upTo(400, words) };
}

/** What is to be done about a cause. */
export const decidedBody = (decision: Omit<Body<"decided">, "type">): Body<"decided"> => ({
  type: "decided",
  ...decision,
});

/** A stage of a plan that is done, or is not after all. */
export const stagedBody = (plan: string, stage: string, done: boolean): Body<"staged"> => ({
  type: "staged",
  plan,
  stage,
  done,
});

/** A repair given up half-way; what is to be put back is named as the list of what is left behind names it. */
export const abandonedBody = (
  plan: string,
  reason: string,
  back: readonly { readonly id: string; readonly words: string }[],
): Body<"abandoned"> => ({
  type: "abandoned",
  plan,
  words: upTo(400, reason.trim()),
  back: back.map(({ id, words }) => ({ item: `work ${id}`, words: upTo(300, words) })),
});

/** A part held against what the machine wants. */
export const matchedBody = (
  assembly: string,
  hand: { readonly number: string; readonly revision: string },
  match: { readonly fits: boolean; readonly words: string },
  despite?: { readonly reason: string; readonly by: string },
): Body<"matched"> => ({
  type: "matched",
  piece: assembly,
  number: hand.number.trim(),
  revision: hand.revision.trim(),
  fits: match.fits,
  words: match.words,
  ...(despite ? { despite: { reason: upTo(400, despite.reason.trim()), by: upTo(80, despite.by.trim()) } } : {}),
});

/** A photo that was taken at a stage; marks and caption come later. */
export const photoBody = (hash: string, stage: string): Body<"photo"> => ({
  type: "photo",
  hash,
  stage,
  caption: "",
  marks: [],
});

/** The stage of a photo that shows an assembly as it is, and the assembly of such a stage; null for another stage. */
export const seenStage = (assembly: string): string => `seen:${assembly}`;
export const seenAssembly = (stage: string): string | null =>
  stage.startsWith("seen:") ? stage.slice("seen:".length) : null;

/** Something changed for the while that only a person knows of; `n` tells one from another. */
export const changedBody = (n: number, words: string): Body<"changed"> => ({
  type: "changed",
  item: `noted ${n}`,
  words: words.trim(),
});

/** Something put back. */
export const restoredBody = ({ item, words }: { readonly item: string; readonly words: string }): Body<"restored"> => ({
  type: "restored",
  item,
  words,
});

/** A step of the proof run. */
export const provedBody = (
  step: { readonly id: string; readonly words: string; readonly expected: string },
  passed: boolean,
  typed: string,
): Body<"proved"> => ({
  type: "proved",
  step: step.id,
  words: step.words,
  passed,
  typed: upTo(80, typed),
  limit: upTo(120, step.expected),
});

/** A wait that a step of the proof begins, and its end. */
export const waitingBody = (
  step: { readonly id: string; readonly words: string },
  seconds: number,
  assembly: string,
  care: Care,
): Body<"waiting"> => ({
  type: "waiting",
  wait: step.id,
  words: upTo(200, step.words),
  seconds,
  piece: assembly,
  care,
});
/** A wait of a job that somebody enters, or gives more time. */
export const handWaitBody = (given: {
  readonly wait: string;
  readonly words: string;
  readonly seconds: number;
  readonly care: Care;
  readonly assembly: string | null;
}): Body<"waiting"> => ({
  type: "waiting",
  wait: given.wait,
  words: upTo(200, given.words.trim()),
  seconds: given.seconds,
  ...(given.assembly === null ? {} : { piece: given.assembly }),
  care: given.care,
});
/** When a job is promised, and when one drives there. */
export const promisedBody = (at: string | null): Body<"promised"> => ({ type: "promised", at });
export const visitBody = (at: string | null, minutes: number): Body<"visit"> => ({ type: "visit", at, minutes });
export const waitedBody = (wait: string): Body<"waited"> => ({ type: "waited", wait });

/** A change to the circuit that was proven and is built. */
export function modifiedBody(
  changes: readonly { readonly change: CircuitChange; readonly words: string }[],
  why: { readonly reason: string; readonly customer: string },
  findings: readonly { readonly words: string }[],
  guards: GuardAnswers = {},
): Body<"modified"> {
  return {
    type: "modified",
    changes: changes.map((c) => c.change),
    words: upTo(2000, changes.map((c) => c.words).join("; ")),
    reason: why.reason.trim(),
    customer: why.customer.trim(),
    ...(Object.keys(guards).length > 0 ? { guards } : {}),
    proof: findings.map((f) => upTo(400, f.words)),
  };
}

/** A temporary repair of an earlier job, made good. */
export const madeGoodBody = (event: string, words: string): Body<"made good"> => ({ type: "made good", event, words });

export const noteBody = (text: string): Body<"note"> => ({ type: "note", text: text.trim() });

/** Something found on this unit that its file has not. */
export const variedBody = (change: Change, words: string): Body<"varied"> => ({ type: "varied", change, words });

export const unitSetBody = (setup: string): Body<"standing"> => ({ type: "standing", setup });

/** The notice on powered work was read. */
export const warnedBody = (): Body<"warned"> => ({ type: "warned", notice: "working-live" });

/** An entry struck out, and why. */
export const struckBody = (event: string, reason = say.takenBack): Body<"struck"> => ({
  type: "struck",
  event,
  reason,
});

/**
 * The call that closes the job. `left` is what is still open, and why; `noFault` what a job without a fault says for
 * itself.
 */
export function calledBody(
  call: Pick<Body<"called">, "piece" | "pieceName" | "cause" | "sure" | "fault" | "confirmed"> & {
    readonly action: string;
  },
  proofs: readonly { readonly words: string; readonly by: unknown }[],
  despite: string,
  left: readonly { readonly item: string; readonly words: string }[],
  because: string,
  noFault: { readonly excluded: readonly string[]; readonly elsewhere: readonly string[] } | null,
  unsafe: NonNullable<Body<"called">["unsafe"]> | null,
): Body<"called"> {
  return {
    type: "called",
    ...call,
    action: call.action.trim(),
    proofs: proofs.map((p) => ({ words: upTo(200, p.words), proven: p.by !== null })),
    ...(proofs.some((p) => p.by === null) ? { despite: despite.trim() } : {}),
    ...(unsafe
      ? { unsafe: { reason: unsafe.reason.trim(), tag: unsafe.tag.trim(), signed: unsafe.signed.trim() } }
      : {}),
    ...(left.length > 0 ? { left: left.map(({ item, words }) => ({ item, words })), leftBecause: because.trim() } : {}),
    ...(noFault
      ? {
          excluded: noFault.excluded.slice(0, 40),
          elsewhere: noFault.elsewhere.map((e) => upTo(200, e)).slice(0, 20),
        }
      : {}),
  };
}

/** Whether a repair has held so far. */
export const followedUpBody = (held: boolean, words: string): Body<"followed up"> => ({
  type: "followed up",
  held,
  words: upTo(400, words.trim()),
});

/** A job that was opened by mistake, and why. */
export const droppedBody = (reason: string): Body<"dropped"> => ({ type: "dropped", reason: reason.trim() });

/** The tester of the safety test. */
export const testerBody = (name: string, calibrated: string): Body<"tester"> => ({
  type: "tester",
  name: upTo(80, name.trim()),
  calibrated,
});

/** What the customer was offered. */
export const quotedBody = (offer: Omit<Body<"quoted">, "type">): Body<"quoted"> => ({ type: "quoted", ...offer });

/** What is chosen for the customer's page. */
export const customerPageBody = (
  photos: readonly string[],
  words: string,
  next: string | null,
): Body<"customer page"> => ({ type: "customer page", photos: [...photos], words: words.trim(), next });
