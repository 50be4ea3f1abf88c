"use client";

import Link from "next/link";
import { useMemo, useState } from "react";
import Form from "react-bootstrap/Form";
import { commonShelf, type Fault, type MachineFile } from "../../core/model";
import { programOf } from "../../core/simulate";
import { Modes } from "../modes/Modes";
import { TopBar } from "../shell/TopBar";
import { useDesk } from "../shell/useDesk";
import { FrontPanel } from "./FrontPanel";
import { useMachineAtHand } from "./useMachineAtHand";
import { GuessFault } from "./GuessFault";
import { HandMeter } from "./HandMeter";
import { say } from "#words/ui/hand";

const SPEEDS = [1, 10, 60] as const;

/** A simulated machine to practise on: sound, with a fault one chooses, or with one that is hidden. */
export function HandScreen({ file, hash, hidden }: { file: MachineFile; hash: string; hidden: string | null }) {
  const machine = commonShelf().of(hash, file);
  const faults = useMemo(
    () =>
      machine.parts.flatMap((p) =>
        p.modes.map((m): { fault: Fault; words: string } => ({
          fault: { part: p.id, mode: m.id },
          words: `${p.name}: ${m.words}`,
        })),
      ),
    [machine],
  );
  const [choice, setChoice] = useState(hidden ? "hidden" : "sound");
  const [secret, setSecret] = useState<Fault | null>(
    () => faults.find((f) => `${f.fault.part}:${f.fault.mode}` === hidden)?.fault ?? null,
  );
  /** How often a lead was moved since the fault was drawn. */
  const [readings, setReadings] = useState(0);
  const [seed, setSeed] = useState(1);
  const [speed, setSpeed] = useState<number>(1);
  let fault: Fault | null;
  if (choice === "sound") fault = null;
  else if (choice === "hidden") fault = secret;
  else fault = faults.find((f) => `${f.fault.part}:${f.fault.mode}` === choice)?.fault ?? null;
  const { controls, view, problem, act, measure } = useMachineAtHand(machine, fault, seed, speed);
  const program = programOf(machine);
  const { desk } = useDesk(file);
  const choose = (value: string) => {
    setReadings(0);
    if (value === "hidden") setSecret(faults[crypto.getRandomValues(new Uint32Array(1))[0]! % faults.length]!.fault);
    setChoice(value);
    setSeed((s) => s + 1);
  };
  return (
    <div className="start">
      <TopBar here="Machines" title={`${file.maker} ${file.model}, simulator`} />
      <main id="main" tabIndex={-1} className="machine hand">
        <div className="library-head">
          <div>
            <h1>{say.makerModelSimulator(file.maker, file.model)}</h1>
            <p className="quiet mb-0">{say.worksToItsControlProgram}</p>
          </div>
          <Form.Select
            aria-label={say.fault}
            value={choice}
            onChange={(e) => choose(e.target.value)}
            className="hand-fault"
          >
            <option value="sound">{say.noFault}</option>
            <option value="hidden">{say.aHiddenFault}</option>
            {faults.map(({ fault: f, words }) => (
              <option key={`${f.part}:${f.mode}`} value={`${f.part}:${f.mode}`}>
                {words}
              </option>
            ))}
          </Form.Select>
          <Form.Select
            aria-label={say.speed}
            value={speed}
            onChange={(e) => setSpeed(Number(e.target.value))}
            className="hand-speed"
          >
            {SPEEDS.map((s) => (
              <option key={s} value={s}>
                {s === 1 ? say.realTime : say.timesAsFast(s)}
              </option>
            ))}
          </Form.Select>
          <Link className="btn btn-outline-dark" href={`/machines/${file.id}`}>
            {say.theFile}
          </Link>
        </div>
        {problem ? (
          <p className="problem" role="alert">
            {problem}
          </p>
        ) : null}
        {choice === "hidden" ? (
          <GuessFault
            key={seed}
            faults={faults}
            secret={secret}
            readings={readings}
            onAnother={() => choose("hidden")}
          />
        ) : null}
        <div className="hand-pair">
          {view ? (
            <FrontPanel machine={machine} controls={controls} view={view} act={act} />
          ) : (
            <p role="status">{say.settingItUp}</p>
          )}
          {view ? (
            <HandMeter
              machine={machine}
              unitState={view.unitState}
              measure={measure}
              onMeasured={() => setReadings((n) => n + 1)}
            />
          ) : null}
          {program && program.gestures.length > 0 ? <Modes machine={machine} program={program} desk={desk} /> : null}
        </div>
      </main>
    </div>
  );
}
