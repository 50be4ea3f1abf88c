"use client";

import { useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import type { Job } from "../../core/journal";
import { commonShelf, type MachineFile, seenByTests, withSeen } from "../../core/model";
import { useFileGrowth } from "../machine/useFileGrowth";
import { say } from "#words/ui/record";

/** What this job had before its eyes of what the machine's file only assumes; one press puts that to the file. */
export function SeenOnJob({
  job,
  file,
  hash,
}: {
  readonly job: Job;
  readonly file: MachineFile;
  readonly hash: string;
}) {
  const { busy, problem, put } = useFileGrowth(file.id);
  const [isPut, setPut] = useState(false);
  const seen = useMemo(
    () =>
      file.assumed === undefined
        ? []
        : seenByTests(
            commonShelf().of(hash, file),
            job.readings.filter((r) => !r.struck).map((r) => r.body.test),
          ),
    [job.readings, file, hash],
  );
  if (seen.length === 0) return null;
  return (
    <>
      <h2>{say.seenOnThisJob}</h2>
      <p>{seen.map((s) => s.name).join(", ")}</p>
      <p className="d-print-none">
        {isPut ? (
          <span role="status">{say.seenIsInTheFile}</span>
        ) : (
          <Button
            size="sm"
            variant="outline-dark"
            disabled={busy}
            onClick={() =>
              void put((now) =>
                withSeen(
                  now,
                  seen.map((s) => s.id),
                ),
              ).then(setPut)
            }
          >
            {say.putSeen(seen.length)}
          </Button>
        )}{" "}
        <span className="problem" role="alert">
          {problem}
        </span>
      </p>
    </>
  );
}
