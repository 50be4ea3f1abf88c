import { type Fault, faultId, openBoard, openPoints, withInnerShorts } from "../../model";
import { openedHypotheses } from "../hypotheses/what-opened-it";
import { FaultDictionary } from "./fault-dictionary";

/**
 * Dictionaries for what a search goes on to once the assembly is known. Each is built when it is first asked for, and kept
 * beside the one it goes on from.
 */
interface Further {
  readonly boards: Map<string, FaultDictionary>;
  readonly bringers: Map<string, FaultDictionary | null>;
}

const KEPT = new WeakMap<FaultDictionary, Further>();

function furtherOf(dictionary: FaultDictionary): Further {
  let further = KEPT.get(dictionary);
  if (!further) KEPT.set(dictionary, (further = { boards: new Map(), bringers: new Map() }));
  return further;
}

/** The dictionary of the components of one board; see `openBoard`. Throws a RangeError for what is no board. */
export function insideOf(dictionary: FaultDictionary, board: string): FaultDictionary {
  const { boards } = furtherOf(dictionary);
  let inside = boards.get(board);
  if (!inside) {
    inside = FaultDictionary.of(openBoard(dictionary.machine, board), dictionary.meter);
    inside.build();
    boards.set(board, inside);
  }
  return inside;
}

/**
 * The dictionary of what may have brought about faults that something else brings about, of which there is one: a blown
 * fuse, a welded contact; null where nothing in the file does. `repairsBoards`: points inside boards are asked for too.
 */
export function bringersOf(
  dictionary: FaultDictionary,
  faults: readonly Fault[],
  repairsBoards = false,
): FaultDictionary | null {
  const { bringers } = furtherOf(dictionary);
  const key = `${repairsBoards} ${faults.map(faultId).join(" ")}`;
  let known = bringers.get(key);
  if (known === undefined) {
    const { machine, meter } = dictionary;
    const shorts = withInnerShorts(machine);
    const own = openedHypotheses(shorts, faults);
    known = own && FaultDictionary.of(repairsBoards ? openPoints(shorts) : shorts, meter, own);
    known?.build();
    bringers.set(key, known);
  }
  return known;
}
