"use client";

import * as Comlink from "comlink";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Coverage } from "../../core/diagnose";
import type { MachineFile } from "../../core/model";
import { LOST, openDesk } from "../shell/useDesk";

/** What a file, known by its hash, can tell apart, worked out in a worker of its own when `wanted`. */
export function useCoverage(
  file: MachineFile,
  hash: string,
  wanted: boolean,
): { readonly progress: number; readonly coverage: Coverage | null; readonly problem: string } {
  const [progress, setProgress] = useState(0);
  const { data, error } = useQuery({
    queryKey: ["coverage", hash],
    enabled: wanted,
    queryFn: ({ signal }) =>
      new Promise<Coverage>((resolve, reject) => {
        const { desk, close } = openDesk(() => reject(new Error(LOST)));
        // Whoever leaves the page ends the work.
        signal.addEventListener("abort", close);
        desk.remote
          .build(file, Comlink.proxy(setProgress))
          .then(() => desk.remote.coverage())
          .then(resolve, reject)
          .finally(close);
      }),
    gcTime: 600_000,
  });
  return { progress, coverage: data ?? null, problem: error?.message ?? "" };
}
