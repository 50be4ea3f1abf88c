"use client";

import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { serverAdvice } from "../../contract/jobs";
import type { Answers } from "../../core/diagnose";
import type { MachineFile } from "../../core/model";
import type { Test } from "../../core/simulate";
import type { Desk } from "../engine/useEngine";
import { send } from "../shell/send";
import type { Question } from "./job-question";
import { useDictionary } from "./useDictionary";
import { type Answered, useWhole } from "./useWhole";
import type { ChosenTest } from "../../workers/isolation-desk";
import { say } from "#words/ui/job/useIsolation";

/** The state of the search as the screen needs it. */
export interface Search {
  /** Share of the dictionary built, 0 to 1. */
  readonly progress: number;
  /**
   * Null until there is any. `key` says for which question it was reckoned: that before stays until the answer to
   * this one is there.
   */
  readonly answered: Answered | null;
  readonly problem: string;
  describeTest(test: Test): Promise<ChosenTest>;
  /**
   * Reckons what will be asked, so that the answer is there in the render in which the question changes. `typing`: it
   * may change with the next key, so it is reckoned only when the hand pauses for about as long as an answer takes.
   */
  foresee(question: Question, typing?: boolean): void;
  /** The engine itself, for what is asked now and then; null until its worker runs. */
  readonly desk: Desk | null;
}

/** Milliseconds after an answer before the next is thought of: what the screen asks meanwhile goes first. */
const AHEAD = 100;
/**
 * Milliseconds that the hand must rest before what is half typed is reckoned: as long as an answer takes, within
 * these bounds; estimate E35.
 */
const PAUSE = [40, 400] as const;

/** What is asked about: a job, its unit's machine, and what came with its page. */
interface Asked {
  readonly job: string;
  readonly file: MachineFile;
  /** Where the dictionary of the file is stored; null for a unit that differs from its file. */
  readonly stored: string | null;
  /** The answers that came with the page. */
  readonly first: Answered | null;
}

/**
 * Keeps a worker with the machine's dictionary, and asks it whenever the question changes. `isWritten`: the journal has
 * all that the question says. What came with the page is not asked for again.
 */
export function useIsolation({ job, file, stored, first }: Asked, question: Question, isWritten: boolean): Search {
  const { evidence, unitState, key } = question;
  const client = useQueryClient();
  const { desk, isBuilt, progress, problem: lost } = useDictionary(file, stored);
  /** What is half typed and being reckoned: its answer is not asked for twice. */
  const half = useRef<{ readonly key: string; readonly answer: Promise<Answers | null> } | null>(null);
  const pause = useRef<{ took: number; timer?: ReturnType<typeof setTimeout> }>({ took: PAUSE[0] });
  const latest = useRef(question);
  useEffect(() => {
    latest.current = question;
  });

  const asking = useCallback(
    ({ evidence, unitState, key }: Question) => ({
      queryKey: ["advice", desk?.id, key],
      queryFn: async (): Promise<Answered> => {
        const typed = half.current?.key === key ? await half.current.answer : null;
        return { key, answers: typed ?? (await desk!.remote.answers(evidence, unitState, "single faults")) };
      },
    }),
    [desk],
  );
  const fromPage = first?.key === key ? first : null;
  const own = useQuery({
    ...asking(question),
    enabled: isBuilt && fromPage === null,
    placeholderData: keepPreviousData,
  });

  // While the dictionary is not here, the server may have it already: same core, same answer.
  const fromServer = useQuery({
    queryKey: [say.serverAdvice, job, key],
    enabled: !isBuilt && isWritten && fromPage === null,
    queryFn: () => send(serverAdvice, [job], unitState),
    // The own dictionary answers in a moment: what the server cannot answer is not asked twice.
    retry: false,
    placeholderData: keepPreviousData,
  });
  const theirs = fromServer.data;
  const isSame = theirs?.evidence.join(" ") === evidence.map((e) => e.id).join(" ");
  const quick = fromPage ?? own.data ?? (theirs && isSame ? { key, answers: theirs.answers } : null) ?? first;
  const { answered, problem: notWhole } = useWhole(isBuilt ? desk : null, question, quick, first);

  // While the leads are placed, what the coming answer needs is worked out.
  const answeredKey = isBuilt ? answered?.key : undefined;
  const [ahead, setAhead] = useState("");
  useEffect(() => {
    if (!desk || answeredKey === undefined || answeredKey !== latest.current.key) return;
    const { evidence, unitState } = latest.current;
    const thinking = setTimeout(() => {
      desk.remote.thinkAhead(evidence, unitState).catch((error: Error) => setAhead(error.message));
    }, AHEAD);
    return () => clearTimeout(thinking);
  }, [desk, answeredKey]);

  const foresee = useCallback(
    (coming: Question, typing = false) => {
      clearTimeout(pause.current.timer);
      if (!isBuilt || !desk || coming.key === latest.current.key) return;
      const { queryKey } = asking(coming);
      if (!typing) return void client.prefetchQuery(asking(coming));
      if (half.current?.key === coming.key || client.getQueryData(queryKey)) return;
      pause.current.timer = setTimeout(
        () => {
          const start = performance.now();
          const answer = desk.remote.answersHalf(coming.evidence, coming.unitState);
          half.current = { key: coming.key, answer };
          answer.then(
            (found) => {
              pause.current.took = performance.now() - start;
              if (found) client.setQueryData(queryKey, { key: coming.key, answers: found });
            },
            (error: Error) => setAhead(error.message),
          );
        },
        Math.min(PAUSE[1], Math.max(PAUSE[0], pause.current.took)),
      );
    },
    [isBuilt, desk, client, asking],
  );

  const describeTest = useCallback(
    async (test: Test): Promise<ChosenTest> => {
      if (!desk) throw new Error(say.theComputationIsNotReady);
      return desk.remote.describeTest(latest.current.evidence, latest.current.unitState, test);
    },
    [desk],
  );

  return { progress, answered, problem: lost || own.error?.message || notWhole || ahead, describeTest, foresee, desk };
}
