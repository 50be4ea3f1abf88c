"use client";

import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Answers } from "../../core/diagnose";
import type { Desk } from "../engine/useEngine";
import type { Question } from "./job-question";

/** Answers, and the question that they answer. */
export interface Answered {
  readonly key: string;
  readonly answers: Answers;
  /** The quick answers, by single faults, that stood on the screen before these; null where none did. */
  readonly before?: Answers | null;
}

/** Milliseconds for which quick answers wait for the whole ones before they are shown; estimate E51. */
const BRIEFLY = 100;

/**
 * Answers by single faults, until those come in which more was weighed. Quick ones that ask for nothing are not shown: what
 * would end a search by them may not be its end. `desk` is null until it has its dictionary; `first` came with the page.
 */
export function useWhole(
  desk: Desk | null,
  question: Question,
  quick: Answered | null,
  first: Answered | null,
): { readonly answered: Answered | null; readonly problem: string } {
  const { evidence, unitState, key } = question;
  const isOpen = quick?.key === key && !quick.answers.isWhole;
  const whole = useQuery({
    queryKey: ["whole", desk?.id, key],
    enabled: desk !== null && isOpen,
    queryFn: async () => ({ key, answers: await desk!.remote.answers(evidence, unitState, "wide") }),
  });
  // The question whose quick ones have waited long enough; those of the page are not waited for.
  const [waited, setWaited] = useState(first?.key ?? "");
  useEffect(() => {
    if (!isOpen || whole.data) return;
    const timer = setTimeout(() => setWaited(key), BRIEFLY);
    return () => clearTimeout(timer);
  }, [isOpen, whole.data, key]);
  const [last, setLast] = useState<Answered | null>(null);
  // Until this question is answered what stood on the screen stays: the whole answers to the one before, where there were.
  let shown: Answered | null;
  if (quick?.key !== key) shown = last ?? quick;
  else if (!isOpen) shown = quick;
  else if (whole.data) shown = { ...whole.data, before: last?.key === key ? (last.before ?? last.answers) : null };
  else shown = waited === key && quick.answers.advice.next ? quick : last;
  if (shown && (shown.key !== last?.key || shown.answers !== last.answers)) setLast(shown);
  return { answered: shown, problem: whole.error?.message ?? "" };
}
