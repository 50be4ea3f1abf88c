"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { MachineFile } from "../../core/model";
import { useDebounced } from "../shell/useDebounced";
import { askDesk } from "../shell/useDesk";
import { say } from "#words/ui/machine/FileDoubts";

/** Milliseconds without a change after which a file is looked at. */
const SETTLES = 700;

/** What is odd about a well-formed file, worked out in a worker of its own; nothing where nothing is. */
export function FileDoubts({ file, version }: { readonly file: MachineFile; readonly version: string }) {
  // While somebody types, what was said last stays.
  const settled = useDebounced(version, SETTLES);
  const { data } = useQuery({
    queryKey: ["doubts", version],
    enabled: settled === version,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => askDesk(signal, (desk) => desk.remote.doubts(file)),
    gcTime: 60_000,
    retry: false,
  });
  if (!data || data.length === 0) return null;
  return (
    <section className="file-doubts" aria-label={say.worthALook}>
      <h2>{say.worthALook}</h2>
      <ul>
        {data.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </section>
  );
}
