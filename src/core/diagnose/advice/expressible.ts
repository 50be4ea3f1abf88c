import { isClamp } from "../../instrument";
import { bridgingRefused, forbidden } from "../../safety";
import { FLICKERS, type Machine } from "../../model";
import type { Reading } from "../../quantity";
import { type Instant, labelsIn, RECHECK, type Test } from "../../simulate";
import type { Evidence } from "../evidence/evidence";
import { signsOf } from "../evidence/signs";
import { cameOf, type TriedByHand, trialsOf } from "../evidence/tried-by-hand";
import { labelWords } from "./test-sheet";
import { askedCauses, whySign } from "./why-opened";
import { say } from "#words/core/diagnose/advice";

/** Why something cannot have been seen on this machine, as a sentence; null when it can. */
export function cannotBeObserved(
  machine: Machine,
  seen: { readonly setup: string; readonly part: string; readonly label: string; readonly instant?: Instant },
): string | null {
  const name = `${machine.file.maker} ${machine.file.model}`;
  if (!machine.setupById.has(seen.setup)) return say.hasNoSetupNothingWas(name, seen.setup);
  const part = machine.partById.get(seen.part);
  const own = labelsIn(machine, seen.setup, seen.part);
  if (!part || !own) return say.hasNothingCalledToLook(name, seen.part);
  const labels: readonly string[] = seen.instant === "recheck" ? RECHECK : [...own, FLICKERS];
  if (labels.includes(seen.label)) return null;
  return say.ofCannotShowItKnows(part.name, name, seen.label, labels.map(labelWords).join("; "));
}

/** Why a sign or an assembly does not belong to this machine, as a sentence; null when it does. */
export function unknownSign(machine: Machine, part: string, sign: string): string | null {
  const of = machine.partById.get(part);
  const isAsked = of?.modes.some((m) => askedCauses(machine, { part, mode: m.id }).some((c) => whySign(c.id) === sign));
  return isAsked || signsOf(machine).some((s) => s.part === part && s.sign === sign)
    ? null
    : say.thereIsNoSuchSign(machine.file.maker, machine.file.model);
}

export function unknownAssembly(machine: Machine, assembly: string): string | null {
  return machine.assemblyById.has(assembly)
    ? null
    : say.hasNoAssemblyNothingWas(machine.file.maker, machine.file.model, assembly);
}

/** Why a question does not belong to this machine, as a sentence; null when it does. */
export function unaskable(machine: Machine, first: string): string | null {
  return first === "*" || machine.file.firsts.some((f) => f.id === first)
    ? null
    : say.thereIsNoSuchQuestion(machine.file.maker, machine.file.model);
}

/** Why a part does not belong to this machine, as a sentence; null when it does. */
export function unknownPart(machine: Machine, part: string): string | null {
  return machine.partById.has(part) ? null : say.hasNoPartNothingWas(machine.file.maker, machine.file.model, part);
}

/** Why something cannot have been tried by hand on this machine, as a sentence; null when it can. */
export function untriable(machine: Machine, { trial, of, came }: TriedByHand): string | null {
  if (!trialsOf(machine, trial).some((t) => t.id === of)) return unknownPart(machine, of) ?? say.notToBeTriedSo(of);
  if (!cameOf(trial).includes(came)) return say.notToBeTriedSo(of);
  const refused = trial === "bridged" ? bridgingRefused(machine, of) : null;
  return refused === null ? null : say.nothingWasLogged(refused);
}

/**
 * Why a test cannot have been made on this machine, or cannot have shown that, as a sentence; null when it can: its
 * setup, its function there, where both leads or the clamp lie, and the kind of result.
 */
export function unmeasurable(machine: Machine, test: Test, shown: Reading): string | null {
  const name = `${machine.file.maker} ${machine.file.model}`;
  const setup = machine.setupById.get(test.setup);
  if (!setup) return say.hasNoSetupNothingWas(name, test.setup);
  if ((test.function === "look") !== (shown.kind === "label")) return say.aLookShowsOneOf;
  if (test.function === "look" && shown.kind === "label")
    return cannotBeObserved(machine, { setup: test.setup, part: test.red, label: shown.label, instant: test.instant });
  if ((test.function === "continuity") !== (shown.kind === "beep") && shown.kind !== "overload")
    return say.continuityBeepsOrDoesNot;
  if (isClamp(test.function)) {
    if (test.black !== undefined) return say.aClampHasNoBlack;
    if (!machine.clamps.has(test.red)) return say.hasNoPlaceForA(name, test.red);
  } else {
    const unknown = [test.red, test.black].find((point) => point === undefined || !machine.points.has(point));
    if (test.black === undefined) return say.thisTestNeedsABlack;
    if (unknown !== undefined) return say.hasNoPointNothingWas(name, unknown);
    if (test.red === test.black) return say.bothLeadsOnOnePoint;
  }
  const danger = forbidden(machine, setup, test);
  return danger === null ? null : say.nothingWasLogged(danger);
}

/**
 * Evidence that the machine, as the unit is now, can no longer speak of; why, as a sentence without what became of
 * it.
 */
export interface SetAside {
  readonly id: string;
  readonly sentence: string;
}

/**
 * Parts evidence that the machine can express from evidence that a later change of the unit has taken the ground from,
 * as when a part is taken out after it was measured. What is set aside comes back by itself when the change is struck
 * out.
 */
export function expressible(
  machine: Machine,
  evidence: readonly Evidence[],
): { readonly kept: readonly Evidence[]; readonly aside: readonly SetAside[] } {
  const aside: SetAside[] = [];
  const kept = evidence.filter((e) => {
    const sentence = inexpressible(machine, e);
    if (sentence !== null) aside.push({ id: e.id, sentence: sentence.replace(/ Nothing was logged\.$/, "") });
    return sentence === null;
  });
  return aside.length === 0 ? { kept: evidence, aside } : { kept, aside };
}

function inexpressible(machine: Machine, e: Evidence): string | null {
  switch (e.type) {
    case "reading":
      return unmeasurable(machine, e.test, e.shown);
    case "compared":
      return e.sees.map((s) => cannotBeObserved(machine, s)).find((p) => p !== null) ?? null;
    case "timed":
      return cannotBeObserved(machine, e);
    case "answer":
      return unaskable(machine, e.first);
    case "sign":
      return unknownSign(machine, e.part, e.sign);
    case "alone":
      return unknownPart(machine, e.part);
    case "by hand":
      return untriable(machine, e);
    case "tried":
      return unknownAssembly(machine, e.assembly);
    case "complaint":
      return machine.file.complaints.some((c) => c.id === e.complaint) ? null : say.thisMachineHasNoSuch;
    case "surroundings":
      return null;
  }
}
