import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { Advice, Evidence } from "../../core/diagnose";
import type { Job } from "../../core/journal";
import type { Machine, PathEntry } from "../../core/model";
import type { Test } from "../../core/simulate";
import type { Desk } from "../engine/useEngine";
import { useAddress } from "../shell/useAddress";
import { PathView } from "./PathView";
import { useWhatIf } from "./useWhatIf";
import { say } from "#words/ui/job/PathPane";

interface Props {
  readonly job: Job;
  readonly machine: Machine;
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly advice: Advice | null;
  /** The test that is next or was chosen. */
  readonly test: Test | null;
  /** Whether it is drawn in the path. */
  readonly isTestDrawn: boolean;
  readonly numbers: boolean;
  readonly onChoose: (test: Test) => void;
}

/** The path the complaint lies on, with what was measured and where suspects lie; another can be chosen. */
export function PathPane({ job, machine, desk, evidence, advice, test, isTestDrawn, numbers, onChoose }: Props) {
  const { file } = machine;
  const complaint = file.complaints.find((c) => c.id === job.opened.complaint);
  const [asked, setPathId] = useAddress("path");
  const path = file.paths.find((p) => p.id === (asked || complaint?.path)) ?? file.paths[0]!;
  const [peek, setPeek] = useState<Test | null>(null);
  const peeked = useWhatIf(advice ? desk : null, evidence, peek);
  const elsewhere = test && !lies(machine, path, test) ? file.paths.find((p) => lies(machine, p, test)) : undefined;
  return (
    <section className="path-area" aria-label={say.path}>
      <div className="path-head">
        <Form.Select size="sm" aria-label={say.pathShown} value={path.id} onChange={(e) => setPathId(e.target.value)}>
          {file.paths.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
        {elsewhere ? (
          <Button size="sm" variant="link" onClick={() => setPathId(elsewhere.id)}>
            {say.theTestLiesOn(elsewhere.name)}
          </Button>
        ) : null}
        {peeked ? (
          <ul className="what-if" aria-label={say.whatItWouldShowThere}>
            {peeked.map((w) => (
              <li key={w.name} title={w.fault ?? undefined}>
                {w.name} <strong className="value">{w.shows}</strong>
              </li>
            ))}
          </ul>
        ) : (
          <Legend />
        )}
      </div>
      <PathView
        machine={machine}
        path={path}
        job={job}
        doubt={advice?.doubt ?? {}}
        test={isTestDrawn ? test : null}
        numbers={numbers}
        onChoose={onChoose}
        onLook={setPeek}
      />
    </section>
  );
}

/** Whether the points of a test are both on a path. */
function lies(machine: Machine, path: PathEntry, test: Test): boolean {
  const nodes = new Set(path.stages.flatMap((s) => ("at" in s ? s.at.map((id) => machine.points.get(id)!.node) : [])));
  return [test.red, test.black].every(
    (id) => id === undefined || !machine.points.has(id) || nodes.has(machine.points.get(id)!.node),
  );
}

function Legend() {
  return (
    <ul className="legend" aria-label={say.signsUsed}>
      <li>
        <span className="mark fits" aria-hidden />
        {say.asExpected}
      </li>
      <li>
        <span className="mark misfit" aria-hidden />
        {say.notAsExpected}
      </li>
      <li>
        <span className="mark open" aria-hidden />
        {say.canBeMeasured}
      </li>
      <li>
        <span className="mark doubt" aria-hidden />
        {say.suspectsLieHere}
      </li>
    </ul>
  );
}
