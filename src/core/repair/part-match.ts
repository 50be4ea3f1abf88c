import type { Machine, PieceEntry } from "../model";

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
  code: "Enter its code after it has woken; read the code from the rating plate, not from the old board.",
  resistor: "Look at the old one first: cut only what is cut there. A resistor cut is cut for ever.",
  screws: "Its own screws; never longer ones than the old.",
  height: "Check that nothing above touches, and creepage and clearance of what is soldered.",
  snap: "Break it along its groove before it goes near the machine; no copper dust on it.",
  harness: "Compare plug by plug, pin 1 and key, before anything is pushed home.",
  setting: "Carry the settings over and check them.",
  other: "Deal with it before it is powered.",
};

/** Letters and digits only, in capitals: how numbers are compared whatever dashes and blanks are printed. */
const plain = (text: string) => text.toUpperCase().replace(/[^A-Z0-9]/g, "");

/**
 * Holds the number and revision of a part in the hand against what the file knows of a piece. What is refused or
 * unknown does not fit; the words say why. Throws a RangeError for a piece the machine has not.
 */
export function matchPart(machine: Machine, pieceId: string, number: string, revision = ""): PartMatch {
  const piece = machine.pieceById.get(pieceId);
  if (!piece) throw new RangeError(`no piece ${pieceId}`);
  const given = plain(number);
  const rev = plain(revision);
  const no = (verdict: "refused" | "unknown", words: string): PartMatch => ({
    fits: false,
    verdict,
    words,
    differences: [],
  });
  if (given === "") return no("unknown", "Type the number printed on the part.");
  if (piece.number && plain(piece.number) === given) {
    if (!piece.revision || rev === "" || plain(piece.revision) === rev)
      return {
        fits: true,
        verdict: "same",
        words: `The same part${piece.revision && rev === "" ? `; the file is of revision ${piece.revision}, compare` : ""}.`,
        differences: [],
      };
  }
  const named = piece.substitutes.filter((s) => plain(s.number) === given);
  const own = named.find((s) => s.revisions.length === 0 || s.revisions.some((r) => plain(r) === rev));
  if (own?.refused)
    return no("refused", `${own.number}${revision ? ` revision ${revision}` : ""} must not go in: ${own.refused}`);
  if (own)
    return {
      fits: true,
      verdict: "substitute",
      words: own.differences.length > 0 ? "May stand in, with differences:" : "May stand in as it is.",
      differences: own.differences.map((d) => ({ ...d, todo: WHAT_TO_DO[d.kind] })),
    };
  if (named.length > 0)
    return no(
      "unknown",
      rev === ""
        ? `Its revision decides: good are ${
            named
              .filter((s) => !s.refused)
              .flatMap((s) => s.revisions)
              .join(", ") || "none known"
          }.`
        : `Revision ${revision} is not among those known to fit (${
            named
              .filter((s) => !s.refused)
              .flatMap((s) => s.revisions)
              .join(", ") || "none"
          }).`,
    );
  if (piece.number && plain(piece.number) === given)
    return {
      fits: true,
      verdict: "other revision",
      words: `The same number, but revision ${revision}; the file knows ${piece.revision}. Compare plug by plug and note what differs.`,
      differences: [
        { kind: "other", words: `Revision ${revision} instead of ${piece.revision}`, todo: WHAT_TO_DO.other },
      ],
    };
  return no(
    "unknown",
    piece.number
      ? `The file knows ${[piece.number, ...piece.substitutes.filter((s) => !s.refused).map((s) => s.number)].join(", ")} here. ` +
          "This number is another part: not fitted until someone has compared it."
      : "The file has no number for this piece: compare the parts themselves.",
  );
}
