"use client";

import type { Evidence, WhatIf } from "../../core/diagnose";
import type { Test } from "../../core/simulate";
import { useEngine, type Desk } from "../engine/useEngine";
import { useDebounced } from "../shell/useDebounced";

/** Milliseconds a point must be looked at before the engine is asked. */
const LINGER = 120;

/**
 * What the leading suspects predict for the test that is looked at; null while none is. Where it cannot be worked out
 * nothing is shown: it is a help only.
 */
export function useWhatIf(
  desk: Desk | null,
  evidence: readonly Evidence[],
  test: Test | null,
): readonly WhatIf[] | null {
  const looked = useDebounced(test, LINGER);
  const { value } = useEngine(desk, "whatIf", looked ? [evidence, looked] : null);
  return test !== null && test === looked ? (value ?? null) : null;
}
