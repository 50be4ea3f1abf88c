import type { Part, Point } from "../machine";
import type { SetupEntry } from "../schema";
import { has } from "../traits";
import type { Report } from "./problem";
import { say } from "#words/core/model/compile";

/** The parts and points a setup names. */
interface Known {
  readonly partById: ReadonlyMap<string, Part>;
  readonly points: ReadonlyMap<string, Point>;
}

/** What a setup may not do: switch off what is no source, bridge a protection, open a gas valve. */
export function checkSetup(setup: SetupEntry, index: number, names: Known, problem: Report): void {
  setup.off.forEach((id, k) => {
    const part = names.partById.get(id);
    if (part && !part.kind.electrical.source?.(part.fields)) problem(["setups", index, "off", k], say.isNoSource(id));
  });
  setup.lamps.forEach((id, k) => {
    const part = names.partById.get(id);
    if (part && !part.kind.electrical.load) problem(["setups", index, "lamps", k], say.isNoLoadALamp(id));
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
      problem(["setups", index, "jumpers", k], say.thisBridgesOnAPowered(part.name));
  });
}

/** Gas flows only where its own control watches the flame: no bench supply and no bridge ever opens its valve. */
function checkGasValve(part: Part, setup: SetupEntry, index: number, names: Known, problem: Report): void {
  setup.feeds.forEach(({ plus, minus }, k) => {
    if (touches(part, plus, names) || touches(part, minus, names))
      problem(["setups", index, "feeds", k], say.thisFeedsPastItsControl(part.name));
  });
  if (setup.power !== "on") return;
  setup.jumpers.forEach(([a, b], k) => {
    if (touches(part, a, names) || touches(part, b, names))
      problem(["setups", index, "jumpers", k], say.thisBridgesToAGas(part.name));
  });
}

function touches(part: Part, point: string, { points }: Known): boolean {
  const node = points.get(point)?.node;
  return node !== undefined && [...part.nodeOf.values()].includes(node);
}
