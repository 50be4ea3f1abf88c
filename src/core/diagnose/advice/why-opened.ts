import { type AskedCause, assemblyOfFault, type Fault, faultId, has, type Machine } from "../../model";
import { inSentence } from "../../quantity";
import type { AssemblySuspect } from "../belief/suspects";
import { bringersOf } from "../dictionary/further-dictionaries";
import type { FaultDictionary } from "../dictionary/fault-dictionary";
import type { Evidence } from "../evidence/evidence";
import { takesLamp } from "../evidence/tried-by-hand";
import { assemblyName, faultName, type Hypothesis } from "../hypotheses/hypothesis";
import { isBroughtAbout } from "../hypotheses/what-opened-it";
import type { BoundProof } from "./binding-proofs";
import { NAMED, type Stop } from "./stop";
import { say } from "#words/core/diagnose/advice";

/** Something that no reading shows and that may have done it, and what a person has said of it. */
export interface AskedAnswered extends AskedCause {
  /** The sign under which the answer is written down. */
  readonly sign: string;
  readonly answer: boolean | null;
}

/** Why a fuse blew, a cut-off opened, a contact welded: the search does not end before that. */
export interface WhyOpened {
  readonly part: string;
  readonly name: string;
  /** What opened or welded, the likeliest first: one of these did. */
  readonly faults: readonly Fault[];
  /** What the model knows could have done it, and how it stands. */
  readonly causes: readonly { readonly name: string; readonly state: "found" | "cleared" | "open" }[];
  /** What is asked, once the readings say nothing more. */
  readonly asked: readonly AskedAnswered[];
  /** Whether a lamp or a limited supply in its place would tell; only of what opens on too much current. */
  readonly seriesLamp: boolean;
}

/** The sign under which an answer about a cause is kept. */
export const whySign = (cause: string): string => `why ${cause}`;

/** The causes that are asked of a fault that something else brings about. */
export function askedCauses(machine: Machine, fault: Fault): readonly AskedCause[] {
  const part = machine.partById.get(fault.part);
  return part?.kind.failures.askedCauses?.(part.fields, fault.mode) ?? [];
}

/** Of what is believed of an assembly, so much must be of faults that something else brings about; estimate E69. */
const MOSTLY = 0.9;

/**
 * Of what is held for the fault, what something else brings about, the likeliest first: it by itself, or beside another
 * fault that does bring it about. Null where that is not most of it, and where the cause is named already.
 */
export function openedAt(
  dictionary: FaultDictionary,
  held: readonly { readonly id: string; readonly probability: number }[],
): readonly Fault[] | null {
  const whole = held.reduce((sum, f) => sum + f.probability, 0);
  const opened = new Map<string, { readonly fault: Fault; share: number }>();
  for (const { id, probability } of held) {
    const one = openedIn(dictionary, id);
    if (one === null) continue;
    const known = opened.get(faultId(one));
    if (known) known.share += probability;
    else opened.set(faultId(one), { fault: one, share: probability });
  }
  const all = [...opened.values()].filter((o) => o.share >= NAMED * whole).sort((a, b) => b.share - a.share);
  const share = all.reduce((sum, o) => sum + o.share, 0);
  return share >= MOSTLY * whole && all.length > 0 ? all.map((o) => o.fault) : null;
}

/** The fault of a hypothesis, by its id, that something else brings about; of two only beside one that does so. */
function openedIn(dictionary: FaultDictionary, id: string): Fault | null {
  if (id.includes(">")) return null;
  const faults = id.split("+").map((f): Fault => {
    const [part, mode] = f.split(":") as [string, string];
    return { part, mode };
  });
  const opened = faults.filter((f) => isBroughtAbout(dictionary.machine, f));
  if (faults.length === 1) return opened[0] ?? null;
  const isBy = (one: Fault, other: Fault) =>
    bringersOf(dictionary, [one])?.hypotheses.some((h) => h.id === `${faultId(other)}>${faultId(one)}`) === true;
  return opened.find((one) => faults.some((other) => other !== one && isBy(one, other))) ?? null;
}

/** What may have opened on a machine, where the search ended at nothing the file knows: fuses and cut-offs. */
export function mayHaveOpened({ machine }: FaultDictionary): readonly Fault[] {
  return machine.parts.flatMap((p) =>
    has(p, "protects") && !has(p, "licensed")
      ? p.modes.flatMap((m): Fault[] => (m.protective ? [{ part: p.id, mode: m.id }] : []))
      : [],
  );
}

/** A cause is cleared when of its first chance no more than this is left; estimate E70. */
const SPOKEN_AGAINST = 0.2;

/** What of the advice changes when the search goes on to the cause. */
interface Search {
  readonly suspects: readonly AssemblySuspect[];
  readonly stop: Stop | null;
  readonly next: unknown;
  readonly attempt: unknown;
  readonly proofs: readonly BoundProof[];
  readonly inside?: unknown;
}

/**
 * Goes on to what brought a fault about. `whole` has ended at it; `inside` is the search among what may have done it, null
 * where the file knows nothing that could.
 */
export function goOnToCause<A extends Search>(
  whole: A,
  dictionary: FaultDictionary,
  bringers: FaultDictionary | null,
  faults: readonly Fault[],
  inside: A | null,
  evidence: readonly Evidence[],
): A & { readonly why: WhyOpened } {
  const { machine } = dictionary;
  const fault = faults[0]!;
  const why = whyOf(machine, bringers, faults, inside, evidence);
  const base = { ...(inside ?? whole), ...(whole.inside ? { inside: whole.inside } : {}) };
  // Nothing is repaired to see while that is not known.
  if (base.next !== null) return { ...base, attempt: null, stop: null, why };
  const proof = causeProof(why, evidence);
  return {
    ...base,
    attempt: null,
    stop: endOf(whole, inside, fault, machine, why),
    // Of the cause, where it is found, what its own file wants shown; else of what opened.
    proofs: [...(why.causes.some((c) => c.state === "found") ? base.proofs : whole.proofs), ...(proof ? [proof] : [])],
    why,
  };
}

function whyOf(
  machine: Machine,
  bringers: FaultDictionary | null,
  faults: readonly Fault[],
  inside: Search | null,
  evidence: readonly Evidence[],
): WhyOpened {
  const fault = faults[0]!;
  const part = machine.partById.get(fault.part)!;
  const shares = new Map(inside?.suspects.flatMap((s) => s.faults.map((f) => [f.id, f.probability] as const)));
  const known = (bringers?.hypotheses ?? []).filter((h) => h.kind === "fault" && h.led.length > 0);
  // Found is what the search among them ended at, and nothing that only leads.
  const top = inside?.stop?.kind === "found" ? inside.suspects[0] : undefined;
  const stateOf = (h: Hypothesis): WhyOpened["causes"][number]["state"] => {
    const share = shares.get(h.id) ?? 0;
    if (top?.assembly === h.assembly && top.faults[0]?.id === h.id) return "found";
    // What was unlikely from the beginning is not cleared by that: something must speak against it.
    return share <= SPOKEN_AGAINST * h.prior ? "cleared" : "open";
  };
  const said = new Map(
    evidence.flatMap((e) => (e.type === "sign" && e.part === fault.part ? [[e.sign, e.there] as const] : [])),
  );
  return {
    part: fault.part,
    faults,
    name: faultName(machine, fault),
    causes: known.map((h) => ({
      name: h.kind === "fault" ? faultName(bringers!.machine, h.fault) : h.id,
      state: stateOf(h),
    })),
    asked: askedCauses(machine, fault).map((c) => ({
      ...c,
      sign: whySign(c.id),
      answer: said.get(whySign(c.id)) ?? null,
    })),
    seriesLamp: takesLamp(part),
  };
}

/** How the search for the cause ended: which assemblies are named, and the sentence. */
function endOf(whole: Search, inside: Search | null, fault: Fault, machine: Machine, why: WhyOpened): Stop {
  const named = whole.stop!.assemblies;
  const own = named.length > 0 ? named : [assemblyOfFault(machine, fault)];
  const name = say.inAssembly(assemblyName(machine, own[0]!), inSentence(faultName(machine, fault)));
  const found = why.causes.find((c) => c.state === "found");
  if (found) {
    const by = inside!.suspects[0]!.assembly;
    return {
      kind: "found",
      assemblies: [...new Set([by, ...own])],
      sentence: say.openedBy(name, inSentence(found.name)),
    };
  }
  const said = why.asked.find((a) => a.answer === true);
  if (said) return { kind: "found", assemblies: own, sentence: say.openedBy(name, inSentence(said.words)) };
  const open = why.causes.filter((c) => c.state === "open").map((c) => inSentence(c.name));
  if (open.length > 0)
    return { kind: "found", assemblies: own, sentence: say.openedByOneOf(name, open.join(", "), why.seriesLamp) };
  const cleared = why.causes.map((c) => inSentence(c.name));
  return { kind: "found", assemblies: own, sentence: say.nothingFoundThatOpened(name, cleared.join(", ")) };
}

/** That it is known why it opened, as something to be shown before the job is closed; null where it is. */
function causeProof(why: WhyOpened, evidence: readonly Evidence[]): BoundProof | null {
  const found = why.causes.some((c) => c.state === "found");
  const said = evidence.findLast(
    (e) => e.type === "sign" && e.part === why.part && e.there && e.sign.startsWith("why "),
  );
  const by = found ? (evidence.at(-1)?.id ?? null) : (said?.id ?? null);
  return {
    of: "cause",
    words: say.whyItOpened(why.name),
    by,
    tests: [],
    state: by === null ? "beyond" : "shown",
    impliedBy: null,
    because: "",
    test: null,
  };
}
