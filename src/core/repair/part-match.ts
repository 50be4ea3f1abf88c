import type { Machine, AssemblyEntry } from "../model";
import { say } from "#words/core/repair/part-match";

/** What differs in a part that may stand in, and what is done about it. */
export interface Difference {
  readonly kind: AssemblyEntry["substitutes"][number]["differences"][number]["kind"];
  readonly words: string;
  readonly todo: string;
}

/** Whether a part in the hand belongs into this machine. */
export interface PartMatch {
  readonly fits: boolean;
  /** Whether the work stops on it: what does not fit, but for a part of which the file knows no number to go by. */
  readonly stops: boolean;
  /** The same part, another that may stand in, one that must not, or one of which nothing is known. */
  readonly verdict: "same" | "other revision" | "substitute" | "refused" | "unknown";
  readonly words: string;
  readonly differences: readonly Difference[];
}

const WHAT_TO_DO: Readonly<Record<Difference["kind"], string>> = {
  code: say.enterItsCodeAfterIt,
  resistor: say.lookAtTheOldOne,
  screws: say.itsOwnScrewsNeverLonger,
  height: say.checkThatNothingAboveTouches,
  snap: say.breakItAlongItsGroove,
  harness: say.comparePlugByPlugPin,
  setting: say.carryTheSettingsOverAnd,
  other: say.dealWithItBeforeIt,
};

/** Letters and digits only, in capitals: how numbers are compared whatever dashes and blanks are printed. */
const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, "");

/** The revisions that may go in. */
const revisionsOf = (
  named: readonly { readonly refused?: string | undefined; readonly revisions: readonly string[] }[],
) =>
  named
    .filter((s) => !s.refused)
    .flatMap((s) => s.revisions)
    .join(", ");

const FITS = { fits: true, stops: false } as const;
const isKnownOf = ({ number, substitutes }: AssemblyEntry) => number !== undefined || substitutes.length > 0;

/**
 * Holds the number and revision of a part in the hand against what the file knows of an assembly. What is refused or
 * unknown does not fit; the words say why. Throws a RangeError for an assembly the machine has not.
 */
export function matchPart(machine: Machine, assemblyId: string, number: string, revision = ""): PartMatch {
  const assembly = machine.assemblyById.get(assemblyId);
  if (!assembly) throw new RangeError(say.noAssemblyAssemblyId(assemblyId));
  const given = plain(number);
  const rev = plain(revision);
  const no = (verdict: "refused" | "unknown", words: string): PartMatch => ({
    fits: false,
    stops: isKnownOf(assembly),
    verdict,
    words,
    differences: [],
  });
  if (given === "") return no("unknown", say.typeTheNumberPrintedOn);
  if (assembly.number && plain(assembly.number) === given) {
    if (!assembly.revision || rev === "" || plain(assembly.revision) === rev)
      return {
        ...FITS,
        verdict: "same",
        words: say.theSamePart(assembly.revision && rev === "" ? say.theFileIsOfRevision(assembly.revision) : ""),
        differences: [],
      };
  }
  const named = assembly.substitutes.filter((s) => plain(s.number) === given);
  const own = named.find((s) => s.revisions.length === 0 || s.revisions.some((r) => plain(r) === rev));
  if (own?.refused)
    return no("refused", say.mustNotGoIn(own.number, revision ? ` revision ${revision}` : "", own.refused));
  if (own)
    return {
      ...FITS,
      verdict: "substitute",
      words: own.differences.length > 0 ? say.mayStandInWithDifferences : say.mayStandInAsIt,
      differences: own.differences.map((d) => ({ ...d, todo: WHAT_TO_DO[d.kind] })),
    };
  if (named.length > 0)
    return no(
      "unknown",
      rev === ""
        ? say.itsRevisionDecidesGoodAre(revisionsOf(named) || say.noneKnown)
        : say.revisionIsNotAmongThose(revision, revisionsOf(named) || say.none),
    );
  if (assembly.number && plain(assembly.number) === given)
    return {
      fits: false,
      stops: true,
      verdict: "other revision",
      words: say.theSameNumberButRevision(revision, assembly.revision),
      differences: [
        { kind: "other", words: say.revisionInsteadOf(revision, assembly.revision), todo: WHAT_TO_DO.other },
      ],
    };
  return no(
    "unknown",
    assembly.number
      ? say.theFileKnowsHereThis(
          [assembly.number, ...assembly.substitutes.filter((s) => !s.refused).map((s) => s.number)].join(", "),
        )
      : say.theFileHasNoNumber,
  );
}
