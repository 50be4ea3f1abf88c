"use client";

import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import type { Coverage } from "../../core/diagnose/advice/coverage";
import type { MachineFile } from "../../core/model/schema";
import type { IsolationDesk } from "../../workers/isolation-desk";

/** What a file can tell apart, worked out in a worker when `wanted`. */
export function useCoverage(
  file: MachineFile,
  wanted: boolean,
): { readonly progress: number; readonly coverage: Coverage | null; readonly problem: string } {
  const [progress, setProgress] = useState(0);
  const [found, setFound] = useState<{ file: MachineFile; coverage: Coverage } | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    if (!wanted) return;
    const worker = new Worker(new URL("../../workers/isolation.worker.ts", import.meta.url), { type: "module" });
    const desk = Comlink.wrap<IsolationDesk>(worker);
    let current = true;
    desk
      .build(
        file,
        Comlink.proxy((share: number) => {
          if (current) setProgress(share);
        }),
      )
      .then(() => desk.coverage())
      .then(
        (coverage) => {
          if (current) setFound({ file, coverage });
        },
        (error: Error) => {
          if (current) setProblem(error.message);
        },
      );
    return () => {
      current = false;
      worker.terminate();
    };
  }, [file, wanted]);
  return { progress, coverage: found?.file === file ? found.coverage : null, problem };
}
