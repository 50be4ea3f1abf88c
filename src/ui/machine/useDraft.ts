"use client";

import { useCallback, useState } from "react";
import { useKept } from "../shell/useKept";

/** Steps kept for taking back. */
const MOST_STEPS = 100;

/** A text being edited, with undo and redo; it survives a reload until it is dropped. */
export interface Draft {
  readonly text: string;
  readonly changed: boolean;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  set(text: string): void;
  undo(): void;
  redo(): void;
  /** Forgets the draft and goes back to `original`. */
  drop(): void;
}

/** `key` names the draft in the browser's store; `original` is what it starts from. */
export function useDraft(key: string, original: string): Draft {
  const [kept, keep] = useKept(key);
  const text = kept === "" ? original : kept;
  const [past, setPast] = useState<readonly string[]>([]);
  const [future, setFuture] = useState<readonly string[]>([]);
  const set = useCallback(
    (next: string) => {
      if (next === text) return;
      setPast((p) => [...p, text].slice(-MOST_STEPS));
      setFuture([]);
      keep(next);
    },
    [text, keep],
  );
  const undo = useCallback(() => {
    const last = past[past.length - 1];
    if (last === undefined) return;
    setPast(past.slice(0, -1));
    setFuture([text, ...future]);
    keep(last);
  }, [past, future, text, keep]);
  const redo = useCallback(() => {
    const [next, ...rest] = future;
    if (next === undefined) return;
    setFuture(rest);
    setPast([...past, text]);
    keep(next);
  }, [past, future, text, keep]);
  const drop = useCallback(() => {
    setPast([]);
    setFuture([]);
    keep("");
  }, [keep]);
  return {
    text,
    changed: kept !== "" && kept !== original,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    set,
    undo,
    redo,
    drop,
  };
}
