"use client";

import * as Comlink from "comlink";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Coverage } from "../../core/diagnose";
import type { MachineFile } from "../../core/model";
import { askDesk } from "../shell/useDesk";

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
      askDesk(signal, async ({ remote }) => {
        await remote.build(file, Comlink.proxy(setProgress));
        return remote.coverage();
      }),
    gcTime: 600_000,
  });
  return { progress, coverage: data ?? null, problem: error?.message ?? "" };
}
