"use client";

import { useState } from "react";
import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Advice, Evidence, Spread } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import { useEngine, type Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { Problem } from "../engine/Problem";
import { useMoney } from "../shell/Currency";
import { say } from "#words/ui/job/Outlook";

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
        {open ? <Chart desk={desk} evidence={evidence} job={job} /> : null}
      </details>
    </section>
  );
}

/** A line and a dash pattern for each suspect, named beneath in the same order. */
const LINES = [
  { stroke: "var(--ink)", dash: "" },
  { stroke: "var(--copper)", dash: "8 4" },
  { stroke: "var(--low)", dash: "2 4" },
  { stroke: "var(--moss)", dash: "12 4 2 4" },
  { stroke: "var(--live)", dash: "5 5" },
] as const;

function Chart({ desk, evidence, job }: Omit<Props, "advice">) {
  const { value: history, problem } = useEngine(desk, "history", [evidence], true);
  if (problem) return <Problem words={problem} />;
  if (!history)
    return (
      <p className="quiet mb-0" role="status">
        {say.drawing}
      </p>
    );
  const { assemblies, steps } = history;
  const rows = steps.map((s, i) => ({
    at: i,
    ...Object.fromEntries(s.shares.map((p, k) => [`p${k}`, Math.round(1000 * p) / 10])),
  }));
  const words = (at: number) => evidenceWords(job, steps[at]?.evidence ?? "");
  return (
    <figure className="mb-0">
      <div
        className="chart-room"
        role="img"
        aria-label={say.shareOfBeliefInEach(
          assemblies
            .map((p, k) => `${p.name} now ${Math.round(100 * (steps[steps.length - 1]?.shares[k] ?? 0))} %`)
            .join(", "),
        )}
      >
        <ResponsiveContainer width="100%" height={170}>
          <LineChart data={rows} margin={{ top: 6, right: 8, bottom: 0, left: -22 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--hair)" vertical={false} />
            <XAxis dataKey="at" tickFormatter={(v: number) => (v === 0 ? "" : String(v))} tickLine={false} />
            <YAxis domain={[0, 100]} ticks={[0, 50, 100]} tickFormatter={(v: number) => `${v}`} tickLine={false} />
            <Tooltip
              labelFormatter={(at) => words(Number(at))}
              formatter={(value, name) => [`${String(value)} %`, assemblies[Number(String(name).slice(1))]?.name ?? ""]}
              isAnimationActive={false}
            />
            {assemblies.map((p, k) => (
              <Line
                key={p.assembly}
                type="linear"
                dataKey={`p${k}`}
                stroke={LINES[k]!.stroke}
                strokeDasharray={LINES[k]!.dash}
                strokeWidth={2.5}
                dot={{ r: 3, strokeDasharray: "" }}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption>
        <ul className="chart-key">
          {assemblies.map((p, k) => (
            <li key={p.assembly}>
              <svg width="34" height="10" aria-hidden>
                <line
                  x1="0"
                  x2="34"
                  y1="5"
                  y2="5"
                  stroke={LINES[k]!.stroke}
                  strokeDasharray={LINES[k]!.dash}
                  strokeWidth="3"
                />
              </svg>{" "}
              {p.name}
            </li>
          ))}
        </ul>
      </figcaption>
    </figure>
  );
}
