import type { Machine, TestEntry } from "../../model";
import { makeTest, type Test } from "../../simulate";
import type { Verdict } from "../reading/window";

/** Something that must have been seen before an assembly is blamed, and the reading that showed it. */
export interface Proof {
  readonly of: "feed" | "ground" | "request" | "output" | "load" | "cause";
  readonly words: string;
  /** Evidence that proves it; null while it is unproven. */
  readonly by: string | null;
  /** Tests any of which would prove it. */
  readonly tests: readonly Test[];
}

/** A reading as far as proofs need it. */
export interface Judged {
  readonly id: string;
  readonly test: Test;
  readonly verdict: Verdict;
}

/** What is proven and unproven for an assembly. Points on the same node count as the same point. */
export function proofsFor(machine: Machine, assemblyId: string, readings: readonly Judged[]): readonly Proof[] {
  const node = (id: string | undefined) => (id === undefined ? "" : String(machine.points.get(id)?.node ?? id));
  const isSame = (a: Test, b: TestEntry) =>
    a.setup === b.setup && a.function === b.function && node(a.red) === node(b.red) && node(a.black) === node(b.black);
  return (machine.assemblyById.get(assemblyId)?.proofs ?? []).map((proof) => {
    const wanted: Verdict = proof.shows === "good" ? "fits" : "does not fit";
    const by = readings.find((r) => r.verdict === wanted && proof.any.some((t) => isSame(r.test, t)));
    return {
      of: proof.of,
      words: proof.words,
      by: by?.id ?? null,
      tests: proof.any.map((t) => makeTest(t.setup, t.function, t.red, t.black)),
    };
  });
}
