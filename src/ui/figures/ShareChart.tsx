"use client";

import { type Figures, FEW, type GroupedBy, type Share } from "../../core/figures";
import { say } from "#words/ui/figures";

export const percent = (share: number) => `${Math.round(100 * share)} %`;

interface Props {
  readonly question: string;
  readonly groups: readonly Figures[];
  pick(group: Figures): Share;
  readonly by: GroupedBy;
}

/**
 * A share of each group as a bar, and between what the true one lies as a line over it: few make a long line. It is a
 * table too, so whoever cannot see the bars hears the numbers.
 */
export function ShareChart({ question, groups, pick, by }: Props) {
  const shown = groups.filter((g) => pick(g).of > 0);
  if (shown.length === 0) return <p className="quiet">{say.nothingKnown}</p>;
  return (
    <table className="figure-bars" aria-label={question}>
      <thead className="visually-hidden">
        <tr>
          <th>{by}</th>
          <th>{say.share}</th>
          <th>{say.count}</th>
        </tr>
      </thead>
      <tbody>
        {shown.map((group) => {
          const { count, of, share, low, high } = pick(group);
          const isFew = of < FEW;
          return (
            <tr key={group.group}>
              <th scope="row">{group.group}</th>
              <td>
                <span className={`figure-bar ${isFew ? "is-few" : ""}`} aria-hidden>
                  <span className="figure-share" style={{ width: `${100 * share!}%` }} />
                  <span className="figure-range" style={{ left: `${100 * low}%`, width: `${100 * (high - low)}%` }} />
                </span>
                <span className="visually-hidden">
                  {percent(share!)}, {say.between(percent(low), percent(high))}
                </span>
              </td>
              <td className="value">
                {count} {say.of} {of}
                {isFew ? <span className="quiet"> {say.few}</span> : null}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
