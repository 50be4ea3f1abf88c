import { z } from "zod";
import { id, number } from "../scalar";
import { definePart, FLICKERS, OPEN, VAGUE_OHMS, JUNCTION_OHMS } from "../kind";
import { say } from "#words/core/model/kinds/panel";

const DARK = 0;
const NO_LINK = 1;
const LIT = 2;
/** Gone dark by itself; a power cycle wakes it. */
const TIRED = 3;
/** Seconds after which a tiring panel goes dark. */
const TIRES_AFTER = 30;
const LABELS = ["dark", "dashes", "lit", "dark"] as const;

/**
 * A board with a display, fed and spoken to over a harness. Without the link it shows dashes, without its rail
 * nothing.
 */
export const panel = definePart({
  kind: "panel",
  fields: () =>
    z.object({
      startVolts: number({ above: 0, max: 60 }),
      stopVolts: number({ above: 0, max: 60 }),
      runOhms: number({ above: 0.1, max: 1e6 }),
      /** What an ohmmeter sees of it, below the voltage at which its chips conduct. */
      deadOhms: number({ above: 0.1, max: 1e7 }),
      linkVolts: number({ above: 0, max: 60 }),
      /** The controller whose display it is; none: lit is all that is known. */
      shows: id.optional(),
      /** Known to go dark some time after power-up, and to come back with a power cycle, for a while. */
      tires: z.enum(["yes", "no"]).default("no"),
    }),
  electrical: {
    terminals: () => ["plus", "return", "link"],
    galvanic: () => [["plus", "return", "link"]],
    elements: () => [
      ["plus", "return"],
      ["link", "return"],
    ],
    parameters: (f) => [
      { name: "run ohms", nominal: f.runOhms, tolerance: 0.15 },
      { name: "dead ohms", nominal: f.deadOhms, tolerance: VAGUE_OHMS, vague: true },
      { name: "link ohms", nominal: 1e4, tolerance: 0.05 },
    ],
    start: () => DARK,
    stamp({ mode, severity, values }, stamp, state) {
      if (mode === "shorted") stamp.conduct(0, 1 / severity);
      else stamp.conduct(0, 1 / (state === DARK || state === TIRED ? values[1]! : values[0]!));
      stamp.conduct(1, mode === "link-dead" ? OPEN : 1 / values[2]!);
    },
    // The file's figure is one meter's, one way round.
    dead({ fields, mode, severity }, stamp) {
      if (mode === "shorted") stamp.conduct(0, 1 / severity);
      else stamp.between(0, 1 / (30 * fields.deadOhms), 4 / fields.deadOhms);
      stamp.between(1, OPEN, mode === "link-dead" ? OPEN : 1 / JUNCTION_OHMS);
    },
    next({ fields, mode }, view, state) {
      const volts = view.dc("plus", "return");
      const powered = mode !== "dead" && volts >= (state === DARK ? fields.startVolts : fields.stopVolts);
      if (!powered) return state === DARK ? null : { state: DARK, delay: 0.05 };
      if (state === TIRED) return null;
      if (mode === "tires" && state !== DARK) return { state: TIRED, delay: TIRES_AFTER };
      const linked = mode !== "link-dead" && view.dc("link", "return") >= fields.linkVolts;
      const wanted = linked ? LIT : NO_LINK;
      return wanted === state ? null : { state: wanted, delay: 0.4 };
    },
  },
  failures: {
    modes: (f) => [
      ...(f.tires === "yes"
        ? [
            {
              id: "tires",
              words: say.goesDarkAfterAWhile,
              odds: 1.5,
              source: "from memory" as const,
            },
          ]
        : []),
      { id: "dead", words: "dead", odds: 3, source: "from memory" },
      { id: "shorted", words: say.shortedPullsTheRailDown, odds: 1.5, source: "from memory", severity: [0.3, 3] },
      { id: "link-dead", words: say.doesNotHearTheMain, odds: 0.8, source: "from memory" },
    ],
    signs: () => [{ id: "damp", words: say.waterBehindThePanel, given: { dead: 0.2, shorted: 0.4 }, otherwise: 0.03 }],
    hinders: () => ["dead", "link-dead"],
    unitSigns: { "comes-and-goes": 0.25, damp: 0.3, storm: 0.2 },
  },
  observed: {
    observable: (f, facesOf) => ({
      what: "display",
      labels: f.shows
        ? [...new Set(["dark", "dashes", ...(facesOf?.(f.shows)?.display ?? []), FLICKERS])]
        : [...new Set([...LABELS, FLICKERS])],
    }),
    look({ fields }, view, state) {
      if (state !== LIT || !fields.shows) return LABELS[state]!;
      return view.face(fields.shows)?.display ?? "dashes";
    },
    shows: (f) => f.shows,
  },
  safety: {
    traits: ["display", "tells-codes"],
    cautions: [say.touchTheDoorsBareMetal],
  },
  service: {
    alone: say.itsRailAtItsOwn,
  },
});
