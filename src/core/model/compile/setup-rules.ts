import type { Part, Point } from "../machine";
import type { SetupEntry } from "../schema";
import { has } from "../traits";
import type { Report } from "./problem";

/** The parts and points a setup names. */
interface Known {
  readonly partById: ReadonlyMap<string, Part>;
  readonly points: ReadonlyMap<string, Point>;
}

/** What a setup may not do: switch off what is no source, bridge a protection, open a gas valve. */
export function checkSetup(setup: SetupEntry, index: number, names: Known, problem: Report): void {
  setup.off.forEach((id, k) => {
    const part = names.partById.get(id);
    if (part && !part.kind.electrical.source?.(part.fields)) problem(["setups", index, "off", k], `${id} is no source`);
  });
  setup.lamps.forEach((id, k) => {
    const part = names.partById.get(id);
    if (part && !part.kind.electrical.load)
      problem(["setups", index, "lamps", k], `${id} is no load; a lamp can stand in for a load only`);
  });
  for (const part of names.partById.values()) {
    if (has(part, "protects") && setup.power === "on") checkProtection(part, setup, index, names, problem);
    if (part.kind.electrical.onlyByItsControl) checkGasValve(part, setup, index, names, problem);
  }
}

/** A protective device is never bridged while the machine is energised: it is tested dead. */
function checkProtection(part: Part, setup: SetupEntry, index: number, names: Known, problem: Report): void {
  setup.jumpers.forEach(([a, b], k) => {
    if (touches(part, a, names) && touches(part, b, names))
      problem(
        ["setups", index, "jumpers", k],
        `this bridges ${part.name} on a powered machine; a protective device is tested dead, never bypassed`,
      );
  });
}

/** Gas flows only where its own control watches the flame: no bench supply and no bridge ever opens its valve. */
function checkGasValve(part: Part, setup: SetupEntry, index: number, names: Known, problem: Report): void {
  setup.feeds.forEach(({ plus, minus }, k) => {
    if (touches(part, plus, names) || touches(part, minus, names))
      problem(
        ["setups", index, "feeds", k],
        `this feeds ${part.name} past its control; a gas valve is never fed directly`,
      );
  });
  if (setup.power !== "on") return;
  setup.jumpers.forEach(([a, b], k) => {
    if (touches(part, a, names) || touches(part, b, names))
      problem(
        ["setups", index, "jumpers", k],
        `this bridges to ${part.name}; a gas valve is worked by its own control only`,
      );
  });
}

function touches(part: Part, point: string, { points }: Known): boolean {
  const node = points.get(point)?.node;
  return node !== undefined && [...part.nodeOf.values()].includes(node);
}
