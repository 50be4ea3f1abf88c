"use client";

import { useCallback, useMemo, useState } from "react";
import { logEntry } from "../../contract/entries";
import { beginWait, endWait, type OpenWait, waiting } from "../../contract/waits";
import { type Care, handWaitBody, waitedBody } from "../../core/journal";
import { useRoute } from "../engine/useRoute";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { tellNews, useNews } from "../shell/useNews";

/** How often the list is read anew, milliseconds. */
const EVERY = 20_000;

/** Something to wait for. */
export interface NewWait {
  readonly wait: string;
  readonly words: string;
  readonly seconds: number;
  readonly care: Care;
  /** The job it belongs to; null: to none. */
  readonly job: string | null;
  readonly assembly: string | null;
}

/** Everything that is waited for, and what can be done about it; each answers whether it was taken. */
export function useWaits() {
  const { value } = useRoute(waiting, [], { every: EVERY, news: useNews() });
  const [who] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const actor = who.trim() || "Someone";
  const tell = useCallback(async (work: () => Promise<unknown>): Promise<boolean> => {
    try {
      await work();
      setProblem("");
      tellNews();
      return true;
    } catch (error) {
      setProblem((error as Error).message);
      return false;
    }
  }, []);
  const begin = useCallback(
    ({ job, wait, words, seconds, care, assembly }: NewWait, id: string) =>
      tell(() =>
        job === null
          ? send(beginWait, [], { id, actor, wait, words, seconds, care })
          : send(logEntry, [job], {
              id,
              v: 1,
              actor,
              body: handWaitBody({ wait, words, seconds, care, assembly }),
            }),
      ),
    [actor, tell],
  );
  const end = useCallback(
    ({ job, wait }: OpenWait) => {
      const id = crypto.randomUUID();
      return tell(() =>
        job === null
          ? send(endWait, [wait], { id, actor })
          : send(logEntry, [job], { id, v: 1, actor, body: waitedBody(wait) }),
      );
    },
    [actor, tell],
  );
  const waits = useMemo(() => value?.waits ?? [], [value]);
  return { waits, more: value?.more ?? 0, begin, end, problem };
}
