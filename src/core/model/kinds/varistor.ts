import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/varistor";

/** A varistor across the line: open until it has taken its last surge. */
export const varistor = definePart({
  kind: "varistor",
  fields: () => z.object({}),
  electrical: {
    takesUp: true,
    terminals: () => ["a", "b"],
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: () => [],
    stamp: ({ mode, severity }, stamp) => stamp.conduct(0, mode === "shorted" ? 1 / severity : OPEN),
  },
  failures: {
    modes: () => [{ id: "shorted", words: say.shortedByASurge, odds: 0.8, source: "from memory", severity: [0.3, 3] }],
    signs: () => [{ id: "split", words: say.varistorSplitSooty, given: { shorted: 0.8 }, otherwise: 0.01 }],
    unitSigns: { storm: 0.6 },
  },
  observed: null,
  safety: {
    traits: [],
  },
  service: {
    alone: say.deadOhmsAcrossItOverload,
    onBoard: () => "board fuse or filter",
  },
});
