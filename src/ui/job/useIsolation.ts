"use client";

import * as Comlink from "comlink";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Advice } from "../../core/diagnose/advice/advise";
import type { Evidence } from "../../core/diagnose/evidence/evidence";
import type { MachineFile } from "../../core/model/schema";
import type { Test } from "../../core/simulate/test";
import { send } from "../shell/send";
import type { Desk } from "../shell/useDesk";
import type { ChosenTest, IsolationDesk, PlainStanding } from "../../workers/isolation-desk";

/** The state of the search as the screen needs it. */
export interface Search {
  /** Share of the dictionary built, 0 to 1. */
  readonly progress: number;
  /** Null until the dictionary is built. `key` says for which evidence it was reckoned. */
  readonly advice: { readonly key: string; readonly advice: Advice } | null;
  readonly problem: string;
  layOut(test: Test): Promise<ChosenTest>;
  /**
   * Reckons what will be asked, so that the answer is there in the render in which the question changes. `typing`: it may change with the
   * next key, so it is reckoned only when the hand pauses for about as long as an answer takes.
   */
  foresee(question: Question, typing?: boolean): void;
  /** The desk itself, for what is asked now and then; null until its worker runs. */
  readonly desk: Desk | null;
}

/** What advice is asked for; `key` names it: the same key, the same answer. */
export interface Question {
  readonly evidence: readonly Evidence[];
  readonly standing: PlainStanding;
  readonly key: string;
}

/** Milliseconds after an answer before the next is thought of: what the screen asks meanwhile goes first. */
const AHEAD = 100;

/** Milliseconds that the hand must rest before what is half typed is reckoned: as long as an answer takes, within these bounds; judgement. */
const PAUSE = [40, 400] as const;

/** Keeps a worker with the machine's dictionary, and asks it for advice whenever the question changes. `isWritten`: the journal has all that the question says. */
export function useIsolation(job: string, file: MachineFile, question: Question, isWritten: boolean): Search {
  const { evidence, standing, key } = question;
  const desk = useRef<Comlink.Remote<IsolationDesk> | null>(null);
  // Kept in an object: a remote is callable, and React would call it.
  const [open, setOpen] = useState<{ readonly desk: Desk; readonly file: MachineFile } | null>(null);
  // Of which desk: what was found to differ makes another machine, whose dictionary is built anew; taken back, the first one is.
  const [whole, setWhole] = useState<{ readonly desk: Desk } | null>(null);
  const [done, setDone] = useState<{ readonly file: MachineFile; readonly share: number } | null>(null);
  const built = open?.file === file && whole?.desk === open.desk;
  const progress = built ? 1 : done?.file === file ? done.share : 0;
  const [advice, setAdvice] = useState<Search["advice"]>(null);
  const [problem, setProblem] = useState("");
  const latest = useRef({ evidence, standing });
  const lastKey = useRef(key);
  const early = useRef<{
    readonly key: string;
    readonly answer: Promise<Advice | null>;
    readonly result: Advice | null;
  } | null>(null);
  const pause = useRef<{ took: number; timer?: ReturnType<typeof setTimeout> }>({ took: PAUSE[0] });
  const [ahead, setAhead] = useState<Search["advice"]>(null);
  useEffect(() => {
    latest.current = { evidence, standing };
    lastKey.current = key;
  });

  useEffect(() => {
    const worker = new Worker(new URL("../../workers/isolation.worker.ts", import.meta.url), { type: "module" });
    const remote = Comlink.wrap<IsolationDesk>(worker);
    desk.current = remote;
    queueMicrotask(() => {
      if (desk.current === remote) setOpen({ desk: remote, file });
    });
    const lost = () => setProblem("The computation stopped. Reload the page; nothing is lost.");
    worker.addEventListener("error", lost);
    remote
      .build(
        file,
        Comlink.proxy((share: number) => setDone({ file, share })),
      )
      .then(() => setWhole({ desk: remote }), lost);
    return () => {
      worker.terminate();
      desk.current = null;
      early.current = null;
      setOpen(null);
    };
  }, [file]);

  useEffect(() => {
    if (!built || !desk.current) return;
    let current = true;
    const { evidence, standing } = latest.current;
    let thinking: ReturnType<typeof setTimeout> | undefined;
    const remote = desk.current;
    const anew = () => remote.advise(evidence, standing);
    const asked = early.current?.key === key ? early.current.answer.then((answer) => answer ?? anew()) : anew();
    early.current = null;
    asked.then(
      (result) => {
        if (!current) return;
        setAdvice({ key, advice: result });
        // While the leads are placed, what the coming answer needs is worked out.
        thinking = setTimeout(() => {
          desk.current?.thinkAhead(evidence, standing).catch(() => undefined);
        }, AHEAD);
      },
      (error: Error) => {
        if (current) setProblem(error.message);
      },
    );
    return () => {
      current = false;
      clearTimeout(thinking);
    };
  }, [built, key]);

  const foresee = useCallback(
    (coming: Question, typing = false) => {
      const { evidence, standing, key } = coming;
      clearTimeout(pause.current.timer);
      if (!built || !desk.current || key === lastKey.current) return;
      // Already reckoned while it was typed: it comes to the screen with the entry.
      if (early.current?.key === key && (typing || early.current.result)) {
        if (!typing) setAhead({ key, advice: early.current.result! });
        return;
      }
      const remote = desk.current;
      const ask = () => {
        const start = performance.now();
        const half = early.current?.key === key ? early.current.answer : null;
        const answer = typing
          ? remote.adviseHalf(evidence, standing)
          : half
            ? half.then((known) => known ?? remote.advise(evidence, standing))
            : remote.advise(evidence, standing);
        early.current = { key, answer, result: null };
        answer.then(
          (result) => {
            pause.current.took = performance.now() - start;
            if (early.current?.key === key) early.current = { key, answer, result };
            if (!typing && result) setAhead({ key, advice: result });
          },
          () => undefined,
        );
      };
      if (typing)
        pause.current.timer = setTimeout(
          () => {
            if (desk.current === remote) ask();
          },
          Math.min(PAUSE[1], Math.max(PAUSE[0], pause.current.took)),
        );
      else ask();
    },
    [built],
  );

  // While the dictionary is being built here, the server may have it already: same core, same answer.
  useEffect(() => {
    if (built || !isWritten) return;
    let current = true;
    const { evidence, standing } = latest.current;
    send<{ evidence: readonly string[]; advice: Advice } | null>(`/api/jobs/${job}/advice`, standing).then(
      (result) => {
        if (current && result && result.evidence.join(" ") === evidence.map((e) => e.id).join(" "))
          setAdvice((own) => (own?.key === key ? own : { key, advice: result.advice }));
      },
      () => {
        /* the own dictionary answers in a moment */
      },
    );
    return () => {
      current = false;
    };
  }, [built, job, key, isWritten]);

  const layOut = useCallback(async (test: Test): Promise<ChosenTest> => {
    if (!desk.current) throw new Error("The computation is not ready yet.");
    return desk.current.layOut(latest.current.evidence, latest.current.standing, test);
  }, []);

  // What was reckoned ahead is there in the very render in which the journal has the entry.
  return {
    progress,
    advice: advice?.key !== key && ahead?.key === key ? ahead : advice,
    problem,
    layOut,
    foresee,
    desk: open?.desk ?? null,
  };
}
