"use client";

import Link from "next/link";
import { useState } from "react";
import { everydaySetup, type Machine, type Program } from "../../core/model";
import type { Job } from "../../core/journal";
import { displayPart, makeTest, type Test } from "../../core/simulate";
import { Modes } from "../modes/Modes";
import type { Desk } from "../engine/useEngine";
import { say } from "#words/ui/job/JobModes";

interface Props {
  readonly machine: Machine;
  readonly program: Program | undefined;
  readonly desk: Desk | null;
  readonly job: Job;
  /** The leading suspect, as the fault of the stand-in. */
  readonly suspect: string | null;
  readonly onSaw: (test: Test, label: string) => Promise<boolean>;
  readonly onStand: (setup: string) => Promise<boolean>;
}

/** The modes of the unit on the job: guided, and what it showed instead is logged. */
export function JobModes({ machine, program, desk, job, suspect, onSaw, onStand }: Props) {
  const [note, setNote] = useState("");
  const display = displayPart(machine);
  // The setup of the complaint is only taken for granted; one that was stood in is known.
  const stood = job.stays.length > 1 ? machine.setupById.get(job.setup)?.mode : undefined;
  // "run" in a setup means the everyday one, whatever the program calls its modes.
  const stoodIn = stood === "run" ? undefined : stood;
  const setupOf = (mode: string) =>
    mode === program?.modes[0]
      ? everydaySetup(machine.file).id
      : [...machine.setupById.values()].find((s) => s.power === "on" && s.mode === mode)?.id;
  async function showed(mode: string, label: string) {
    const setup = setupOf(mode);
    if (!setup || !display) return setNote(say.thisMachinesFileHasNo);
    if (await onSaw(makeTest(setup, "look", display), label)) setNote(say.loggedItShowedSuspectsRe(label));
  }
  return (
    <div>
      <p className="d-flex flex-wrap gap-3 align-items-center mb-2">
        <Link
          className="btn btn-outline-dark btn-sm"
          href={`/machines/${job.opened.machine}/hand${suspect ? `?fault=${encodeURIComponent(suspect)}` : ""}`}
        >
          {say.practiseOnTheSimulator}
        </Link>
        <span className="quiet">{say.itHasTheLeadingSuspect}</span>
      </p>
      {note ? (
        <p className="sound" role="status">
          {note}
        </p>
      ) : null}
      {program && program.gestures.length > 0 ? (
        <Modes
          machine={machine}
          program={program}
          desk={desk}
          {...(stoodIn ? { start: stoodIn } : {})}
          onShowed={(mode, label) => void showed(mode, label)}
          onArrived={(mode) => {
            const setup = setupOf(mode);
            if (setup) void onStand(setup);
          }}
        />
      ) : (
        <>
          <p>{say.thisMachineHasNoMode}</p>
          <ul className="setups-how">
            {machine.file.setups.map((s) => (
              <li key={s.id}>
                <strong>{s.name}</strong> {s.how}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
