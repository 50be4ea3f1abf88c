import type { MachineFile, SettingEntry } from "../schema";

/**
 * A board that keeps settings behind a menu, as a person meets it: keys in, what it shows out. It knows nothing of any
 * plan, so that a plan can be tried on it before it is tried on the board.
 */
export interface MenuBoard {
  /** Value of each item as it is kept, by setting; what a board without power would come back to. */
  readonly saved: Readonly<Record<string, string>>;
  readonly inMenu: boolean;
  readonly item: number;
  /** The value that blinks, not yet saved. */
  readonly value: number;
}

/** A press of a key of the menu; `enter` is the gesture that opens it. */
export type MenuKey = "enter" | "next" | "up" | "down" | "save" | "out";

/**
 * Items of a file's menu, with their values in the order in which the keys walk through them. Empty for a machine
 * without a menu.
 */
export function menuItems(file: MachineFile): readonly SettingEntry[] {
  return (file.menu?.items ?? []).map((id) => file.settings.find((s) => s.id === id)!);
}

/** A board as it comes new, or with settings known. A value that an item does not have stands at its first. */
export function menuBoard(file: MachineFile, saved: Readonly<Record<string, string>> = {}): MenuBoard {
  const kept = Object.fromEntries(
    menuItems(file).map((s) => [
      s.id,
      s.values.some((v) => v.value === saved[s.id]) ? saved[s.id]! : (s.factory ?? s.values[0]!.value),
    ]),
  );
  return { saved: kept, inMenu: false, item: 0, value: 0 };
}

/**
 * What the board does on a key. Keys outside the menu do nothing; `next` drops what was not saved; values and items
 * go round.
 */
export function pressMenu(file: MachineFile, board: MenuBoard, key: MenuKey): MenuBoard {
  const items = menuItems(file);
  const at = (item: number): MenuBoard => ({
    ...board,
    inMenu: true,
    item,
    value: Math.max(
      0,
      items[item]!.values.findIndex((v) => v.value === board.saved[items[item]!.id]),
    ),
  });
  if (items.length === 0) return board;
  if (key === "enter") return at(0);
  if (!board.inMenu) return board;
  const { values, id } = items[board.item]!;
  switch (key) {
    case "next":
      return at((board.item + 1) % items.length);
    case "up":
      return { ...board, value: (board.value + 1) % values.length };
    case "down":
      return file.menu!.down === undefined
        ? board
        : { ...board, value: (board.value + values.length - 1) % values.length };
    case "out":
      return { ...board, inMenu: false };
    case "save":
      return { ...board, saved: { ...board.saved, [id]: values[board.value]!.value } };
  }
}

/** What a person reads while the board is in its menu; null outside. */
export function menuShows(file: MachineFile, board: MenuBoard): string | null {
  return board.inMenu ? menuItems(file)[board.item]!.values[board.value]!.value : null;
}
