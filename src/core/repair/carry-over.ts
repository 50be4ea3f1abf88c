import { type Machine, menuBoard, menuItems, type MenuKey, menuShows, pressMenu, type MachineFile } from "../model";
import type { Job } from "../journal";
import { settingWords } from "../workbench";
import { say } from "#words/core/repair/carry-over";

/** One thing to do to the new board, and what it shows then. */
export interface KeyStep {
  readonly key: MenuKey;
  /** As the keys are labelled: "NEXT, 3 times". */
  readonly words: string;
  readonly times: number;
  /** What the display shows after it; null outside the menu. */
  readonly shows: string | null;
}

/** A setting to be carried over. */
export interface Carried {
  readonly setting: string;
  readonly name: string;
  /** What the old board was found at; null: not recorded yet. */
  readonly value: string | null;
  readonly words: string;
  readonly by: "menu" | "switches" | "hand";
  readonly where: string;
}

/** How the settings of the old board get onto the new one. */
export interface CarryOver {
  /** What is read first, before the old board comes out. */
  readonly settings: readonly Carried[];
  /** What a board shows that was never set, and the seconds it takes to wake. */
  readonly virgin: { readonly shows: string; readonly wakes: number } | null;
  readonly keys: readonly KeyStep[];
  /**
   * Whether the keys, pressed on the simulated board, leave every setting as it was found; null where nothing is
   * entered by keys.
   */
  readonly checked: boolean | null;
  /** Settings that are not recorded. */
  readonly missing: readonly string[];
}

/** Values recorded as found on this unit, the last of each. */
export function foundSettings(job: Job): Readonly<Record<string, string>> {
  return Object.fromEntries(
    job.answers.flatMap(({ body }) =>
      body.type === "setting" && body.moment === "found" ? [[body.setting, body.value]] : [],
    ),
  );
}

/**
 * The keys that bring a menu from what a new board has to the values wanted, the shorter way round, each item saved.
 */
export function menuKeys(
  file: Machine["file"],
  wanted: Readonly<Record<string, string>>,
  before: Readonly<Record<string, string>> = {},
): readonly { readonly key: MenuKey; readonly times: number }[] {
  const items = menuItems(file);
  const board = menuBoard(file, before);
  const keys: { key: MenuKey; times: number }[] = [];
  let steps = 0;
  items.forEach((item) => {
    const to = item.values.findIndex((v) => v.value === wanted[item.id]);
    const from = item.values.findIndex((v) => v.value === board.saved[item.id]);
    if (to < 0 || to === from) {
      steps++;
      return;
    }
    if (keys.length === 0) keys.push({ key: "enter", times: 1 });
    if (steps > 0) keys.push({ key: "next", times: steps });
    steps = 1;
    const up = (to - from + item.values.length) % item.values.length;
    const down = item.values.length - up;
    keys.push(file.menu!.down !== undefined && down < up ? { key: "down", times: down } : { key: "up", times: up });
    keys.push({ key: "save", times: 1 });
  });
  if (keys.length > 0 && file.menu!.out !== undefined) keys.push({ key: "out", times: 1 });
  return keys;
}

/**
 * How the settings found on a unit get onto its new board. The keys are pressed on a simulated new board first:
 * `checked` says what came of it.
 */
export function carryOver(machine: Machine, job: Job): CarryOver {
  const { file } = machine;
  const { menu } = file;
  const found = foundSettings(job);
  const settings = file.settings.map((s): Carried => ({
    setting: s.id,
    name: s.name,
    value: found[s.id] ?? null,
    words: found[s.id] === undefined ? "" : settingWords(s, found[s.id]!),
    where: s.where,
    by: wayToSet(menu, s, found[s.id]),
  }));
  const { keys, saved } = pressed(file, found);
  const byMenu = settings.filter((s) => s.by === "menu" && s.value !== null);
  return {
    settings,
    keys,
    virgin: menu?.virgin ? { shows: menu.virgin, wakes: menu.wakes } : null,
    checked: byMenu.length === 0 ? null : byMenu.every((s) => saved[s.setting] === s.value),
    missing: settings.filter((s) => s.value === null).map((s) => s.name),
  };
}

/** The keys to the values wanted, pressed on a simulated board that has those `before`, and what it keeps then. */
function pressed(
  file: MachineFile,
  wanted: Readonly<Record<string, string>>,
  before: Readonly<Record<string, string>> = {},
): { readonly keys: readonly KeyStep[]; readonly saved: Readonly<Record<string, string>> } {
  const { menu } = file;
  if (!menu) return { keys: [], saved: before };
  const label: Record<MenuKey, string> = {
    enter: menu.how,
    next: menu.next,
    up: menu.up,
    down: menu.down ?? "",
    save: menu.holds > 0 ? say.holdSaveHoldsS(menu.save, menu.holds) : menu.save,
    out: menu.out ?? "",
  };
  let board = menuBoard(file, before);
  const keys = menuKeys(file, wanted, before).map(({ key, times }): KeyStep => {
    for (let k = 0; k < times; k++) board = pressMenu(file, board, key);
    return { key, times, words: `${label[key]}${times > 1 ? `, ${times} times` : ""}`, shows: menuShows(file, board) };
  });
  return { keys, saved: board.saved };
}

/** How one setting of a living board is changed. */
export interface SettingChange extends Carried {
  /** Keys from what is set now; none where it is not set by keys. */
  readonly keys: readonly KeyStep[];
  /** Whether the keys on a simulated board leave this setting at its new value and every other as it was. */
  readonly checked: boolean | null;
}

/**
 * How a setting is brought from what was found to another value, all others left alone. Throws a RangeError for a
 * setting the machine has not.
 */
export function changeSetting(machine: Machine, job: Job, setting: string, value: string): SettingChange {
  const { file } = machine;
  const s = file.settings.find((x) => x.id === setting);
  if (!s) throw new RangeError(say.noSetting(setting));
  const by = wayToSet(file.menu, s, value);
  const found = foundSettings(job);
  const wanted = { ...found, [setting]: value };
  const { keys, saved } = by === "menu" ? pressed(file, wanted, found) : { keys: [], saved: {} };
  const others = Object.entries(found).filter(([id]) => id !== setting && file.menu?.items.includes(id));
  return {
    setting,
    name: s.name,
    value,
    words: settingWords(s, value),
    where: s.where,
    by,
    keys,
    checked: by === "menu" ? saved[setting] === value && others.every(([id, v]) => saved[id] === v) : null,
  };
}

/** How a setting is made. */
function wayToSet(
  menu: MachineFile["menu"],
  s: MachineFile["settings"][number],
  value: string | undefined,
): "switches" | "menu" | "hand" {
  // A code that is in no table is keyed in sign by sign, as its board asks for it.
  if (menu?.items.includes(s.id) && (!s.rule || s.values.some((v) => v.value === value))) return "menu";
  if (s.coding) return "switches";
  return "hand";
}
