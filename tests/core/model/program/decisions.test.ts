import type { z } from "zod";
import { describe, expect, it } from "vitest";
import { Decisions } from "../../../../src/core/model/program/decisions";
import {
  fireAll,
  type Heard,
  isLedByMode,
  programKeys,
  startOf,
  wishesOf,
} from "../../../../src/core/model/program/program";
import type { controller } from "../../../../src/core/model/kinds/controller";
import { FLEET, machineNamed } from "../../../support/fleet";
import { randomSource } from "../../../support/unit-on-the-bench";

type Fields = z.output<typeof controller.fields>;

/** Every control program of the fleet. */
const PROGRAMS = FLEET.map(machineNamed).flatMap((machine) =>
  machine.parts
    .filter((p) => p.kind.kind === "controller")
    .map((p) => ({
      name: `${machine.file.id} ${p.id}`,
      fields: p.fields as Fields,
    })),
);

describe("what a program decides", () => {
  it.each(PROGRAMS)("$name: kept or worked out anew, it is the same on a random way through it", ({ fields }) => {
    const random = randomSource(11);
    const decisions = new Decisions(fields, fields.outputs);
    const inputs = Object.keys(fields.inputs);
    let state = startOf(fields);
    for (let moment = 0; moment < 300; moment++) {
      const share = new Map(inputs.map((i) => [i, random() < 0.4 ? random() : Math.round(random())]));
      const down = new Set(programKeys(fields).filter(() => random() < 0.3));
      const heard: Heard = { share: (i) => share.get(i) ?? 0, keyDown: (k) => down.has(k) };
      const wanted = wishesOf(fields, fields.outputs, state, heard);
      expect(decisions.wishesIn(JSON.stringify(state), state, heard)).toEqual(
        wanted.map((w) => ({ state: w.key, delay: w.seconds })),
      );
      const due = wanted.filter(() => random() < 0.7).map((w) => w.key);
      const next = fireAll(fields, state, due, heard);
      expect(decisions.after(JSON.stringify(state), state, due, heard)).toEqual(next);
      state = next;
    }
  });
  it("goes by the mode of the setups only where it has none of its own and asks for it", () => {
    const led = PROGRAMS.filter(({ fields }) => isLedByMode(fields, fields.outputs)).map((p) => p.name);
    expect(led).toContain("perlgrund-tm-3 UB");
    expect(led).not.toContain("perlgrund-tm-3 UC");
    expect(led).not.toContain("velmoor-dw-45 U1");
    expect(led).not.toContain("ramsgrat-ct-60 U3");
  });
});
