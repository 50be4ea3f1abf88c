import { inSentence } from "../quantity";
import type { FailureMode } from "./kind";
import type { Fault } from "./fault";
import type { Machine, Part } from "./machine";
import type { AssemblyEntry } from "./schema";
import { has } from "./traits";
import { say } from "#words/core/model/open-board";

/**
 * What changing one component of a board takes once the board is out: minutes with both joints looked at, and its price
 * in the shop's money, and the minutes of a joint soldered again; estimate E62.
 */
const COMPONENT = { minutes: 25, price: 3, joint: 18 } as const;

/** Whether there is more than one thing on a board to be told apart. */
export function canOpen(machine: Machine, board: string): boolean {
  if (machine.assemblyById.get(board)?.board !== true) return false;
  const names = machine.parts
    .filter((p) => p.assembly === board)
    .flatMap((p) => p.modes.map((m) => m.component ?? p.id));
  return new Set(names).size > 1;
}

/**
 * The machine with one of its boards opened: every component of it is an assembly of its own, to be found, told apart and
 * changed by itself, and the points inside the board may be asked for. The circuit is the same. Throws a RangeError for
 * what is no board.
 */
export function openBoard(machine: Machine, board: string): Machine {
  const whole = machine.assemblyById.get(board);
  if (whole?.board !== true) throw new RangeError(say.isNoBoard(board));
  const assemblyById = new Map(machine.assemblyById);
  const parts = machine.parts.map((part): Part => {
    if (part.assembly !== board) return part;
    const components = new Map(
      part.modes.map((mode): [string, string] => {
        const component = componentOf(whole, part, mode);
        assemblyById.set(component.id, component);
        return [mode.id, component.id];
      }),
    );
    return { ...part, components };
  });
  return {
    ...machine,
    parts,
    partById: new Map(parts.map((p) => [p.id, p])),
    assemblyById,
    points: pointsWithin(machine, board),
    opened: board,
  };
}

/** The machine with the points inside all of its boards to be asked for. */
export const openPoints = (machine: Machine): Machine => ({ ...machine, points: pointsWithin(machine, null) });

/** The points of a machine, those inside one board, or inside any, as those outside. */
function pointsWithin(machine: Machine, board: string | null): Machine["points"] {
  return new Map(
    [...machine.points].map(([id, { inside, ...point }]) => [
      id,
      inside === undefined || board === null || inside === board ? point : { ...point, inside },
    ]),
  );
}

/** The component of a board that a fault is in, as something to be changed by itself; null where none is to be had. */
export function componentIn(machine: Machine, { part: id, mode }: Fault): AssemblyEntry | null {
  const part = machine.partById.get(id);
  const board = part && machine.assemblyById.get(part.assembly);
  const failure = part?.modes.find((m) => m.id === mode);
  if (!part || !board?.board || !failure || isProgrammed(part)) return null;
  return componentOf(board, part, failure);
}

/** Its program is the maker's: a chip that carries one is not to be had by itself. */
const isProgrammed = (part: Part): boolean => part.kind.electrical.program !== undefined || has(part, "display");

/** The component in which a part of a board fails so, as something to be changed. */
function componentOf(board: AssemblyEntry, part: Part, { component }: FailureMode): AssemblyEntry {
  const own = {
    ...board,
    id: `${board.id}/${part.id}${component === undefined ? "" : `/${component}`}`,
    name: component === undefined ? part.name : say.componentOf(component, part.name),
    board: false,
    on: board.id,
    joints: [],
    proofs: [],
    guards: [],
    substitutes: [],
    number: undefined,
    drawing: undefined,
  };
  if (isProgrammed(part)) return { ...own, repair: board.repair };
  if (has(part, "conductor")) return { ...own, repair: say.solderItAgain, minutes: COMPONENT.joint, price: 0 };
  return {
    ...own,
    repair: say.replaceIt(inSentence(component ?? part.name)),
    minutes: COMPONENT.minutes,
    price: COMPONENT.price,
  };
}
