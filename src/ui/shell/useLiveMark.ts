"use client";

import { type RefObject, useEffect, useRef } from "react";

/**
 * Marks an element once the page has come to life, without drawing anything anew: what the server drew can be seen
 * before keys and buttons answer.
 */
export function useLiveMark<E extends HTMLElement>(): RefObject<E | null> {
  const ref = useRef<E>(null);
  useEffect(() => ref.current?.setAttribute("data-live", ""), []);
  return ref;
}
