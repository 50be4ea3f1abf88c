import { plainNumber } from "../../quantity";
import { type Condition, conditionSchema } from "./condition";
import { say } from "#words/core/model/condition-words";

/**
 * A condition as it is read aloud: `mode wash and level above 50 % and not (key stop or code E4)`. `and` binds before
 * `or`; what `readCondition` makes of it is the condition again.
 */
export function conditionText(condition: Condition): string {
  if ("all" in condition) return condition.all.map((c) => inBrackets(c, "any" in c || "all" in c)).join(" and ");
  if ("any" in condition) return condition.any.map((c) => inBrackets(c, "any" in c)).join(" or ");
  if ("not" in condition) return `not ${inBrackets(condition.not, "all" in condition.not || "any" in condition.not)}`;
  if ("mode" in condition) return `mode ${condition.mode}`;
  if ("key" in condition) return `key ${condition.key}`;
  if ("code" in condition) return `code ${condition.code}`;
  if ("always" in condition) return `always: ${condition.always}`;
  const [side, share] = "above" in condition ? ["above", condition.above] : ["below", condition.below];
  return `${condition.input} ${side} ${plainNumber(100 * share)} %`;
}

const inBrackets = (condition: Condition, isNested: boolean) =>
  isNested ? `(${conditionText(condition)})` : conditionText(condition);

/** A condition from a file that may be half written; null for what is none. */
export function parsedCondition(value: unknown): Condition | null {
  const parsed = conditionSchema.safeParse(value);
  return parsed.success ? parsed.data : null;
}

/**
 * Reads a condition as `conditionText` writes it. Throws a RangeError with a sentence that names what was not understood.
 */
export function readCondition(text: string): Condition {
  const words = text.match(/\(|\)|[^\s()]+/g) ?? [];
  if (words.length === 0) throw new RangeError(say.sayWhen);
  const reader = new ConditionReader(words);
  const condition = reader.any();
  if (reader.rest() !== null) throw new RangeError(say.notUnderstood(reader.rest()!));
  const parsed = conditionSchema.safeParse(condition);
  if (!parsed.success) throw new RangeError(say.notUnderstood(text.slice(0, 60)));
  return parsed.data;
}

/** Reads words from left to right, one rule a method. */
class ConditionReader {
  private at = 0;

  constructor(private readonly words: readonly string[]) {}

  /** The next word, unread; null at the end. */
  rest(): string | null {
    return this.words[this.at] ?? null;
  }

  any(): Condition {
    const parts = [this.all()];
    while (this.takes("or")) parts.push(this.all());
    return parts.length === 1 ? parts[0]! : { any: parts };
  }

  private all(): Condition {
    const parts = [this.one()];
    while (this.takes("and")) parts.push(this.one());
    return parts.length === 1 ? parts[0]! : { all: parts };
  }

  private one(): Condition {
    if (this.takes("not")) return { not: this.one() };
    if (this.takes("(")) {
      const inner = this.any();
      if (!this.takes(")")) throw new RangeError(say.bracketOpen);
      return inner;
    }
    for (const what of ["mode", "key", "code"] as const)
      if (this.takes(what)) return { [what]: this.word() } as unknown as Condition;
    if (this.takes("always:") || this.takes("always")) return { always: this.toTheEnd() };
    return this.level();
  }

  /** `level above 50 %`. */
  private level(): Condition {
    const input = this.word();
    const side = (["above", "below"] as const).find((s) => this.takes(s));
    if (!side) throw new RangeError(say.aboveOrBelow(input));
    const said = this.word();
    const number = Number(said.replace(/%$/, "").replace(",", "."));
    const isPercent = said.endsWith("%") || this.takes("%") || number > 1;
    if (Number.isNaN(number)) throw new RangeError(say.noShare(said));
    const share = isPercent ? number / 100 : number;
    return side === "above" ? { input, above: share } : { input, below: share };
  }

  private toTheEnd(): string {
    const from = this.at;
    while (this.rest() !== null && !/^(?:and|or|\))$/i.test(this.rest()!)) this.at++;
    return this.words.slice(from, this.at).join(" ") || say.always;
  }

  private word(): string {
    const word = this.rest();
    if (word === null || /^(?:[()]|and|or|not)$/i.test(word)) throw new RangeError(say.something(word));
    this.at++;
    return word;
  }

  private takes(word: string): boolean {
    if (this.rest()?.toLowerCase() !== word) return false;
    this.at++;
    return true;
  }
}
