"use client";

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import { Problem } from "../engine/Problem";
import { useEngine, type Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { say } from "#words/ui/job/Outlook";

/** A line and a dash pattern for each suspect, named beneath in the same order. */
const LINES = [
  { stroke: "var(--ink)", dash: "" },
  { stroke: "var(--copper)", dash: "8 4" },
  { stroke: "var(--low)", dash: "2 4" },
  { stroke: "var(--moss)", dash: "12 4 2 4" },
  { stroke: "var(--live)", dash: "5 5" },
] as const;

interface Props {
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly job: Job;
}

/** How the suspects went, reading by reading. */
export function SuspectsOverTime({ desk, evidence, job }: Props) {
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
