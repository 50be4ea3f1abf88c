"use client";

import { useCallback, useMemo } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useKept } from "../shell/useKept";
import { ACTIONS, isSingle, type ActionId } from "./actions";

/** The keys of this person: a key for an action where it is not the usual one, and whether single keys work. */
export interface OwnKeys {
  readonly singles: boolean;
  keyOf(id: ActionId): string;
  /** Null: the usual one again. */
  setKey(id: ActionId, key: string | null): void;
  setSingles(on: boolean): void;
}

export function useOwnKeys(): OwnKeys {
  const [kept, keep] = useKept("unzo.keys");
  const [off, setOff] = useKept("unzo.single-keys");
  const own = useMemo(() => readKeys(kept), [kept]);
  const keyOf = useCallback((id: ActionId) => own[id] ?? ACTIONS[id].key, [own]);
  return {
    singles: off === "",
    keyOf,
    setKey: (id, key) => {
      const { [id]: _before, ...others } = own;
      const next = key === null || key === ACTIONS[id].key ? others : { ...others, [id]: key };
      keep(Object.keys(next).length === 0 ? "" : JSON.stringify(next));
    },
    setSingles: (on) => setOff(on ? "" : "off"),
  };
}

interface Options {
  readonly enabled?: boolean;
  /** When the key is let go, not when it goes down. */
  readonly keyup?: boolean;
  /** Where the key means something else, as on a button in focus. */
  readonly unless?: () => boolean;
}

/**
 * Does something by the key of an action. Silent while a dialog is open; a single key also while one types, and
 * where single keys are switched off.
 */
export function useShortcut(
  id: ActionId,
  does: (event: KeyboardEvent) => void,
  { enabled = true, keyup = false, unless }: Options = {},
): void {
  const { keyOf, singles } = useOwnKeys();
  const key = keyOf(id);
  const single = isSingle(key);
  const isSign = key.length === 1 && !/[a-z0-9]/i.test(key);
  useHotkeys(
    key,
    does,
    {
      enabled: enabled && (!single || singles),
      enableOnFormTags: !single,
      preventDefault: true,
      ignoreEventWhen: (e) => isDialogOpen() || unless?.() === true || (isSign && (e.altKey || e.ctrlKey || e.metaKey)),
      useKey: single && key.length === 1,
      // A sign may need Shift on one keyboard and not on another.
      ignoreModifiers: isSign,
      ...(keyup ? { keyup: true, keydown: false } : {}),
    },
    [does],
  );
}

/** Answers by digit, 1 for the first; like every single key silent in fields and dialogs. */
export function useDigits(count: number, does: (index: number) => void, enabled = true): void {
  const { singles } = useOwnKeys();
  const digits = Array.from({ length: Math.min(9, count) }, (_, i) => String(i + 1));
  useHotkeys(
    digits,
    (event) => does(Number(event.code.replace(/\D/g, "")) - 1),
    { enabled: enabled && singles && count > 0, preventDefault: true, ignoreEventWhen: isDialogOpen },
    [does],
  );
}

/** Opens by letter, `a` for the first. */
export function useLetters(count: number, does: (index: number) => void): void {
  const { singles } = useOwnKeys();
  useHotkeys(
    [...LETTERS.slice(0, count)],
    (event) => does(LETTERS.indexOf(event.key.toLowerCase())),
    { enabled: singles && count > 0, preventDefault: true, ignoreEventWhen: isDialogOpen, useKey: true },
    [does],
  );
}

/** The letters by which a list opens. */
export const LETTERS = "abcdefghijklmnopqrstuvwxyz";

/** One that fades away is open no more. */
function isDialogOpen(): boolean {
  return document.querySelector(".modal.show, dialog[open]") !== null;
}

function readKeys(kept: string): Partial<Record<ActionId, string>> {
  if (kept === "") return {};
  try {
    const read: unknown = JSON.parse(kept);
    if (read === null || typeof read !== "object") return {};
    return Object.fromEntries(Object.entries(read).filter(([id, key]) => id in ACTIONS && typeof key === "string"));
  } catch {
    return {};
  }
}
