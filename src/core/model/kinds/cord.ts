import { z } from "zod";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/cord";

const CORES = ["line", "neutral", "earth"] as const;

/** A three-core cord from the plug's pins to the machine. */
export const cord = definePart({
  kind: "cord",
  fields: () => z.object({}),
  electrical: {
    terminals: () => CORES.flatMap((core) => [`${core}-pin`, core]),
    galvanic: () => [
      ["line-pin", "line", "neutral-pin", "neutral"],
      ["earth-pin", "earth"],
    ],
    elements: () => CORES.map((core) => [`${core}-pin`, core] as const),
    parameters: () => [{ name: "core ohms", nominal: 0.05, tolerance: 0.3 }],
    stamp({ mode, values }, stamp) {
      CORES.forEach((core, i) => stamp.conduct(i, mode === `${core}-open` ? OPEN : 1 / values[0]!));
    },
  },
  failures: {
    modes: () =>
      CORES.map((core) => ({
        id: `${core}-open`,
        words: say.coreCoreBroken(core),
        odds: core === "earth" ? 0.5 : 1,
        source: "from memory" as const,
      })),
    signs: () => [
      {
        id: "kinked",
        words: say.cordKinkedCrushedOrHot,
        given: Object.fromEntries(CORES.map((c) => [`${c}-open`, 0.4])),
        otherwise: 0.03,
      },
    ],
    unitSigns: { "worked-on": 0.25 },
  },
  observed: null,
  safety: {
    traits: ["conductor", "supply-cord", "comes-and-goes"],
    cautions: [say.pullThePlugAndKeep],
  },
  service: {
    alone: say.unpluggedOhmsFromEachPin,
  },
});
