"use client";

import * as Comlink from "comlink";
import { useEffect, useRef, useState } from "react";
import type { FileDesk, ReadText } from "../../workers/file-desk";
import { LOST } from "../shell/useDesk";

/** A text, and what reading it came to. */
interface Read {
  readonly text: string;
  readonly read: ReadText;
}

/**
 * Reads a text in a worker whenever it has changed, one reading after the other, the newest text next; what was read last
 * stays until then. `known` is a text that has been read already. `isOld`: what is answered is of an earlier text.
 */
export function useReadText(
  text: string,
  name: string,
  known: Read,
): Read & { readonly isOld: boolean; readonly problem: string } {
  const [last, setLast] = useState(known);
  const isReading = useRef(false);
  const [problem, setProblem] = useState("");
  const worker = useRef<{ readonly desk: Comlink.Remote<FileDesk>; readonly end: () => void } | null>(null);
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (isReading.current || text === last.text) return;
    if (!worker.current) {
      const made = new Worker(new URL("../../workers/file.worker.ts", import.meta.url), { type: "module" });
      made.addEventListener("error", () => setProblem(LOST));
      worker.current = { desk: Comlink.wrap<FileDesk>(made), end: () => made.terminate() };
    }
    isReading.current = true;
    worker.current.desk.read(text, name).then(
      (read) => {
        // What was typed meanwhile is read next: what is kept here brings this about.
        isReading.current = false;
        setLast({ text, read });
      },
      (error: Error) => {
        isReading.current = false;
        setProblem(error.message);
      },
    );
  }, [text, name, last.text]);
  return { ...last, isOld: last.text !== text, problem };
}
