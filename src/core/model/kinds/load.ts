import { z } from "zod";
import { number } from "../scalar";
import { OPEN, type Electrical, type Instance, type Parameter, type Stamp, type View, INSULATION_OHMS } from "../kind";

/** What a coil, winding or element has to be fed with. */
export interface Rating {
  readonly current: "ac" | "dc";
  readonly volts: number;
}

/**
 * The rating plate of a coil or a small motor with two leads: what it is fed with, what it takes, what an ohmmeter
 * sees of it.
 */
export const coilPlate = () =>
  z.object({
    current: z.enum(["ac", "dc"]),
    volts: number({ above: 0, max: 300 }),
    amps: number({ above: 0, max: 20 }),
    ohms: number({ above: 0, max: 1e5 }),
  });

/** Volts across two terminals as a load rated so feels them: rms for alternating, signed for direct. */
export function fedVolts(view: View, a: string, b: string, { current }: Rating): number {
  return current === "ac" ? view.ac(a, b) : view.dc(a, b);
}

/** Whether a load is fed well enough to work: three quarters of its rating, from memory. */
export function isFed(view: View, a: string, b: string, rating: Rating): boolean {
  return Math.abs(fedVolts(view, a, b, rating)) >= 0.75 * rating.volts;
}

/**
 * Writes a winding: its resistance for direct current and the ohmmeter; for alternating current the admittance of
 * `amps` at `volts` and the given power factor, lagging.
 */
export function stampWinding(
  stamp: Stamp,
  element: number,
  ohms: number,
  rating: Rating,
  amps: number,
  powerFactor: number,
): void {
  stamp.dc(element, rating.current === "dc" ? amps / rating.volts : 1 / ohms);
  const siemens = amps / rating.volts;
  if (rating.current === "ac")
    stamp.ac(element, siemens * powerFactor, -siemens * Math.sqrt(1 - powerFactor * powerFactor));
  else stamp.ac(element, amps / rating.volts);
}

/** Writes the insulation between a part and its case: sound, or leaking through so many ohms. */
export function stampInsulation(stamp: Stamp, element: number, leaks: number | null): void {
  if (leaks !== null) return stamp.conduct(element, 1 / leaks);
  const [least, most] = INSULATION_OHMS;
  stamp.between(element, 1 / most, 1 / least);
}

/** Where along a part on the mains a leak lies, should it leak: above 1 at its fed end, else at its other one. */
export const LEAK_PLACE: Parameter = { name: "place of a leak", nominal: 1, tolerance: 1 };

/**
 * The insulation of a part that may leak anywhere along it: `ends` are the elements from its fed end and from its other
 * end to the case, `place` its `LEAK_PLACE`. At its fed end it leaks while it is fed.
 */
export function stampLeak(stamp: Stamp, ends: readonly [number, number], leaks: number | null, place: number): void {
  const [fed, other] = ends;
  const leaksWhenFed = leaks !== null && place > 1;
  stampInsulation(stamp, leaksWhenFed ? fed : other, leaks);
  stamp.conduct(leaksWhenFed ? other : fed, OPEN);
}

/**
 * What a coil or a small winding with two leads is to the circuit: its plate, its ohms, then its amperes. `stalled`: a
 * failure mode in which it draws so many times its running current, as it does in its first moments too. Only the
 * electrical facet is shared: what such a part may be used for, fed with or bridged for is said by each kind for
 * itself.
 */
export function coilElectrical(
  powerFactor: number,
  stalled?: { readonly mode: string; readonly times: number },
): Electrical<z.output<ReturnType<typeof coilPlate>>> {
  return {
    terminals: () => ["a", "b"],
    load: true,
    galvanic: () => [["a", "b"]],
    elements: () => [["a", "b"]],
    parameters: (plate) => [
      { name: "coil ohms", nominal: plate.ohms, tolerance: 0.1 },
      { name: "amps", nominal: plate.amps, tolerance: 0.15 },
    ],
    stamp({ fields, mode, values }, stamp) {
      if (mode === "open") return stamp.conduct(0, OPEN);
      const times = mode !== null && mode === stalled?.mode ? stalled.times : 1;
      stampWinding(stamp, 0, values[0]!, fields, values[1]! * times, powerFactor);
    },
    // To an ohmmeter a coil or a brushed winding is its ohms, whatever it takes when it runs.
    dead: ({ mode, values }, stamp) => stamp.conduct(0, mode === "open" ? OPEN : 1 / values[0]!),
    ...(stalled
      ? {
          stampAtStart({ fields, mode, values }: Instance<z.output<ReturnType<typeof coilPlate>>>, stamp: Stamp) {
            if (mode !== "open") stampWinding(stamp, 0, values[0]!, fields, values[1]! * stalled.times, powerFactor);
          },
        }
      : {}),
  };
}
