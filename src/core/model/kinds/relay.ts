import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { LETS_GO_ABOUT, RELAY_BOUNDS } from "../relay-bounds";
import { say } from "#words/core/model/kinds/relay";

/** The lever between the two of a pair is worn or gone. */
const UNHELD = "interlock-broken";

/**
 * A relay with one make contact. Pulls in at 75 % of its coil voltage, lets go below 20 % (usual data-sheet limits,
 * from memory).
 */
export const relay = definePart({
  kind: "relay",
  fields: () =>
    z.object({
      coilVolts: number({ above: 0, max: 240 }),
      coilOhms: number({ above: 0, max: 1e5 }),
      contactAmps: number({ above: 0, max: 200 }),
      /** What its contact may break of a direct current; a rating for alternating current says nothing of it. */
      dcAmps: number({ above: 0, max: 400 }).optional(),
      /** The other contactor of a pair whose lever holds this one off while it is in: a mechanical interlock. */
      heldOffBy: id.optional(),
    }),
  electrical: {
    terminals: () => ["coil-a", "coil-b", "common", "make"],
    galvanic: () => [
      ["coil-a", "coil-b"],
      ["common", "make"],
    ],
    elements: () => [
      ["coil-a", "coil-b"],
      ["common", "make"],
    ],
    parameters: (f) => [
      { name: "coil ohms", nominal: f.coilOhms, tolerance: 0.1 },
      { name: "contact ohms", nominal: 0.02, tolerance: 0.5 },
    ],
    start: ({ mode }) => (mode === "welded" ? 1 : 0),
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, mode === "coil-open" ? OPEN : 1 / values[0]!);
      stamp.conduct(1, mode !== "contact-open" && (state === 1 || mode === "welded") ? 1 / values[1]! : OPEN);
    },
    next({ id: own, fields, mode, conditions }, view, state) {
      if (mode === "welded") return null;
      // The lever of a pair lets one of them in, whether its coil pulls it or a hand pushes it while all is dead.
      const isHeldOff = fields.heldOffBy !== undefined && mode !== UNHELD && view.pulledIn(fields.heldOffBy);
      if (isHeldOff) return state === 1 ? { state: 0, delay: 0.005 } : null;
      if (!conditions.powered && conditions.made.has(own)) return state === 1 ? null : { state: 1, delay: 0.01 };
      if (mode === "coil-open") return state === 1 ? { state: 0, delay: 0.005 } : null;
      const volts = Math.max(Math.abs(view.dc("coil-a", "coil-b")), view.ac("coil-a", "coil-b"));
      if (state === 0 && volts > RELAY_BOUNDS.dc.pulledInBy * fields.coilVolts) return { state: 1, delay: 0.01 };
      if (state === 1 && volts < LETS_GO_ABOUT * fields.coilVolts) return { state: 0, delay: 0.005 };
      return null;
    },
    rated: (f) => ({ amps: f.contactAmps, element: 1, bears: "relay" }),
  },
  failures: {
    modes: (f) => [
      ...(f.heldOffBy === undefined
        ? []
        : [{ id: UNHELD, words: say.interlockDoesNotHold, odds: 0.3, source: "from memory" as const }]),
      { id: "coil-open", words: say.coilOpen, odds: 0.5, source: "from memory" },
      { id: "contact-open", words: say.contactDoesNotMake, odds: 2, source: "from memory" },
      { id: "welded", words: say.contactWeldedShut, odds: 1.2, source: "from memory" },
    ],
    signs: () => [
      {
        id: "burnt-joint",
        words: say.burntOrCrackedJointUnder,
        given: { "contact-open": 0.35, welded: 0.15 },
        otherwise: 0.02,
      },
      { id: "no-click", words: say.noClick, given: { "coil-open": 0.9, welded: 0.7 }, otherwise: 0.05 },
    ],
    askedCauses: (_fields, mode) =>
      mode === "welded"
        ? [
            { id: "small", words: say.aSmallerRelay, ask: say.isItRatedForItsLoad },
            { id: "suppression", words: say.nothingTakesUpWhatItsLoadGives, ask: say.isItsSuppressionThere },
            { id: "chatters", words: say.itChatters, ask: say.doesItChatter },
            { id: "tired", words: say.wornByItsSwitchings, ask: say.isItWornOnly },
          ]
        : [],
    unitSigns: { moved: 0.2, warm: 0.3, "comes-and-goes": 0.25 },
    provokedBy: "cycling",
  },
  observed: null,
  safety: {
    traits: ["breaks-current"],
  },
  service: {
    goodOhms: (_, ohms) => ({ coilOhms: ohms }),
    alone: say.coilOhmsContactOpenAt,
    tool: "relay",
    onBoard: () => "relay",
    repairs: "relay",
    builtIn: { coilVolts: 24, coilOhms: 660, contactAmps: 30, dcAmps: 30 },
  },
});
