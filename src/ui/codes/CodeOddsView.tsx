"use client";

import type { Evidence, MachineCode } from "../../core/diagnose";
import { useEngine, type Desk } from "../engine/useEngine";
import { Problem } from "../engine/Problem";
import { say } from "#words/ui/codes";

interface Props {
  readonly desk: Desk | null;
  readonly code: MachineCode;
  readonly evidence?: readonly Evidence[];
  readonly setup?: string;
}

const NONE: readonly Evidence[] = [];

/** What a code makes of the suspects, by simulation of every fault, beside what the maker's table blames. */
export function CodeOddsView({ desk, code, evidence = NONE, setup }: Props) {
  const { value: odds, problem } = useEngine(desk, "codeOdds", [
    evidence,
    { part: code.part, label: code.label, blames: code.blames },
    setup,
  ]);
  if (problem) return <Problem words={problem} />;
  if (odds === undefined)
    return (
      <p className="quiet" role="status">
        {say.tryingEveryFault}
      </p>
    );
  if (odds === null) return <p className="quiet">{say.noFaultOfItsFile}</p>;
  const shown = odds.suspects.filter((s) => s.probability >= 0.02).slice(0, 5);
  return (
    <div className="code-odds">
      <p className="mb-1">
        {code.blamesName ? (
          <>
            {say.theMakersTableBlames} <strong>{code.blamesName}</strong>{" "}
            <span className="quiet">{say.blamedBySimulation(percent(odds.blamed ?? 0))}</span>
          </>
        ) : (
          <span className="quiet">{say.theMakersTableBlamesNothing}</span>
        )}
      </p>
      <ul className="odds-bars" aria-label={say.whichFaultsMakeItAppear}>
        {shown.map((s) => (
          <li key={s.assembly}>
            <span>{s.name}</span>
            <span className="suspect-word">{percent(s.probability)}</span>
            <span className="suspect-bar" aria-hidden>
              <span style={{ width: `${Math.max(1, s.probability * 100)}%` }} />
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const percent = (p: number) => `${p < 0.1 ? (p * 100).toFixed(1) : Math.round(p * 100)} %`;
