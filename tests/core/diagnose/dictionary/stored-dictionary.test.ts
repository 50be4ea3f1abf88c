import { describe, expect, it } from "vitest";
import { advise } from "../../../../src/core/diagnose/advice/advise";
import { FaultDictionary } from "../../../../src/core/diagnose/dictionary/fault-dictionary";
import { namedTests } from "../../../../src/core/diagnose/dictionary/candidates";
import { Predictor } from "../../../../src/core/diagnose/dictionary/predictor";
import type { Evidence } from "../../../../src/core/diagnose/evidence/evidence";
import { ORDINARY_METER } from "../../../../src/core/instrument/meter";
import { compileMachine } from "../../../../src/core/model/compile/compile";
import type { MachineFile, PartEntry } from "../../../../src/core/model/schema";
import { testKey } from "../../../../src/core/simulate/test";
import { machineNamed } from "../../../support/fleet";

const { file } = machineNamed("kaldruun-uc-80");
const built = (of: MachineFile) => {
  const dictionary = FaultDictionary.of(compileMachine(of), ORDINARY_METER);
  dictionary.build();
  return dictionary;
};
const fresh = built(file);
const bytes = fresh.packed();
const restored = FaultDictionary.restored(compileMachine(file), ORDINARY_METER, bytes);

const advised = (dictionary: FaultDictionary, more: readonly Evidence[] = []) =>
  file.complaints.map((c) =>
    advise(dictionary, [{ type: "complaint", id: "c", complaint: c.id }, ...more], {
      setup: c.setup,
      openPanels: new Set(),
    }),
  );

describe("a stored dictionary", () => {
  it("is the one that was built, bit for bit: tests, predictions, chances, and the bytes themselves", () => {
    expect(restored.candidates.map(testKey)).toEqual(fresh.candidates.map(testKey));
    for (const test of [...fresh.candidates, ...namedTests(fresh.machine)]) {
      expect(restored.predictionsFor(test), testKey(test)).toEqual(fresh.predictionsFor(test));
      expect(restored.tableFor(test), testKey(test)).toEqual(fresh.tableFor(test));
    }
    expect(Buffer.compare(Buffer.from(restored.packed()), Buffer.from(bytes))).toBe(0);
    expect(Buffer.compare(Buffer.from(built(file).packed()), Buffer.from(bytes))).toBe(0);
  });

  it("is read alike from bytes that lie anywhere in a larger buffer, and from a Node buffer", () => {
    const shifted = new Uint8Array(bytes.length + 3);
    shifted.set(bytes, 3);
    for (const same of [shifted.subarray(3), Buffer.from(shifted.buffer, 3)]) {
      const read = FaultDictionary.restored(fresh.machine, ORDINARY_METER, same);
      for (const test of fresh.candidates) expect(read.predictionsFor(test)).toEqual(fresh.predictionsFor(test));
    }
  });

  it("gives the same advice on every complaint without bringing the machine into a setup again", () => {
    const anew = FaultDictionary.restored(compileMachine(file), ORDINARY_METER, bytes);
    let simulated = 0;
    const counted = Object.getOwnPropertyDescriptor(Predictor.prototype, "columns")!.value as Predictor["columns"];
    Predictor.prototype.columns = function (setup, tests, hypothesis, ...range) {
      // What is weighed now and then only (two faults, not as drawn) is not in the dictionary.
      if (hypothesis.kind === "fault" || hypothesis.kind === "no fault") simulated++;
      return counted.call(this, setup, tests, hypothesis, ...range);
    };
    try {
      expect(advised(anew)).toEqual(advised(fresh));
    } finally {
      Predictor.prototype.columns = counted;
    }
    expect(simulated).toBe(0);
  });

  it("holds no odds: with other odds, minutes and prices the same bytes serve, and give what those are worth", () => {
    const other: MachineFile = {
      ...file,
      pieces: file.pieces.map((a, i) => ({ ...a, minutes: a.minutes + i, price: a.price * 2 })),
      parts: (file.parts as PartEntry[]).map((part) => {
        const modes = fresh.machine.partById.get(part.id)!.modes.map((m, i) => [m.id, i % 2 === 0 ? 7 : 0.3]);
        return { ...part, odds: Object.fromEntries(modes) as Record<string, number> };
      }) as MachineFile["parts"],
    };
    const anew = built(other);
    expect(Buffer.compare(Buffer.from(anew.packed()), Buffer.from(bytes))).toBe(0);
    const same = FaultDictionary.restored(compileMachine(other), ORDINARY_METER, bytes);
    expect(advised(same)).toEqual(advised(anew));
    expect(advised(same)).not.toEqual(advised(fresh));
  });

  it("holds nothing of where the unit stands: room and mains noted on the job count as with a fresh one", () => {
    const cold: Evidence = { type: "surroundings", id: "s", celsius: 4, volts: 218 };
    expect(advised(restored, [cold])).toEqual(advised(fresh, [cold]));
  });

  it("refuses bytes that are none, or another machine's", () => {
    const other = compileMachine(machineNamed("zirvald-bw-15").file);
    const bad = [
      () => FaultDictionary.restored(other, ORDINARY_METER, bytes),
      () => FaultDictionary.restored(fresh.machine, ORDINARY_METER, bytes.slice(0, bytes.length - 8)),
      () => FaultDictionary.restored(fresh.machine, ORDINARY_METER, new Uint8Array(3)),
      () => FaultDictionary.restored(fresh.machine, ORDINARY_METER, new Uint8Array(500).fill(7)),
      // JSON, but of nothing that a dictionary says of itself.
      () => FaultDictionary.restored(fresh.machine, ORDINARY_METER, Uint8Array.of(2, 0, 0, 0, 0x7b, 0x7d, 0, 0)),
    ];
    for (const attempt of bad) expect(attempt).toThrow(RangeError);
  });
});
