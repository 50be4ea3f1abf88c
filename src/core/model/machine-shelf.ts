import { Lru } from "../lru";
import { compileMachine } from "./compile/compile";
import type { Machine } from "./machine";
import type { MachineFile } from "./schema";
import { variantOf, type Change } from "./as-found";

/**
 * The one owner of compiled machines on its side of the wire: each file once, and each unit that differs from its file
 * once. Bounded; what was longest unused goes.
 */
export class MachineShelf {
  private readonly kept: Lru<string, Machine>;
  /** Machines compiled since the shelf was made. */
  compiled = 0;

  constructor(most: number) {
    this.kept = new Lru(most);
  }

  /** The machine of a file known by its hash, if it is here. */
  known(hash: string, changes: readonly Change[] = []): Machine | undefined {
    return this.kept.get(keyOf(hash, changes));
  }

  /**
   * The machine of a file, with what was found on a unit or built into it. Throws `MachineFileError` and
   * `ChangeError`.
   */
  of(hash: string, file: MachineFile, changes: readonly Change[] = []): Machine {
    const key = keyOf(hash, changes);
    let machine = this.kept.get(key);
    if (!machine) {
      machine = changes.length === 0 ? compileMachine(file) : variantOf(file, changes);
      this.compiled++;
      this.kept.set(key, machine);
    }
    return machine;
  }
}

const keyOf = (hash: string, changes: readonly Change[]) =>
  changes.length === 0 ? hash : `${hash} ${JSON.stringify(changes)}`;

/**
 * The shelf of this process or page; routes and screens are bundled apart, but what is compiled once serves all of
 * them.
 */
export function commonShelf(): MachineShelf {
  return ((globalThis as { unzoMachines?: MachineShelf }).unzoMachines ??= new MachineShelf(60));
}
