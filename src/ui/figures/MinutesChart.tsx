"use client";

import { Bar, BarChart, CartesianGrid, LabelList, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { Figures, GroupedBy } from "../../core/figures";
import { BarRoom, LABEL_WIDTH } from "./BarRoom";
import { say } from "#words/ui/figures";

/** The middle of the minutes that hands were on a job, group by group. */
export function MinutesChart({ groups, by }: { groups: readonly Figures[]; by: GroupedBy }) {
  const rows = groups.flatMap((g) => (g.minutes === null ? [] : [{ name: g.group, minutes: Math.round(g.minutes) }]));
  return (
    <BarRoom
      question={say.minutes}
      rows={rows.length}
      head={[by, say.minutesShort]}
      cells={rows.map((r) => [r.name, String(r.minutes)])}
    >
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          data={rows}
          layout="vertical"
          margin={{ top: 0, right: 40, bottom: 0, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--hair)" horizontal={false} />
          <XAxis type="number" hide />
          <YAxis type="category" dataKey="name" width={LABEL_WIDTH} tickLine={false} interval={0} />
          <Bar dataKey="minutes" fill="var(--copper)" isAnimationActive={false}>
            <LabelList dataKey="minutes" position="right" fill="var(--ink)" />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </BarRoom>
  );
}
