"use client";

import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import { machineOdds, resetMachineOdds, type ShopOdds } from "../../contract/odds";
import { useRoute } from "../engine/useRoute";
import { send } from "../shell/send";
import { shortDate } from "../shell/time";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/machine/ShopOddsView";

const percent = (share: number) => (share < 0.001 ? "< 0.1 %" : `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`);

/** What a machine's file says of its causes, what this shop has seen of them, and what new jobs are made with. */
export function ShopOddsView({ machine }: { machine: string }) {
  const { value, problem: unread } = useRoute(machineOdds, [machine]);
  const [renewed, setRenewed] = useState<ShopOdds | null>(null);
  const [problem, setProblem] = useState("");
  const [who] = useKept("unzo.who");
  const id = useRef("");
  const odds = renewed ?? value;
  async function reset() {
    id.current ||= crypto.randomUUID();
    try {
      setRenewed(await send(resetMachineOdds, [machine], { id: id.current, actor: who.trim() || "Someone" }));
      id.current = "";
      setProblem("");
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
  if (!odds)
    return (
      <p className={unread ? "problem" : "quiet"} role={unread ? "alert" : "status"}>
        {unread || say.reading}
      </p>
    );
  const most = Math.max(...odds.rows.flatMap((r) => [r.said, r.used]), 0.01);
  return (
    <section aria-label={say.howItFails}>
      <p className="quiet">
        {say.closedRepairs(odds.jobs)} {odds.reset ? say.anewSince(shortDate(odds.reset)) : ""} {say.whatCounts}
      </p>
      {odds.rows.length === 0 ? <p>{say.nothingYet}</p> : null}
      {odds.rows.length > 0 ? (
        <>
          <table className="table decisions shop-odds">
            <thead>
              <tr>
                <th>{say.cause}</th>
                <th>{say.fileSaid}</th>
                <th>{say.seenHere}</th>
                <th>{say.usedNow}</th>
              </tr>
            </thead>
            <tbody>
              {odds.rows.map((row) => (
                <tr key={row.name}>
                  <td>
                    <strong>{row.name}</strong>
                    {Math.abs(row.elsewhere - 1) > 0.05 ? (
                      <span className="quiet d-block">{say.elsewhere(row.elsewhere.toFixed(1))}</span>
                    ) : null}
                  </td>
                  <td data-label={say.fileSaid}>{percent(row.said)}</td>
                  <td data-label={say.seenHere}>{row.seen === 0 ? say.never : row.seen.toFixed(1)}</td>
                  <td data-label={say.usedNow}>
                    <strong className="value">{percent(row.used)}</strong>
                    <span className="odds-bar" aria-hidden>
                      <span className="odds-used" style={{ width: `${(100 * row.used) / most}%` }} />
                      <span className="odds-said" style={{ left: `${(100 * row.said) / most}%` }} />
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Button variant="outline-dark" onClick={() => void reset()}>
            {say.beginAnew}
          </Button>{" "}
          <span className="quiet">{say.whatAnewDoes}</span>
        </>
      ) : null}
      <p className="problem" role="alert">
        {problem}
      </p>
    </section>
  );
}
