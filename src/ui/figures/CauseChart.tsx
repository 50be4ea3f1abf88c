"use client";

import type { CostOfCause } from "../../core/figures";
import { useMoney } from "../shell/Currency";
import { say } from "#words/ui/figures";

/** What each cause came to, the dearest first. */
export function CauseChart({ causes }: { causes: readonly CostOfCause[] }) {
  const money = useMoney();
  if (causes.length === 0) return null;
  const most = Math.max(...causes.map((c) => c.cost), 1);
  return (
    <table className="figure-bars is-causes" aria-label={say.causes}>
      <thead className="visually-hidden">
        <tr>
          <th>{say.cause}</th>
          <th>{say.cost}</th>
          <th>{say.jobs}</th>
        </tr>
      </thead>
      <tbody>
        {causes.map((c) => (
          <tr key={`${c.machine} ${c.cause}`}>
            <th scope="row">
              {c.cause}
              <span className="quiet d-block">{c.machine}</span>
            </th>
            <td>
              <span className="figure-bar" aria-hidden>
                <span className="figure-share" style={{ width: `${(100 * c.cost) / most}%` }} />
              </span>
              <strong className="value">{money(c.cost)}</strong>
            </td>
            <td className="value">{c.jobs} ×</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
