"use client";

import { Bar, BarChart, CartesianGrid, LabelList, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { StepsTaken } from "../../core/figures";
import { BarRoom, LABEL_WIDTH } from "./BarRoom";
import { say, STEP_WORDS } from "#words/ui/figures";

const times = ({ took, book }: StepsTaken) => `${(took / book).toFixed(1)}×`;

/** Minutes that each kind of step took beside those of the book. */
export function StepsChart({ steps }: { steps: readonly StepsTaken[] }) {
  const shown = steps.filter((s) => s.book > 0);
  if (shown.length === 0) return null;
  const rows = shown.map((s) => ({
    name: STEP_WORDS[s.kind],
    took: Math.round(s.took),
    book: Math.round(s.book),
    times: times(s),
  }));
  return (
    <>
      <p className="figure-key quiet mb-0">
        <span className="figure-swatch is-took" aria-hidden /> {say.took}{" "}
        <span className="figure-swatch is-book" aria-hidden /> {say.book}
      </p>
      <BarRoom
        question={say.steps}
        rows={rows.length * 1.2}
        head={[say.step, say.count, say.took, say.book, "×"]}
        cells={shown.map((s) => [STEP_WORDS[s.kind], String(s.count), say.min(s.took), say.min(s.book), times(s)])}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={rows}
            layout="vertical"
            barGap={0}
            margin={{ top: 0, right: 48, bottom: 0, left: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--hair)" horizontal={false} />
            <XAxis type="number" hide />
            <YAxis type="category" dataKey="name" width={LABEL_WIDTH} tickLine={false} interval={0} />
            <Bar dataKey="took" fill="var(--copper)" isAnimationActive={false}>
              <LabelList dataKey="times" position="right" fill="var(--ink)" />
            </Bar>
            <Bar dataKey="book" fill="var(--paper)" stroke="var(--ink)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </BarRoom>
    </>
  );
}
