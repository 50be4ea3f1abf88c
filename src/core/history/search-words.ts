/** Words as they are kept and looked for: no case, no accents. */
const WORD = /[\p{L}\p{N}]+(?:[-./][\p{L}\p{N}]+)*/gu;

/** Letters of a word that are kept; the rest of a longer one finds nothing. */
export const LONGEST = 40;

/** Words that stand everywhere and find nothing. */
const EVERYWHERE: ReadonlySet<string> = new Set(
  "a an and are as at be but by for from has have in is it its not of on or so that the then this to was with".split(
    " ",
  ),
);

const folded = (text: string) => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();

/** The words of a text as they are looked for: `SB-210` is one. */
export function wordsIn(text: string): readonly string[] {
  return [...folded(text).matchAll(WORD)].map(([word]) => word.slice(0, LONGEST));
}

/** The words of a text as they are found: `SB-210` by itself, by its halves and as `sb210`. */
export function termsIn(text: string): ReadonlySet<string> {
  const found = new Set<string>();
  for (const word of wordsIn(text)) {
    const pieces = word.split(/[-./]/);
    if (pieces.length > 1) found.add(pieces.join(""));
    for (const term of [word, ...pieces]) if (!EVERYWHERE.has(term)) found.add(term);
  }
  return found;
}

/** A word looked for: as it stands, or as the beginning of longer ones. */
export interface SearchWord {
  readonly word: string;
  readonly isBeginning: boolean;
}

/** Words looked for at once. */
const MOST = 6;
/** A code or number shorter than this is meant as it stands: `E4` is not the beginning of `E41`. */
const SHORT = { word: 3, number: 4 };

/** What is looked for, by what was typed; words that stand everywhere only where there is no other. */
export function searchWords(typed: string): readonly SearchWord[] {
  const all = [...new Set(wordsIn(typed))];
  const telling = all.filter((w) => !EVERYWHERE.has(w));
  return (telling.length > 0 ? telling : all).slice(0, MOST).map((word) => ({
    word,
    isBeginning: word.length >= (/\p{N}/u.test(word) ? SHORT.number : SHORT.word),
  }));
}

/** Whether a term is what a word looks for. */
export function isFoundBy(term: string, { word, isBeginning }: SearchWord): boolean {
  return isBeginning ? term.startsWith(word) : term === word;
}
