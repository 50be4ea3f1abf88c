import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { isFed, stampWinding, stampInsulation } from "./load";
import { say } from "#words/core/model/kinds/motor";

const RESTS = 0;
const TURNS = 1;
/** Power factor of a small loaded motor, from memory. */
const POWER_FACTOR = 0.8;
/** Times its running current that an alternating-current motor draws while its rotor rests; from memory. */
const AT_REST = 5;
/** Of its rated voltage, what an unloaded motor starts at; from memory. */
const STARTS_AT = { dc: 0.2, ac: 0.55 } as const;

/** A motor with two leads, for direct or alternating current. A direct-current one follows the polarity. */
export const motor = definePart({
  kind: "motor",
  fields: () =>
    z.object({
      current: z.enum(["ac", "dc"]),
      volts: number({ above: 0, max: 480 }),
      amps: number({ above: 0, max: 400 }),
      /** What an ohmmeter sees of its winding. */
      ohms: number({ above: 0, max: 1e4 }),
      brushes: z.enum(["yes", "no"]).default("no"),
    }),
  electrical: {
    terminals: () => ["a", "b", "case"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [
      ["a", "b"],
      ["b", "case"],
    ],
    parameters: (f) => [
      { name: "winding ohms", nominal: f.ohms, tolerance: 0.1 },
      { name: "run amps", nominal: f.amps, tolerance: 0.15 },
    ],
    start: () => RESTS,
    stamp({ fields, mode, severity, values }, stamp, state) {
      const [ohms, amps] = values as [number, number];
      if (mode === "open") stamp.conduct(0, OPEN);
      else if (mode === "brushes-worn") stamp.conduct(0, 1 / (ohms + severity));
      else if (fields.current === "ac")
        stampWinding(stamp, 0, ohms, fields, mode === "seized" ? AT_REST * amps : amps, POWER_FACTOR);
      else stamp.conduct(0, state === TURNS ? amps / fields.volts : 1 / ohms);
      stampInsulation(stamp, 1, mode === "to-case" ? severity : null);
    },
    stampAtStart({ fields, mode, severity, values }, stamp) {
      const [ohms, amps] = values as [number, number];
      if (mode === "open") return;
      if (mode === "brushes-worn") stamp.conduct(0, 1 / (ohms + severity));
      else if (fields.current === "ac") stampWinding(stamp, 0, ohms, fields, AT_REST * amps, POWER_FACTOR);
      else stamp.conduct(0, 1 / ohms);
    },
    next({ fields, mode }, view, state) {
      const volts = fields.current === "ac" ? view.ac("a", "b") : Math.abs(view.dc("a", "b"));
      const wanted =
        mode !== "open" &&
        mode !== "seized" &&
        mode !== "brushes-worn" &&
        volts > STARTS_AT[fields.current] * fields.volts
          ? TURNS
          : RESTS;
      return wanted === state ? null : { state: wanted, delay: 0.3 };
    },
  },
  failures: {
    modes: (f) => [
      {
        id: "open",
        words: f.brushes === "yes" ? say.windingOrBrushesOpen : say.windingOpen,
        odds: 1.5,
        source: "from memory",
      },
      { id: "seized", words: "seized", odds: 1.2, source: "from memory" },
      ...(f.brushes === "yes"
        ? [
            {
              id: "brushes-worn",
              words: say.brushesWorn,
              odds: 1.5,
              source: "from memory" as const,
              severity: [20 * f.ohms, 120 * f.ohms] as const,
            },
          ]
        : []),
      ...(f.current === "ac"
        ? [
            {
              id: "to-case",
              words: say.windingLeaksToTheCase,
              odds: 0.4,
              source: "from memory" as const,
              severity: [2e3, 5e4] as const,
            },
          ]
        : []),
    ],
    signs: (f) => [
      { id: "smell", words: say.smellOfBurntVarnish, given: { open: 0.25, seized: 0.35 }, otherwise: 0.02 },
      ...(f.brushes === "yes"
        ? [
            {
              id: "dust",
              words: say.carbonDustShortBrushes,
              given: { "brushes-worn": 0.8, open: 0.3 },
              otherwise: 0.08,
            },
          ]
        : []),
    ],
    jammedLike: "seized",
    unitSigns: { warm: 0.3 },
  },
  observed: {
    noticed: say.listenWatchTheShaftFrom,
    byHand: (mode) => mode !== "seized",
    observable: (f) => ({
      what: "motor",
      labels: f.current === "dc" ? ["turns", "turns backwards", "still", "hums"] : ["turns", "still", "hums"],
    }),
    look({ fields, mode }, view, state) {
      if (state === TURNS) return fields.current === "dc" && view.dc("a", "b") < 0 ? "turns backwards" : "turns";
      return mode === "seized" && isFed(view, "a", "b", { ...fields, volts: 0.2 * fields.volts }) ? "hums" : "still";
    },
  },
  safety: {
    traits: ["moves", "starts-by-itself"],
    cautions: [say.movingPartsHandsHairAnd],
  },
  service: {
    goodOhms: (_, ohms) => ({ ohms }),
    alone: say.deadLeadsOffOhmsOf,
    tool: "motor",
  },
});
