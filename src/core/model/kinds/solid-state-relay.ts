import { z } from "zod";
import { number } from "../scalar";
import { definePart, JUNCTION_OHMS, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/solid-state-relay";

const OFF = 0;
const ON = 1;
/** What one lets through switched off, with the RC across it: some milliamperes at its mains; ohms, from memory. */
const LEAKS_OHMS = 5e4;
/** What it drops while it conducts, as ohms at some amperes; from memory: about 1 V at 20 A. */
const ON_OHMS = 0.05;

/** A solid-state relay: a low voltage at its input, isolated, makes it conduct alternating current. */
export const solidStateRelay = definePart({
  kind: "solid-state relay",
  fields: () =>
    z.object({
      inputVolts: number({ above: 0, max: 60 }),
      inputOhms: number({ above: 0, max: 1e5 }),
      amps: number({ above: 0, max: 200 }),
    }),
  electrical: {
    terminals: () => ["plus", "minus", "a", "b"],
    galvanic: () => [
      ["plus", "minus"],
      ["a", "b"],
    ],
    carries: () => ({ direct: ["plus", "minus"], alternating: ["a", "b"] }),
    elements: () => [
      ["plus", "minus"],
      ["a", "b"],
    ],
    parameters: (f) => [
      { name: "input ohms", nominal: f.inputOhms, tolerance: 0.3 },
      { name: "on ohms", nominal: ON_OHMS, tolerance: 0.3 },
      { name: "leak ohms", nominal: LEAKS_OHMS, tolerance: 0.5 },
    ],
    start: () => OFF,
    stamp({ mode, values }, stamp, state) {
      stamp.conduct(0, mode === "input-open" ? OPEN : 1 / values[0]!);
      stamp.dc(1, mode === "shorted" ? 1 / values[1]! : OPEN);
      const conducts = mode === "shorted" || (state === ON && mode !== "open");
      stamp.ac(1, conducts ? 1 / values[1]! : 1 / values[2]!);
    },
    // An ohmmeter finds a light-emitting diode and its resistor or nothing at the input.
    dead({ mode, values }, stamp) {
      if (mode === "input-open") stamp.conduct(0, OPEN);
      else stamp.between(0, OPEN, 1 / JUNCTION_OHMS);
      stamp.conduct(1, mode === "shorted" ? 1 / values[1]! : OPEN);
    },
    next({ fields, mode }, view, state) {
      const wanted = mode !== "input-open" && view.dc("plus", "minus") > fields.inputVolts ? ON : OFF;
      return wanted === state ? null : { state: wanted, delay: 0.01 };
    },
    rated: (f) => ({ amps: f.amps, element: 1, bears: "relay" }),
  },
  failures: {
    modes: () => [
      { id: "shorted", words: say.shortedAlwaysOn, odds: 1.5, source: "from memory" },
      { id: "open", words: say.doesNotConduct, odds: 1, source: "from memory" },
      { id: "input-open", words: say.inputOpen, odds: 0.4, source: "from memory" },
    ],
    signs: () => [
      { id: "scorched", words: say.scorchedOrCracked, given: { shorted: 0.3, open: 0.3 }, otherwise: 0.02 },
    ],
    unitSigns: { warm: 0.3, storm: 0.2 },
  },
  observed: null,
  safety: {
    traits: ["breaks-current"],
    cautions: [say.offItStillLeaks],
  },
  service: {
    alone: say.deadThenItsInputThenItsOutput,
  },
});
