import type { ReactNode } from "react";
import { say } from "#words/ui/figures";

/** Width of the names beside bars, pixels. */
export const LABEL_WIDTH = 128;
const ROW = 30;

interface Props {
  readonly question: string;
  readonly rows: number;
  readonly head: readonly string[];
  readonly cells: readonly (readonly string[])[];
  readonly children: ReactNode;
}

/** A chart of bars, a row each, and its numbers beneath for whoever would rather read. */
export function BarRoom({ question, rows, head, cells, children }: Props) {
  return (
    <>
      <div role="img" aria-label={say.chartOf(question)} className="chart-room" style={{ height: rows * ROW + 8 }}>
        {children}
      </div>
      <details>
        <summary>{say.numbers}</summary>
        <table className="table figure-numbers">
          <thead>
            <tr>
              {head.map((h) => (
                <th key={h}>{h}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {cells.map((row) => (
              <tr key={row[0]}>
                {row.map((cell, i) => (
                  <td key={head[i]} className={i === 0 ? "" : "value"}>
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
