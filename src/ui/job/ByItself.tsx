"use client";

import Link from "next/link";
import type { Job } from "../../core/journal";
import type { Machine } from "../../core/model";
import { rigBoards, toolFor } from "../../core/workbench";
import { say } from "#words/ui/job/ByItself";

/** Ways to the tools that test the parts of a suspect by themselves. */
export function ByItself({
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
