"use client";

import { useState } from "react";
import Form from "react-bootstrap/Form";
import { type EventBody, type Job, seenStage } from "../../core/journal";
import type { MachineFile } from "../../core/model";
import { Photos } from "../repair/Photos";
import { say } from "#words/ui/job/SeenDialog";

/** A photo of an assembly, with marks; kept with the job, offered to the file as the picture of that assembly. */
export function SeenPhoto({
  file,
  job,
  busy,
  onLog,
}: {
  readonly file: MachineFile;
  readonly job: Job;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}) {
  const boardsFirst = [...file.pieces].sort((a, b) => Number(b.board) - Number(a.board));
  const [assembly, setAssembly] = useState(boardsFirst[0]!.id);
  return (
    <>
      <Form.Group controlId="photo-of">
        <Form.Label>{say.of}</Form.Label>
        <Form.Select size="lg" value={assembly} onChange={(e) => setAssembly(e.target.value)}>
          {boardsFirst.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Photos job={job} stage={seenStage(assembly)} longest={900} busy={busy} onLog={onLog} />
      <p className="quiet mb-0">{say.photoHelp}</p>
    </>
  );
}
