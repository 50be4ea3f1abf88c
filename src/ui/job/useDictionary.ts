"use client";

import * as Comlink from "comlink";
import { useEffect, useState } from "react";
import type { MachineFile } from "../../core/model";
import type { Desk } from "../engine/useEngine";
import { LOST, openDesk } from "../shell/useDesk";

/** What is stored at an address, unpacked; null where it is not, or not yet. */
async function storedAt(address: string | null): Promise<ArrayBuffer | null> {
  if (address === null) return null;
  try {
    const response = await fetch(address);
    if (!response.ok || !response.body) return null;
    return await new Response(response.body.pipeThrough(new DecompressionStream("gzip"))).arrayBuffer();
  } catch {
    // A bad line, or a browser that cannot unpack it: the worker builds it itself.
    return null;
  }
}

/**
 * A worker with the dictionary of a file: from the store, or else built by the worker itself; another file, another
 * worker.
 */
export function useDictionary(
  file: MachineFile,
  stored: string | null,
): {
  readonly desk: Desk | null;
  readonly isBuilt: boolean;
  readonly progress: number;
  readonly problem: string;
} {
  const [open, setOpen] = useState<{ readonly desk: Desk; readonly file: MachineFile } | null>(null);
  // Of which desk: what was found to differ makes another machine, whose dictionary is built anew; taken back, the
  // first one is.
  const [whole, setWhole] = useState<Desk | null>(null);
  const [done, setDone] = useState<{ readonly file: MachineFile; readonly share: number } | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    let current = true;
    const lost = () => {
      if (current) setProblem(LOST);
    };
    const { desk, close } = openDesk(lost);
    queueMicrotask(() => {
      if (current) setOpen({ desk, file });
    });
    const told = Comlink.proxy((share: number) => setDone({ file, share }));
    // What needs no dictionary is answered from the beginning.
    const known = desk.remote.open(file);
    Promise.all([storedAt(stored), known])
      .then(([bytes]) => bytes && desk.remote.restore(file, Comlink.transfer(new Uint8Array(bytes), [bytes])))
      .then(async (isThere) => {
        if (!isThere) await desk.remote.build(file, told);
      })
      .then(() => {
        if (current) setWhole(desk);
      }, lost);
    return () => {
      current = false;
      close();
      setOpen(null);
    };
  }, [file, stored]);
  const share = done?.file === file ? done.share : 0;
  const isBuilt = open?.file === file && whole === open.desk;
  return {
    desk: open?.desk ?? null,
    isBuilt,
    progress: isBuilt ? 1 : share,
    problem,
  };
}
