"use client";

import { useSyncExternalStore } from "react";
import { isSingle, type ActionId } from "./actions";
import { LETTERS, useOwnKeys } from "./useShortcut";

/** The key of an action as the person's keyboard has it; nothing where single keys are off. */
export function Key({ of }: { readonly of: ActionId }) {
  const { keyOf, singles } = useOwnKeys();
  const key = keyOf(of);
  const isApple = useIsApple();
  if (isSingle(key) && !singles) return null;
  return <kbd>{keyWords(key, isApple)}</kbd>;
}

/** A digit that answers; nothing where single keys are off. */
export function Digit({ n }: { readonly n: number }) {
  const { singles } = useOwnKeys();
  return singles && n <= 9 ? <kbd>{n}</kbd> : null;
}

/** A letter that opens; nothing where single keys are off. */
export function Letter({ n }: { readonly n: number }) {
  const { singles } = useOwnKeys();
  return singles && n < LETTERS.length ? <kbd>{LETTERS[n]}</kbd> : null;
}

/** A key in words: "Alt W", or the sign of an Apple keyboard. */
export function keyWords(key: string, isApple: boolean): string {
  const isChord = key.includes("+");
  return key
    .split("+")
    .map((k) => {
      if (k === "alt") return isApple ? "⌥" : "Alt";
      return NAMES[k] ?? (isChord ? k.toUpperCase() : k);
    })
    .join(" ");
}

const NAMES: Readonly<Record<string, string>> = { space: "Space", backspace: "⌫", up: "↑", down: "↓" };

export function useIsApple(): boolean {
  return useSyncExternalStore(
    () => () => undefined,
    () => /Mac|iPhone|iPad/.test(navigator.userAgent),
    () => false,
  );
}
