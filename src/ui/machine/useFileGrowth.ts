"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { MachineFile } from "../../core/model";
import { keepMachine, machineFile } from "../../contract/machines";
import { read, send } from "../shell/send";

/** What is put to a machine's file on its page, and what became of it. */
interface FileGrowth {
  readonly busy: boolean;
  /** Why it was not put there; empty where it was. */
  readonly problem: string;
  forget(): void;
  /**
   * Puts something to the file as it is now: what was put to it a moment ago, or by somebody else, stays in it. Says
   * whether it is there; `grown` throws an error with a sentence for what does not fit.
   */
  put(grown: (now: MachineFile) => MachineFile): Promise<boolean>;
}

export function useFileGrowth(machine: string): FileGrowth {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState("");
  return {
    busy,
    problem,
    forget: () => setProblem(""),
    async put(grown) {
      setBusy(true);
      setProblem("");
      try {
        const { file } = await read(machineFile.address(machine), machineFile.answer);
        await send(keepMachine, [machine], grown(file));
        router.refresh();
        return true;
      } catch (error) {
        setProblem((error as Error).message);
        return false;
      } finally {
        setBusy(false);
      }
    },
  };
}
