import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/fuse";

/** Of each family the ohms of a sound, cold one of 1 A, and how they fall with its rating. */
const COLD = {
  quick: { ohms: 0.15, falls: 1.4 },
  "time-lag": { ohms: 0.06, falls: 1.3 },
  blade: { ohms: 0.075, falls: 1 },
} as const;

/**
 * Ohms of a sound fuse, cold, by its rating (amperes): a power law through the volts that IEC 60127-2 lets a fuse drop
 * at its rating (from memory); blade fuses from the drop of 75 to 100 mV that makers give (from memory).
 */
export function coldOhms(amps: number, family: keyof typeof COLD): number {
  const { ohms, falls } = COLD[family];
  return ohms / amps ** falls;
}

/** From so many times its rating it blows at once, after so many seconds at that; more melts it by its I2t (from memory). */
const [BLOWS, MELTS] = [3, 0.05];

/** A fuse. It blows in the simulation too, when what flows is well above its rating. */
export const fuse = definePart({
  kind: "fuse",
  fields: () =>
    z.object({
      amps: number({ above: 0, max: 1000 }),
      family: z.enum(["quick", "time-lag", "blade"]).default("quick"),
    }),
  electrical: {
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (f) => [{ name: "ohms", nominal: coldOhms(f.amps, f.family), tolerance: 0.5 }],
    start: ({ mode }) => (mode === "blown" ? 1 : 0),
    stamp: ({ values }, stamp, state) => stamp.conduct(0, state === 1 ? OPEN : 1 / values[0]!),
    next({ fields }, view, state) {
      const amps = Math.max(Math.abs(view.current(0)), view.acCurrent(0));
      const times = amps / fields.amps;
      return state === 0 && times > BLOWS ? { state: 1, delay: MELTS * (BLOWS / times) ** 2 } : null;
    },
    rated: (f) => ({ amps: f.amps, element: 0, bears: "fuse" }),
  },
  failures: {
    modes: () => [{ id: "blown", words: "blown", odds: 3, source: "from memory", protective: true }],
    signs: () => [{ id: "black-glass", words: say.glassBlackenedOrWireGone, given: { blown: 0.6 }, otherwise: 0.005 }],
    unitSigns: { "worked-on": 0.25, storm: 0.35 },
    askedCauses: () => [
      { id: "wrong", words: say.anotherFuseThanTheFiles, ask: say.isItAnotherFuse },
      { id: "inrush", words: say.theInrushResistorBridged, ask: say.isTheInrushLimited },
      { id: "rubbed", words: say.aWireRubbedThrough, ask: say.hasAWireRubbedThrough },
      { id: "surge", words: say.aSurge, ask: say.didItBlowInAStorm },
      { id: "tired", words: say.tiredOfItself, ask: say.isItsWireOnlySagged },
    ],
  },
  observed: null,
  safety: {
    traits: ["protects", "over-current", "often-bridged"],
    cautions: [say.aFuseThatBlewHas],
  },
  service: {
    alone: say.deadAndOutOfIts,
    tool: "fuse",
    onBoard: () => "board fuse or filter",
    foundInLead: { amps: 10 },
  },
});
