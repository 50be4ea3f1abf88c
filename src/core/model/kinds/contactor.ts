import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { LETS_GO_ABOUT, RELAY_BOUNDS } from "../relay-bounds";
import { fedVolts } from "./load";
import { say } from "#words/core/model/kinds/contactor";

const OUT = 0;
const IN = 1;
/** Power factor of a coil whose armature has closed, and what more it takes while it stands open; from memory. */
const SEALED_FACTOR = 0.3;
const INRUSH = 8;

const poleNumbers = (poles: number) => Array.from({ length: poles }, (_, i) => i + 1);

/** A contactor: one coil, up to four contacts on one armature. A contact may burn or weld by itself. */
export const contactor = definePart({
  kind: "contactor",
  fields: () =>
    z.object({
      poles: number({ min: 1, max: 4 }).refine(Number.isInteger, say.wholePoles).default(1),
      current: z.enum(["ac", "dc"]),
      coilVolts: number({ above: 0, max: 480 }),
      /** What its coil takes with the armature closed, amperes. */
      coilAmps: number({ above: 0, max: 20 }),
      coilOhms: number({ above: 0, max: 1e5 }),
      contactAmps: number({ above: 0, max: 400 }),
    }),
  electrical: {
    terminals: (f) => ["coil-a", "coil-b", ...poleNumbers(f.poles).flatMap((n) => [`in-${n}`, `out-${n}`])],
    galvanic: (f) => [["coil-a", "coil-b"], ...poleNumbers(f.poles).map((n) => [`in-${n}`, `out-${n}`])],
    elements: (f) => [["coil-a", "coil-b"], ...poleNumbers(f.poles).map((n) => [`in-${n}`, `out-${n}`] as const)],
    parameters: (f) => [
      { name: "coil ohms", nominal: f.coilOhms, tolerance: 0.1 },
      { name: "coil amps", nominal: f.coilAmps, tolerance: 0.15 },
      ...poleNumbers(f.poles).map((n) => ({ name: `contact ${n} ohms`, nominal: 0.005, tolerance: 0.5 })),
    ],
    start: () => OUT,
    stamp({ fields, mode, values }, stamp, state) {
      if (mode === "coil-open") stamp.conduct(0, OPEN);
      else {
        stamp.dc(0, 1 / values[0]!);
        // An open magnetic circuit lets a coil for alternating current draw many times what it takes when closed.
        const siemens = (values[1]! / fields.coilVolts) * (state === IN ? 1 : INRUSH);
        if (fields.current === "dc") stamp.ac(0, 1 / values[0]!);
        else stamp.ac(0, siemens * SEALED_FACTOR, -siemens * Math.sqrt(1 - SEALED_FACTOR ** 2));
      }
      for (const n of poleNumbers(fields.poles)) {
        const made = mode === `welded-${n}` || (state === IN && mode !== `burnt-${n}`);
        stamp.conduct(n, made ? 1 / values[1 + n]! : OPEN);
      }
    },
    dead: ({ fields, mode, values, id, conditions }, stamp) => {
      stamp.conduct(0, mode === "coil-open" ? OPEN : 1 / values[0]!);
      const pushed = conditions.made.has(id);
      for (const n of poleNumbers(fields.poles)) {
        const made = mode === `welded-${n}` || (pushed && mode !== `burnt-${n}`);
        stamp.conduct(n, made ? 1 / values[1 + n]! : OPEN);
      }
    },
    next({ fields, mode }, view, state) {
      const volts = Math.abs(fedVolts(view, "coil-a", "coil-b", { current: fields.current, volts: fields.coilVolts }));
      const pulls = volts > RELAY_BOUNDS.dc.pulledInBy * fields.coilVolts;
      const holds = volts > LETS_GO_ABOUT * fields.coilVolts;
      const isFree = mode !== "coil-open" && mode !== "jammed";
      const wanted = isFree && (state === IN ? holds : pulls) ? IN : OUT;
      return wanted === state ? null : { state: wanted, delay: 0.02 };
    },
    rated: (f) => ({ amps: f.contactAmps, element: 1, bears: "relay" }),
  },
  failures: {
    modes: (f) => [
      { id: "coil-open", words: say.coilOpen, odds: 1, source: "from memory" },
      { id: "jammed", words: say.doesNotPullIn, odds: 0.7, source: "from memory" },
      ...poleNumbers(f.poles).flatMap((n) => [
        { id: `burnt-${n}`, words: say.contactBurnt(n), odds: 1.2, source: "from memory" as const },
        { id: `welded-${n}`, words: say.contactWelded(n), odds: 0.8, source: "from memory" as const },
      ]),
    ],
    signs: (f) => [
      {
        id: "pitted",
        words: say.contactsBurntOrPitted,
        given: Object.fromEntries(
          poleNumbers(f.poles).flatMap((n) => [
            [`burnt-${n}`, 0.7],
            [`welded-${n}`, 0.5],
          ]),
        ),
        otherwise: 0.08,
      },
      { id: "coil-brown", words: say.coilBrowned, given: { "coil-open": 0.4, jammed: 0.3 }, otherwise: 0.03 },
    ],
    askedCauses: (_fields, mode) =>
      mode.startsWith("welded")
        ? [
            { id: "small", words: say.tooSmall, ask: say.isItTooSmall },
            { id: "chatters", words: say.itChatters, ask: say.doesItChatter },
          ]
        : [],
    unitSigns: { warm: 0.2, "comes-and-goes": 0.2 },
    provokedBy: "cycling",
  },
  observed: {
    noticed: say.lookAtItsArmature,
    observable: () => ({ what: "contactor", labels: ["pulled in", "at rest"] }),
    look: (_instance, _view, state) => (state === IN ? "pulled in" : "at rest"),
  },
  safety: {
    traits: ["breaks-current"],
    cautions: [say.neverPushedInByHandUnderVolts],
  },
  service: {
    goodOhms: (_, ohms) => ({ coilOhms: ohms }),
    alone: say.deadCoilOhmsThenEachContact,
  },
});
