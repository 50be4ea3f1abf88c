import type { JournalEvent } from "../journal";
import { type MachineNames, saidIn, type TermField } from "./indexed";
import { isFoundBy, type SearchWord, termsIn } from "./search-words";

/** Why a job was found: what a word stands in, and the words around it. */
export interface Match {
  readonly field: TermField;
  /** The text, shortened to what is around the word. */
  readonly text: string;
  readonly word: string;
}

/** Letters shown around a word. */
const AROUND = 60;
/** What tells most is named first. */
const BEST_FIRST: readonly TermField[] = [
  "cause",
  "code",
  "complaint",
  "board",
  "part number",
  "serial",
  "site",
  "machine",
  "repair",
  "found",
  "note",
  "person",
];

/** Why a job is found by these words, one place a word; empty where a word stands in none of its entries. */
export function matchesOf(
  events: readonly JournalEvent[],
  names: MachineNames,
  words: readonly SearchWord[],
): readonly Match[] {
  const said = events.flatMap((event) => saidIn(event, names)).map((s) => ({ ...s, terms: [...termsIn(s.text)] }));
  const matches = words.flatMap((word): Match[] => {
    const places = said.filter(({ terms }) => terms.some((term) => isFoundBy(term, word)));
    const rank = (field: TermField) => BEST_FIRST.indexOf(field);
    const best = [...places].sort((a, b) => rank(a.field) - rank(b.field))[0];
    return best ? [{ field: best.field, text: around(best.text, word.word), word: word.word }] : [];
  });
  // Two words of one sentence are one reason.
  return matches.filter((m, i) => matches.findIndex((o) => o.field === m.field && o.text === m.text) === i);
}

function around(text: string, word: string): string {
  if (text.length <= 2 * AROUND) return text;
  const at = Math.max(0, text.toLowerCase().indexOf(word));
  const [from, to] = [Math.max(0, at - AROUND), Math.min(text.length, at + AROUND)];
  const cut = text.slice(from === 0 ? 0 : text.indexOf(" ", from) + 1, to);
  return `${from === 0 ? "" : "… "}${cut}${to === text.length ? "" : " …"}`;
}
