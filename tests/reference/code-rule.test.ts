import { describe, expect, test } from "vitest";
import { codeProblem, codeRule } from "../../src/core/model/code-rule";

describe("codes with a check sign", () => {
  // GS1 General Specifications, 7.9: weights 1 and 3 by turns from the left over 13 digits, modulo 10; the example
  // 629104150021 with check digit 3, from memory.
  const gs1 = codeRule().parse({
    length: 13,
    of: "digits",
    weights: [1, 3, 1, 3, 1, 3, 1, 3, 1, 3, 1, 3, 1],
    modulo: 10,
  });
  test("the example of the standard is right, whatever blanks stand in it", () => {
    expect(codeProblem(gs1, "6291041500213")).toBeNull();
    expect(codeProblem(gs1, "6 291041 500213")).toBeNull();
  });
  test("any one digit misread is found, as is one too many or a letter", () => {
    const code = "6291041500213";
    for (let at = 0; at < code.length; at++)
      for (let digit = 0; digit <= 9; digit++) {
        if (code[at] === String(digit)) continue;
        expect(codeProblem(gs1, code.slice(0, at) + String(digit) + code.slice(at + 1))).toContain("check sign");
      }
    expect(codeProblem(gs1, `${code}0`)).toContain("13 signs");
    expect(codeProblem(gs1, "629104150021O")).toContain("digits");
  });
  test("ISBN-10 (ISO 2108): weights 10 to 1, modulo 11; the example 0-306-40615-2, from memory", () => {
    const isbn = codeRule().parse({ length: 10, of: "digits", weights: [10, 9, 8, 7, 6, 5, 4, 3, 2, 1], modulo: 11 });
    expect(codeProblem(isbn, "0-306-40615-2")).toBeNull();
    // Two neighbours swapped are found too.
    expect(codeProblem(isbn, "0-306-46015-2")).not.toBeNull();
  });
  test("a rule with a check sign needs a weight for each", () => {
    expect(codeRule().safeParse({ length: 4, weights: [1, 2], modulo: 10 }).success).toBe(false);
    expect(codeProblem(codeRule().parse({ length: 4, of: "hex" }), "0a-f3")).toBeNull();
  });
});
