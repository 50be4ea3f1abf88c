"use client";

import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import type { MachineFile } from "../../core/model";
import type { IsolationDesk } from "../../workers/isolation-desk";
import type { Desk } from "../engine/useEngine";
import { say } from "#words/ui/shell";

let made = 0;

/** A worker with an engine in it, and the way to end it. `lost` is told when it stops by itself. */
export function openDesk(lost: () => void): { readonly desk: Desk; close(): void } {
  const worker = new Worker(new URL("../../workers/isolation.worker.ts", import.meta.url), { type: "module" });
  worker.addEventListener("error", lost);
  return {
    desk: { id: ++made, remote: Comlink.wrap<IsolationDesk>(worker) },
    close: () => worker.terminate(),
  };
}

/** What is said when an engine stopped. */
export const LOST = say.theComputationStoppedReloadThe;

/** Asks something of a worker of its own, which ends with the answer, or with whoever leaves the page. */
export function askDesk<T>(signal: AbortSignal, ask: (desk: Desk) => Promise<T>): Promise<T> {
  return new Promise<T>((resolve, reject) => {
    const { desk, close } = openDesk(() => reject(new Error(LOST)));
    signal.addEventListener("abort", close);
    ask(desk).then(resolve, reject).finally(close);
  });
}

/** An engine that knows a machine, without its dictionary; null until it is there, and while no file is wanted. */
export function useDesk(file: MachineFile | null): { readonly desk: Desk | null; readonly problem: string } {
  const [open, setOpen] = useState<{ readonly desk: Desk; readonly file: MachineFile } | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    if (!file) return;
    let current = true;
    const lost = () => {
      if (current) setProblem(LOST);
    };
    const { desk, close } = openDesk(lost);
    desk.remote.open(file).then(() => {
      if (current) setOpen({ desk, file });
    }, lost);
    return () => {
      current = false;
      close();
    };
  }, [file]);
  return { desk: open && open.file === file ? open.desk : null, problem };
}
