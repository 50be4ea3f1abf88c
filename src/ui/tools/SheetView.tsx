"use client";

import dynamic from "next/dynamic";
import type { Sheet, Table, Verdict } from "../../core/workbench";
import { SwitchRow } from "./SwitchRow";
import { say } from "#words/ui/tools";

const CurveView = dynamic(() => import("./CurveView").then((m) => m.CurveView), {
  ssr: false,
  loading: () => <div className="chart-room" style={{ height: 220 }} />,
});

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
