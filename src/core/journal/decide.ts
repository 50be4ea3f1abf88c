import {
  unaskable,
  unknownPart,
  unknownAssembly,
  unknownSign,
  untriable,
  unmeasurable,
  cannotBeObserved,
} from "../diagnose";
import {
  type Change,
  ChangeError,
  type CircuitChange,
  type GuardAnswers,
  type Machine,
  type MachineFile,
  variantOf,
} from "../model";
import { isPowered } from "../safety";
import { makeTest } from "../simulate";
import type { EventBody, NewEvent } from "./events";
import { activeChanges, type Ledger } from "./ledger";
import { STRIKABLE } from "./slices/entries";
import { standingOn, unitState } from "./slices/unit-state";
import { folded } from "./slice";
import { say } from "#words/core/journal";

/** Something outside the journal that has to be known before an entry can be taken. */
export type Need =
  /** Whether a photo of this hash is kept. */
  | { readonly need: "photo"; readonly hash: string }
  /** Whether an entry of any job of this unit is a temporary repair. */
  | { readonly need: "temporary repair"; readonly event: string }
  /** What the proof of a change to the circuit found, made on the unit as it stands. */
  | { readonly need: "proof"; readonly changes: readonly CircuitChange[]; readonly guards: GuardAnswers };

/** What is known from outside the journal. A fact that is not there is asked for. */
export interface Facts {
  /** It was written elsewhere, long ago: how a unit was left then is no matter of today. */
  readonly isPast?: boolean;
  readonly photos?: ReadonlyMap<string, boolean>;
  readonly temporaryRepairs?: ReadonlyMap<string, boolean>;
  /** The proof of a change: on which changes of the unit it was made (`changesKey`), and what speaks against it. */
  readonly proof?: { readonly key: string; readonly fault: string | null };
}

/** Whether an entry is taken, why it is not, or what has to be known first. */
export type Decision =
  | { readonly kind: "accepted" }
  | { readonly kind: "refused"; readonly status: 400 | 404 | 409; readonly sentence: string }
  | { readonly kind: "needs"; readonly needs: readonly Need[] };

/** The unit of a job: the file the job was made with, and the machine it is with what was found on the unit. */
export interface UnitAtHand {
  readonly file: MachineFile;
  readonly machine: Machine;
}

const ACCEPTED: Decision = { kind: "accepted" };
const refused = (status: 400 | 404 | 409, sentence: string): Decision => ({ kind: "refused", status, sentence });
const checked = (problem: string | null): Decision => (problem === null ? ACCEPTED : refused(400, problem));

/** Names the changes of a unit on which a proof was made, and the change that it proves. */
export function changesKey(
  unit: readonly Change[],
  changes: readonly CircuitChange[],
  guards: GuardAnswers = {},
): string {
  return JSON.stringify([unit, changes, guards]);
}

/**
 * Whether an entry is taken into a job's journal. Pure: the same answer on the server, behind a button and, later,
 * before an entry waits offline. `ledger` is of the journal so far, without the entry.
 */
export function decide(ledger: Ledger, unit: UnitAtHand, event: NewEvent, facts: Facts = {}): Decision {
  const { body } = event;
  if (ledger.unreadable > 0) return refused(409, say.thisJobHoldsAnEntry);
  if (body.type === "opened") return refused(409, say.thisJobIsOpenAlready);
  if (body.type === "dropped" && ledger.told.closed) return refused(409, say.thisJobIsClosedIt);
  if (body.type === "followed up") return ledger.told.called ? ACCEPTED : refused(409, say.thisJobIsNotClosed);
  if (body.type === "struck") return decideStroke(ledger, unit, body.event);
  if (body.type === "varied") return decideChange(unit, [body.change]);
  if (body.type === "modified") return decideModification(ledger, unit, body, facts);
  if (body.type === "photo") {
    const kept = facts.photos?.get(body.hash);
    if (kept === undefined) return { kind: "needs", needs: [{ need: "photo", hash: body.hash }] };
    return kept ? ACCEPTED : refused(400, say.thatPhotoIsNotKept);
  }
  if (body.type === "made good") {
    const known = ledger.told.temporary.has(body.event) || facts.temporaryRepairs?.get(body.event);
    if (known === undefined) return { kind: "needs", needs: [{ need: "temporary repair", event: body.event }] };
    return known ? ACCEPTED : refused(404, say.thisUnitHasNoSuch);
  }
  if (body.type === "waiting" && !facts.isPast) return checked(unfitWait(ledger, unit.machine, body));
  return checked(problemOf(ledger, unit.machine, body));
}

/** What is wrong with an entry that needs nothing but machine and journal, as a sentence; null when nothing is. */
function problemOf(ledger: Ledger, machine: Machine, body: EventBody): string | null {
  const name = `${machine.file.maker} ${machine.file.model}`;
  switch (body.type) {
    case "standing":
      if (!machine.setupById.has(body.setup)) return say.hasNoSetupNothingWas(name, body.setup);
      return body.panel === undefined || machine.file.panels.some((p) => p.id === body.panel)
        ? null
        : say.hasNoCoverNothingWas(name, body.panel);
    case "reading": {
      const { setup, function: fn, red, black, instant } = body.test;
      return unmeasurable(machine, makeTest(setup, fn, red, black, instant), body.shown);
    }
    case "compared":
      return body.sees.map((s) => cannotBeObserved(machine, s)).find((p) => p !== null) ?? null;
    case "timed":
      return cannotBeObserved(machine, body);
    case "by hand":
      return untriable(machine, body);
    case "answered":
      return unaskable(machine, body.first);
    case "noticed":
      return unknownSign(machine, body.part, body.sign);
    case "alone":
      return unknownPart(machine, body.part);
    case "tried":
    case "decided":
    case "quoted":
    case "matched":
      return unknownAssembly(machine, body.piece);
    case "waiting":
      return body.piece === undefined ? null : unknownAssembly(machine, body.piece);
    case "setting":
      return unsettable(ledger, machine, body);
    case "called":
      return body.fault === undefined || isFault(machine, body.fault) ? null : say.hasNoSuchFault(name, body.fault);
    default:
      return null;
  }
}

/** What is wrong with a wait that begins now; where it is live with a cover off, nobody may leave it. */
function unfitWait(ledger: Ledger, machine: Machine, body: Extract<EventBody, { type: "waiting" }>): string | null {
  const problem = problemOf(ledger, machine, body);
  if (problem !== null || body.care !== "leave") return problem;
  const { setup, openPanels } = folded(unitState, ledger.told.standing, standingOn(machine));
  const known = machine.setupById.get(setup);
  const off = machine.file.panels.find((p) => openPanels.has(p.id));
  return known && isPowered(known) && off ? say.liveWithCoverOff(off.name) : null;
}

/** Whether a fault is one of the machine, `part:mode`. */
export function isFault(machine: Machine, fault: string): boolean {
  const [part = "", mode = ""] = fault.split(":");
  return machine.partById.get(part)?.modes.some((m) => m.id === mode) === true;
}

/**
 * Why a setting cannot be logged: the machine has none of that name, or it is changed before it was recorded as
 * found.
 */
function unsettable(
  ledger: Ledger,
  machine: Machine,
  body: { readonly setting: string; readonly moment: "found" | "set" },
): string | null {
  const setting = machine.file.settings.find((s) => s.id === body.setting);
  if (!setting) return say.hasNoSettingNothingWas(machine.file.maker, machine.file.model, body.setting);
  if (body.moment === "found" || [...ledger.told.found.values()].includes(body.setting)) return null;
  return say.recordWhatWasFoundBefore(setting.name);
}

/** What later finds build on cannot be taken back before them. */
function decideStroke(ledger: Ledger, unit: UnitAtHand, id: string): Decision {
  const target = ledger.told.entries.get(id);
  if (!target || !STRIKABLE.has(target.type)) return refused(404, say.thereIsNoSuchEntry);
  if (target.type !== "varied") return ACCEPTED;
  try {
    variantOf(
      unit.file,
      ledger.told.changes.filter((c) => c.id !== id).flatMap((c) => c.changes),
    );
    return ACCEPTED;
  } catch (error) {
    if (error instanceof ChangeError) return refused(409, say.somethingFoundLaterBuildsOn(error.message));
    throw error;
  }
}

/** A change that cannot be made on this unit must not get into its journal: nobody could open the job again. */
function decideChange(unit: UnitAtHand, changes: readonly Change[]): Decision {
  try {
    variantOf(unit.machine.file, changes);
    return ACCEPTED;
  } catch (error) {
    if (error instanceof ChangeError) return refused(400, error.message);
    throw error;
  }
}

/** What a screen has shown of a proof is not taken on trust: a change that does not hold is never built. */
function decideModification(
  ledger: Ledger,
  unit: UnitAtHand,
  { changes, guards = {} }: Extract<EventBody, { type: "modified" }>,
  facts: Facts,
): Decision {
  const possible = decideChange(unit, changes);
  if (possible.kind !== "accepted") return possible;
  if (facts.proof?.key !== changesKey(activeChanges(ledger), changes, guards))
    return { kind: "needs", needs: [{ need: "proof", changes, guards }] };
  return facts.proof.fault === null ? ACCEPTED : refused(409, say.thisChangeIsRefused(facts.proof.fault));
}
