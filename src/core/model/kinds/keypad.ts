import { z } from "zod";
import { id } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/keypad";

/** A keypad as a matrix: each key joins two of its pins. */
export const keypad = definePart({
  kind: "keypad",
  fields: () => z.object({ keys: z.record(id, z.tuple([id, id])) }),
  contradictions: (f) => (Object.keys(f.keys).length === 0 ? [say.aKeypadNeedsAtLeast] : []),
  electrical: {
    terminals: (f) => [...new Set(Object.values(f.keys).flat())],
    galvanic: (f) => [[...new Set(Object.values(f.keys).flat())]],
    elements: (f) => Object.values(f.keys).map(([a, b]) => [a, b] as const),
    parameters: () => [{ name: "key ohms", nominal: 80, tolerance: 0.5 }],
    stamp({ fields, mode, values, conditions }, stamp) {
      Object.keys(fields.keys).forEach((key, i) => {
        const closed = mode === `${key}-stuck` || (mode !== `${key}-dead` && conditions.pressed.has(key));
        // A key carries direct current only; the alternating side of the circuit is left alone.
        stamp.dc(i, closed ? 1 / values[0]! : OPEN);
        stamp.ac(i, OPEN);
      });
    },
  },
  failures: {
    modes: (f) =>
      Object.keys(f.keys).flatMap((key) => [
        { id: `${key}-dead`, words: say.keyKeyDead(key), odds: 0.5, source: "from memory" as const },
        { id: `${key}-stuck`, words: say.keyKeyStuck(key), odds: 0.25, source: "from memory" as const },
      ]),
    signs: (f) => [
      {
        id: "damp",
        words: say.waterUnderTheKeyFoil,
        given: Object.fromEntries(
          Object.keys(f.keys).flatMap((k) => [
            [`${k}-dead`, 0.2],
            [`${k}-stuck`, 0.3],
          ]),
        ),
        otherwise: 0.03,
      },
    ],
    hinders: (_f, { keys }) => keys.flatMap((key) => [`${key}-dead`, `${key}-stuck`]),
    unitSigns: { damp: 0.45 },
  },
  observed: {
    keys: (f) => Object.keys(f.keys),
  },
  safety: {
    traits: [],
  },
  service: {
    alone: say.plugOffOhmsBetweenThe,
  },
});
