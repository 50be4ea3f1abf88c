import type { Machine, PieceEntry } from "../model";
import { say } from "#words/core/repair/part-match";

/** What differs in a part that may stand in, and what is done about it. */
export interface Difference {
  readonly kind: PieceEntry["substitutes"][number]["differences"][number]["kind"];
  readonly words: string;
  readonly todo: string;
}

/** Whether a part in the hand belongs into this machine. */
export interface PartMatch {
  readonly fits: boolean;
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

/**
 * Holds the number and revision of a part in the hand against what the file knows of a piece. What is refused or
 * unknown does not fit; the words say why. Throws a RangeError for a piece the machine has not.
 */
export function matchPart(machine: Machine, pieceId: string, number: string, revision = ""): PartMatch {
  const piece = machine.pieceById.get(pieceId);
  if (!piece) throw new RangeError(say.noPiecePieceId(pieceId));
  const given = plain(number);
  const rev = plain(revision);
  const no = (verdict: "refused" | "unknown", words: string): PartMatch => ({
    fits: false,
    verdict,
    words,
    differences: [],
  });
  if (given === "") return no("unknown", say.typeTheNumberPrintedOn);
  if (piece.number && plain(piece.number) === given) {
    if (!piece.revision || rev === "" || plain(piece.revision) === rev)
      return {
        fits: true,
        verdict: "same",
        words: say.theSamePart(piece.revision && rev === "" ? say.theFileIsOfRevision(piece.revision) : ""),
        differences: [],
      };
  }
  const named = piece.substitutes.filter((s) => plain(s.number) === given);
  const own = named.find((s) => s.revisions.length === 0 || s.revisions.some((r) => plain(r) === rev));
  if (own?.refused)
    return no("refused", say.mustNotGoIn(own.number, revision ? ` revision ${revision}` : "", own.refused));
  if (own)
    return {
      fits: true,
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
  if (piece.number && plain(piece.number) === given)
    return {
      fits: true,
      verdict: "other revision",
      words: say.theSameNumberButRevision(revision, piece.revision),
      differences: [{ kind: "other", words: say.revisionInsteadOf(revision, piece.revision), todo: WHAT_TO_DO.other }],
    };
  return no(
    "unknown",
    piece.number
      ? say.theFileKnowsHereThis(
          [piece.number, ...piece.substitutes.filter((s) => !s.refused).map((s) => s.number)].join(", "),
        )
      : say.theFileHasNoNumber,
  );
}
