"use client";

import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import type { MachineFile } from "../../core/model/schema";
import type { IsolationDesk } from "../../workers/isolation-desk";

export type Desk = Comlink.Remote<IsolationDesk>;

/** A desk in a worker that knows a machine, without its dictionary; null until it is there, and while no file is wanted. */
export function useDesk(file: MachineFile | null): Desk | null {
  const [open, setOpen] = useState<{ readonly desk: Desk; readonly file: MachineFile } | null>(null);
  useEffect(() => {
    if (!file) return;
    const worker = new Worker(new URL("../../workers/isolation.worker.ts", import.meta.url), { type: "module" });
    const desk = Comlink.wrap<IsolationDesk>(worker);
    let current = true;
    desk.open(file).then(
      () => {
        if (current) setOpen({ desk, file });
      },
      () => {},
    );
    return () => {
      current = false;
      worker.terminate();
    };
  }, [file]);
  return open && open.file === file ? open.desk : null;
}
