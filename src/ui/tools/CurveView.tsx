"use client";

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Curve } from "../../core/workbench";

const STROKES = ["var(--ink)", "var(--copper)", "var(--low)"] as const;

/** A curve, and what was measured on it as a larger dot. */
export function CurveView({ curve }: { curve: Curve }) {
  const keyed = curve.lines.map((line, i) => ({ ...line, key: `y${i}` }));
  const rows = keyed.flatMap((line) => line.points.map(([x, y]) => ({ x, [line.key]: y }))).sort((a, b) => a.x - b.x);
  return (
    <figure
      className="chart-room"
      role="img"
      aria-label={`${curve.y} against ${curve.x}: ${curve.lines.map((l) => l.name).join(", ")}`}
    >
      <ResponsiveContainer width="100%" height={220}>
        <LineChart data={rows} margin={{ top: 8, right: 12, bottom: 14, left: 4 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" />
          <XAxis
            dataKey="x"
            type="number"
            domain={["dataMin", "dataMax"]}
            tickFormatter={(v: number) => String(Math.round(v))}
            label={{ value: curve.x, position: "insideBottom", offset: -8 }}
          />
          <YAxis
            scale={curve.logarithmic ? "log" : "linear"}
            domain={curve.logarithmic ? ["auto", "auto"] : ["auto", "auto"]}
            tickFormatter={(v: number) => (Math.abs(v) >= 1000 ? `${v / 1000}k` : String(Number(v.toPrecision(3))))}
            width={56}
            label={{ value: curve.y, angle: -90, position: "insideLeft" }}
          />
          <Tooltip
            labelFormatter={(x) => `${Number(x).toPrecision(3)} ${curve.x}`}
            formatter={(value, name) => [Number(value).toPrecision(4), keyed.find((l) => l.key === name)?.name ?? ""]}
            isAnimationActive={false}
          />
          {keyed.map((line, i) => (
            <Line
              key={line.key}
              dataKey={line.key}
              stroke={STROKES[i % 3]!}
              strokeWidth={line.dots ? 0 : 2.5}
              dot={line.dots ? { r: 6, fill: STROKES[i % 3]!, stroke: "var(--paper)" } : false}
              connectNulls
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
