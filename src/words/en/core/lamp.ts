import { plural } from "../plural";

/** What core/lamp says to people, in English. */
export const say = {
  flashesFlashPartPause: (flashes: number) => `${flashes} ${plural(flashes, "flash", "flashes")}, pause`,
  longShortPause: (long: number, short: number) => `${long} long ${short} short, pause`,
  distressSignal: "distress signal",
  ofThisMachineHasNo: (lamp: string, words: string, known: string) =>
    `${lamp} of this machine has no such pattern: ${words}. It knows ${known}.`,
  theFlashesAreNotIn: "The flashes are not in order of time.",
  keepWatchingItMayOnly: "Keep watching: it may only be between two flashes.",
  keepWatchingItMayGo: "Keep watching: it may go dark yet.",
  tooFewFlashesYetKeep: "Too few flashes yet: keep watching for three rounds.",
  thisIsNoRhythmYet: "This is no rhythm yet. Watch three more rounds, hold the camera still.",
  tooFewRoundsYetWatch: "Too few rounds yet: watch another.",
  holdForAsLongAs: "Hold for as long as it is lit, let go while it is dark.",
  itCouldBeReadIn: "It could be read in two ways: watch another round.",
  aPictureNeedsAtLeast: (columns: number, rows: number) => `A picture needs at least ${columns} by ${rows} points.`,
  thePicturesAreNotIn: "The pictures are not in order of time.",
  thereIsNoTimeIn: "There is no time in this list.",
  lineIsNoTime: (i: number, cell: string) => `Line ${i}: "${cell}" is no time.`,
  moreThanTimesGiveA: (mosttimes: number) => `More than ${mosttimes} times; give a minute of them.`,
  theTimesAreNotIn: (values: number | undefined, values2: number | undefined) =>
    `The times are not in order: ${values} comes before ${values2}.`,
  threeTimesAtLeastAnd: "Three times at least, and not all the same.",
};
