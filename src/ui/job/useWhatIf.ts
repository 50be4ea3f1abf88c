"use client";

import { useEffect, useState } from "react";
import type { Evidence } from "../../core/diagnose/evidence/evidence";
import type { WhatIf } from "../../core/diagnose/advice/what-if";
import { testKey, type Test } from "../../core/simulate/test";
import type { Desk } from "../shell/useDesk";

/** Milliseconds a point must be looked at before the desk is asked. */
const LINGER = 120;

/** What the leading suspects predict for the test that is looked at; null while none is. */
export function useWhatIf(
  desk: Desk | null,
  evidence: readonly Evidence[],
  test: Test | null,
): readonly WhatIf[] | null {
  const key = test ? `${testKey(test)} ${evidence.map((e) => e.id).join(" ")}` : "";
  const [found, setFound] = useState<{ readonly key: string; readonly rows: readonly WhatIf[] } | null>(null);
  useEffect(() => {
    if (!desk || !test) return;
    let current = true;
    const timer = setTimeout(() => {
      desk.whatIf(evidence, test).then(
        (rows) => {
          if (current) setFound({ key, rows });
        },
        () => {},
      );
    }, LINGER);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for test and evidence
  }, [desk, key]);
  return test && found?.key === key ? found.rows : null;
}
