"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import { quantityText } from "../../core/quantity";
import { say } from "#words/ui/sleep";

/** A current over time, on a logarithmic scale: awake and asleep lie decades apart. */
export function CurrentChart({ points, limit }: { points: readonly (readonly [number, number])[]; limit: number }) {
  const floor = Math.min(limit, ...points.map(([, a]) => Math.abs(a)).filter((a) => a > 0)) / 2;
  const rows = points.map(([t, a]) => ({ t, a: Math.max(Math.abs(a), floor) }));
  return (
    <figure className="chart-room mb-0" role="img" aria-label={say.currentOverTimeWithThe}>
      <ResponsiveContainer width="100%" height={230}>
        <LineChart data={rows} margin={{ top: 8, right: 12, bottom: 4, left: 12 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" />
          <XAxis
            dataKey="t"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={(v: number) => quantityText(v, "seconds")}
          />
          <YAxis
            scale="log"
            domain={["auto", "auto"]}
            tickFormatter={(v: number) => quantityText(v, "amperes").replace(/\.0+(?= )/, "")}
            width={70}
          />
          <ReferenceLine
            y={limit}
            stroke="var(--live)"
            strokeDasharray="6 4"
            label={{ value: "limit", position: "insideTopRight", fill: "var(--live)" }}
          />
          <Line dataKey="a" stroke="var(--ink)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
