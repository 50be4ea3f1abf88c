import { afterAll, describe, expect, it } from "vitest";
import { readMachineText } from "../../src/server/machine-reader/reader";
import { RefusedMachine } from "../../src/server/machines";
import { Refusal } from "../../src/server/refusal";
import { HOSTILE } from "../support/hostile-files";
import { machineNamed, machineText } from "../support/fleet";
import { closeShop } from "../support/shop";

afterAll(closeShop);

describe("the reader of machine files, a process of 256 MB", () => {
  it.each(HOSTILE)("%s: refused there with a sentence", async (name, text, sentence) => {
    const start = performance.now();
    const error = await readMachineText(text, "bad.yaml").catch((e: unknown) => e);
    console.log(`${name}: ${Math.round(performance.now() - start)} ms`);
    expect(error).toBeInstanceOf(Refusal);
    // One that keeps it too long is ended, with a sentence of its own.
    if (error instanceof RefusedMachine) expect(error.problems.map((p) => p.sentence).join(" ")).toMatch(sentence);
    else expect((error as Refusal).message).toMatch(/too long or too much/);
  });

  it("hands over what it has read as it stands, also between files that end it, and in the order asked", async () => {
    const many = Array.from({ length: 300_000 }, (_, i) => `&${i.toString(36)}`);
    const hostile = many.join(" ").slice(0, 990_000);
    const asked = [machineText("zirvald-bw-15"), hostile, machineText("hochkar-ip-4")];
    const answers = await Promise.allSettled(asked.map((text) => readMachineText(text, "f.yaml")));
    expect(answers.map((a) => a.status)).toEqual(["fulfilled", "rejected", "fulfilled"]);
    expect(answers[0]).toMatchObject({ value: machineNamed("zirvald-bw-15").file });
    expect(answers[2]).toMatchObject({ value: { id: "hochkar-ip-4" } });
  });
});
