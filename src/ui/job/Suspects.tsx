"use client";

import Link from "next/link";
import Button from "react-bootstrap/Button";
import type { Advice, Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { rigBoards, toolFor } from "../../core/workbench";
import type { Desk } from "../engine/useEngine";
import { evidenceWords } from "./evidence-words";
import { Reasons } from "./Reasons";
import { Key } from "../shortcuts/Key";
import { useAddress } from "../shell/useAddress";
import { Term } from "../shell/Term";
import { say } from "#words/ui/job/Suspects";

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
  const shown = advice?.suspects.filter((s, i) => i < 6 && s.probability >= 0.01) ?? [];
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

/** Ways to the tools that test the parts of a suspect by themselves. */
function ByItself({
  machine,
  job,
  assembly,
  faults,
}: {
  machine: Machine;
  job: Job;
  assembly: string;
  faults: readonly string[];
}) {
  const parts = [...new Set(faults.flatMap((f) => f.split(">").map((one) => one.split(":")[0]!)))].flatMap((id) => {
    const part = machine.partById.get(id);
    const tool = part ? toolFor(part) : undefined;
    return part && tool ? [{ part, tool }] : [];
  });
  const boards = rigBoards(machine).filter((b) => b.assembly === assembly);
  const settings =
    machine.file.pieces.find((p) => p.id === assembly)?.board === true && machine.file.settings.length > 0;
  return (
    <p className="mb-1">
      <Link
        className="by-itself"
        href={`/jobs/${job.id}/repair?assembly=${assembly}&fault=${encodeURIComponent(faults[0] ?? "")}`}
      >
        <i className="bi bi-wrench-adjustable" aria-hidden /> {say.whatToDoAboutIt}
      </Link>
      {boards.map((b) => (
        <Link key={b.assembly} className="by-itself" href={`/tools/rig?job=${job.id}&board=${b.assembly}`}>
          <i className="bi bi-lightbulb" aria-hidden /> {say.onTheBenchRig(b.name)}
        </Link>
      ))}
      {settings ? (
        <Link className="by-itself" href={`/tools/settings?job=${job.id}`}>
          <i className="bi bi-toggles" aria-hidden /> {say.itsSettings}
        </Link>
      ) : null}
      {parts.slice(0, 3).map(({ part, tool }) => (
        <Link key={part.id} className="by-itself" href={`/tools/${tool.id}?job=${job.id}&part=${part.id}`}>
          <i className="bi bi-tools" aria-hidden /> {say.testByItself(part.name)}
        </Link>
      ))}
    </p>
  );
}
