import { describe, expect, it } from "vitest";
import { judged } from "./judge";
import { ohmsBySpice } from "./spice-meter";
import { DEAD_PARTS } from "./spice-parts";

const shown = ohmsBySpice(DEAD_PARTS);

describe("a part that nothing powers, on an ohmmeter", () => {
  const sound = DEAD_PARTS.map((part, i) => ({ part, shown: shown[i]! })).filter(({ part }) => part.mode === null);
  it.each(sound.map((c) => [c.part.name, c] as const))("%s is called sound when it is", (_name, { part, shown }) => {
    expect({ ...judged(part, shown), shown }).toMatchObject({ verdict: "fits" });
  });

  // A failure that leaves the ohmmeter what it was is not to be told here.
  const failed = DEAD_PARTS.map((part, i) => ({ part, shown: shown[i]! })).filter(({ part }) => part.mode !== null);
  it.each(failed.map((c) => [c.part.name, c] as const))(
    "%s is not held against the failure",
    (_name, { part, shown }) => {
      expect({ times: judged(part, shown).times, shown }).toEqual({ times: expect.any(Number) as number, shown });
      expect(judged(part, shown).times).toBeGreaterThan(0.5);
    },
  );

  // A window must tell, too: a winding, an element or a fuse is good within so much of its ohms (common practice, no
  // source: a heater within a tenth, a winding within a tenth and the meter's error).
  const plain = sound.filter(({ part }) => /heater$|^winding of a motor|^main winding|^both windings/.test(part.name));
  it.each(plain.map((c) => [c.part.name, c] as const))("%s has a window no wider than practice", (_name, { part }) => {
    const { window } = judged(part, { kind: "overload" });
    expect(window.kind === "range" ? window.high / window.low : Infinity).toBeLessThan(1.35);
    expect(plain).toHaveLength(4);
  });

  // A short is what can be told: sheets of the trade say so of every one of these.
  const shorts = failed.filter(({ part }) => /short|passes/.test(`${part.mode}`));
  it.each(shorts.map((c) => [c.part.name, c] as const))("%s is told from a sound one", (_name, { part, shown }) => {
    expect(judged(part, shown)).toMatchObject({ verdict: "does not fit" });
    expect(judged(part, shown).times).toBeGreaterThan(5);
  });
});
