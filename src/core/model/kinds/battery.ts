import { z } from "zod";
import { number } from "../scalar";
import { definePart, OPEN } from "../kind";
import { say } from "#words/core/model/kinds/battery";

/**
 * A battery, or a permanent feed from one. A `backup` cell or capacitor that only keeps a clock is no source to be
 * switched off.
 */
export const battery = definePart({
  kind: "battery",
  fields: () =>
    z.object({
      volts: number({ above: 0, max: 60 }),
      ohms: number({ above: 0, max: 10 }),
      backup: z.enum(["yes", "no"]).default("no"),
    }),
  electrical: {
    terminals: () => ["plus", "minus"],
    source: (f) => f.backup === "no",
    galvanic: () => [["plus", "minus"]],
    energises: () => [["plus", "battery"]],
    elements: () => [["plus", "minus"]],
    parameters: (f) => [
      { name: "volts", nominal: f.volts, tolerance: 0.03 },
      { name: "ohms", nominal: f.ohms, tolerance: 0.3 },
    ],
    stamp({ id, mode, severity, values, conditions }, stamp) {
      const there = conditions.isOn(id) && mode !== "open";
      stamp.conduct(0, there ? 1 / innerOhms(mode, severity, values) : OPEN);
      stamp.emf(0, there ? values[0]! * (mode === "flat" ? 0.55 : 1) : 0);
    },
  },
  failures: {
    modes: (f) => [
      { id: "flat", words: "flat", odds: 2, source: "from memory" },
      ...(f.backup === "yes"
        ? []
        : [
            {
              id: "weak",
              words: say.weakBreaksDownUnderLoad,
              odds: 1.5,
              source: "from memory" as const,
              severity: [40 * f.ohms, 200 * f.ohms] as const,
            },
          ]),
      { id: "open", words: say.cellOrTerminalOpen, odds: 0.8, source: "from memory" },
    ],
    signs: () => [
      {
        id: "corroded",
        words: say.greenOrWhiteCrustOn,
        given: { open: 0.5, flat: 0.1 },
        otherwise: 0.05,
      },
    ],
    unitSigns: { unused: 0.5 },
  },
  observed: null,
  safety: {
    traits: ["battery-arc"],
    cautions: [say.aBatteryHasNoSwitch],
    isolatedBy: "battery lead",
  },
  service: {
    alone: say.atRestThenUnderIts,
  },
});

/** Its inner resistance, in ohms. */
function innerOhms(mode: string | null, severity: number, values: readonly number[]): number {
  if (mode === "weak") return severity;
  if (mode === "flat") return 20 * values[1]!;
  return values[1]!;
}
