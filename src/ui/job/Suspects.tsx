"use client";

import dynamic from "next/dynamic";
import Button from "react-bootstrap/Button";
import type { Advice, Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import type { Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { Reasons } from "./Reasons";
import { Key } from "../shortcuts/Key";
import { useAddress } from "../shell/useAddress";
import { Term } from "../shell/Term";
import { say } from "#words/ui/job/Suspects";

// The tools are a tenth of what this page would load, and are wanted where a suspect is opened.
const ByItself = dynamic(() => import("./ByItself").then((m) => m.ByItself), { ssr: false });

interface Props {
  readonly advice: Advice | null;
  readonly progress: number;
  readonly job: Job;
  readonly machine: Machine;
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly numbers: boolean;
  readonly onNumbers: () => void;
  readonly onDiagnose: () => void;
}

/** What is still possible, in words first; and what is cleared, by which reading. */
export function Suspects({ advice, progress, job, machine, desk, evidence, numbers, onNumbers, onDiagnose }: Props) {
  const [asked, setOpened] = useAddress("suspect");
  const opened = asked === "" ? null : asked;
  const suspects = advice?.inside?.suspects ?? advice?.suspects;
  const shown = suspects?.filter((s, i) => i < 6 && s.probability >= 0.01) ?? [];
  return (
    <section className="suspects" aria-label={say.suspects}>
      <div className="panel-head">
        <h2>
          <Term of="suspects" />
        </h2>
        <Button size="sm" variant="link" aria-pressed={numbers} onClick={onNumbers}>
          {say.numbers} <Key of="numbers" />
        </Button>
        <Button size="sm" variant="outline-dark" onClick={onDiagnose} disabled={!advice}>
          {say.diagnosis} <Key of="diagnosis" />
        </Button>
      </div>
      {advice?.isWider ? (
        <p className="wider mb-1">
          <i className="bi bi-intersect" aria-hidden /> {say.noSingleFaultExplainsIt}
        </p>
      ) : null}
      {advice ? null : <p className="quiet mb-0">{say.tryingEveryFault(Math.round(progress * 100))}</p>}
      <ul>
        {shown.map((s) => (
          <li key={s.assembly}>
            <details
              open={opened === s.assembly}
              onToggle={(e) => {
                const { open } = e.currentTarget;
                if (open) setOpened(s.assembly);
                else if (opened === s.assembly) setOpened("");
              }}
            >
              <summary>
                <span className="suspect-name">{s.name}</span>
                <span className="suspect-word">
                  {numbers ? `${(s.probability * 100).toFixed(s.probability < 0.1 ? 1 : 0)} %` : s.word}
                </span>
                <span className="suspect-bar" aria-hidden>
                  <span style={{ width: `${Math.max(1, s.probability * 100)}%` }} />
                </span>
              </summary>
              <ul className="faults">
                {s.faults.slice(0, 5).map((f) => (
                  <li key={f.id}>
                    {f.name}
                    {numbers ? `, ${(f.probability * 100).toFixed(1)} %` : ""}
                  </li>
                ))}
              </ul>
              {opened === s.assembly && machine.assemblyById.has(s.assembly) ? (
                <ByItself machine={machine} job={job} assembly={s.assembly} faults={s.faults.map((f) => f.id)} />
              ) : null}
              {opened === s.assembly ? (
                <Reasons desk={desk} evidence={evidence} assembly={s.assembly} job={job} numbers={numbers} />
              ) : null}
            </details>
          </li>
        ))}
      </ul>
      {advice && advice.cleared.length > 0 ? (
        <details className="cleared">
          <summary>
            <i className="bi bi-check2" aria-hidden /> {say.clearedCountParts(advice.cleared.length)}
          </summary>
          <ul>
            {advice.cleared.map((c) => (
              <li key={c.part}>
                <strong>{c.name}</strong>{" "}
                <span className="quiet">{say.byBy(c.by.map((id) => evidenceWords(job, id)).join("; "))}</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </section>
  );
}
