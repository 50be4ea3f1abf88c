import { FIELD_WORDS, type FieldWords } from "#words/fields";
import { say } from "#words/core/model/field-words";

export type { FieldWords };

/** What a field of a kind of part says; undefined for one that nobody has described. */
export const fieldWords = (kind: string, field: string): FieldWords | undefined =>
  FIELD_WORDS[`${kind}.${field}`] ?? FIELD_WORDS[field];

/** The same in a sentence: what to write, in which unit, and what is usual. */
export function fieldSentence(kind: string, field: string): string {
  const words = fieldWords(kind, field);
  if (!words) return say.aFieldOf(kind);
  const unit = words.unit === undefined ? "" : say.inUnit(words.unit);
  return `${words.says}${unit}${words.usual === undefined ? "" : say.usually(words.usual)}`;
}
