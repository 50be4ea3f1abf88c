"use client";

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { Curve, Sheet, Table, Verdict } from "../../core/workbench";
import { SwitchRow } from "./SwitchRow";
import { say } from "#words/ui/tools";

const ICON = { good: "bi-check-lg", bad: "bi-x-lg", unsure: "bi-question-lg" } as const;
const MARK = {
  fits: ["bi-check-lg", "fits"],
  misfit: ["bi-x-lg", "does not fit"],
  check: ["bi-eye", "check"],
} as const;

/** What a tool works out: the verdict, the figures with their formulas, table and chart. */
export function SheetView({ sheet }: { sheet: Sheet }) {
  return (
    <div className="tool-sheet">
      {sheet.verdict ? <VerdictLine verdict={sheet.verdict} /> : null}
      {sheet.lines.length > 0 ? (
        <dl className="sheet-lines">
          {sheet.lines.map((line) => (
            <div key={line.label} className={line.big ? "is-big" : undefined}>
              <dt>{line.label}</dt>
              <dd>
                <span className="value">{line.text}</span>
                {line.formula || line.source ? (
                  <span className="sheet-formula">
                    {line.formula}
                    {line.formula && line.source ? "; " : ""}
                    {line.source}
                  </span>
                ) : null}
              </dd>
            </div>
          ))}
        </dl>
      ) : null}
      {sheet.switches?.map((s) => (
        <SwitchRow key={s.caption} drawing={s} />
      ))}
      {sheet.curve ? <CurveView curve={sheet.curve} /> : null}
      {sheet.table ? <TableView table={sheet.table} /> : null}
      {sheet.notes.map((n) => (
        <p key={n} className="quiet mb-1">
          {n}
        </p>
      ))}
    </div>
  );
}

export function VerdictLine({ verdict }: { verdict: Verdict }) {
  return (
    <p className={`tool-verdict is-${verdict.kind}`} role="status">
      <i className={`bi ${ICON[verdict.kind]}`} aria-hidden /> {verdict.words}
    </p>
  );
}

export function TableView({ table }: { table: Table }) {
  return (
    <div className="sheet-table" role="group" aria-label={say.table} tabIndex={0}>
      <table className="table table-sm mb-0">
        <thead>
          <tr>
            {table.head.map((h, i) => (
              <th key={i} scope="col">
                {h || <span className="visually-hidden">{say.result}</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row, r) => (
            <tr key={r} className={row.mark ? `row-${row.mark}` : undefined}>
              {row.cells.map((cell, c) => (
                <td key={c}>
                  {c === 0 && row.mark ? (
                    <i className={`bi ${MARK[row.mark][0]}`} role="img" aria-label={MARK[row.mark][1]} />
                  ) : null}
                  {c === 0 && row.mark ? " " : ""}
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const STROKES = ["var(--ink)", "var(--copper)", "var(--low)"] as const;

/** A curve, and what was measured on it as a larger dot. */
function CurveView({ curve }: { curve: Curve }) {
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
