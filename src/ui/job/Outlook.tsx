"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import type { Advice, Evidence, Spread } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import type { Desk } from "../engine/useEngine";
import { useMoney } from "../shell/Currency";
import { say } from "#words/ui/job/Outlook";

// Charts are a third of what this page would load, and few open one.
const SuspectsOverTime = dynamic(() => import("./SuspectsOverTime").then((m) => m.SuspectsOverTime), {
  ssr: false,
  loading: () => (
    <p className="quiet mb-0" role="status">
      {say.drawing}
    </p>
  ),
});

interface Props {
  readonly advice: Advice | null;
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly job: Job;
}

const rounded = (v: number) => (v < 10 ? Math.round(v) : 5 * Math.round(v / 5));
const range = ({ mean, low, high }: Spread, money: (amount: number) => string) => (
  <>
    <strong>{money(rounded(mean))}</strong>
    {rounded(low) === rounded(high) ? null : (
      <span className="quiet"> {say.lowToHigh(money(rounded(low)), money(rounded(high)))}</span>
    )}
  </>
);

/** What is still to come, and how the suspects went; for whoever asks. */
export function Outlook({ advice, desk, evidence, job }: Props) {
  const [open, setOpen] = useState(false);
  const money = useMoney();
  if (!advice) return null;
  return (
    <section className="outlook" aria-label={say.stillToCome}>
      {advice.toCome ? (
        <p className="mb-1">
          {say.stillToCome2} {range(advice.toCome.minutes, (m) => `${m} min`)}
          {say.partsCost} {range(advice.toCome.money, money)}
        </p>
      ) : null}
      <details onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary>{say.suspectsOverTime}</summary>
        {open ? <SuspectsOverTime desk={desk} evidence={evidence} job={job} /> : null}
      </details>
    </section>
  );
}
