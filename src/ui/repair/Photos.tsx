"use client";

import dynamic from "next/dynamic";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Modal from "react-bootstrap/Modal";
import { type Done, type EventBody, type Job, photoBody } from "../../core/journal";
import { smaller } from "./smaller";
import { keepPhoto, photoAddress } from "../../contract/jobs";
import { send } from "../shell/send";
import { say } from "#words/ui/repair/Photos";

// The drawing library knows the browser only.
const PhotoMarks = dynamic(() => import("./PhotoMarks").then((m) => m.PhotoMarks), {
  ssr: false,
  loading: () => <p role="status">{say.openingThePhoto}</p>,
});

interface Props {
  readonly job: Job;
  readonly stage: string;
  /** The longer side that is kept, pixels; left out: as long as is needed to read a number. */
  readonly longest?: number;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** Photos of one stage: taken or chosen, kept with the job, marked with pins and arrows. */
export function Photos({ job, stage, longest, busy, onLog }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState("");
  const [open, setOpen] = useState<Done<"photo"> | null>(null);
  const photos = job.work.photos.filter((p) => p.body.stage === stage);
  async function take(files: FileList | null) {
    const file = files?.[0];
    if (!file) return;
    setSending(true);
    setProblem("");
    try {
      const { hash } = await send(keepPhoto, [], await smaller(file, longest));
      await onLog(photoBody(hash, stage));
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setSending(false);
      if (input.current) input.current.value = "";
    }
  }
  return (
    <div className="photos">
      {photos.map((p, i) => (
        <button key={p.body.hash} type="button" className="photo-thumb" onClick={() => setOpen(p)}>
          <img src={photoAddress(p.body.hash)} alt={p.body.caption || say.photoI(i + 1)} />
          {p.body.marks.length > 0 ? (
            <span className="count" aria-label={`${p.body.marks.length} marks`}>
              {p.body.marks.length}
            </span>
          ) : null}
        </button>
      ))}
      <Button variant="outline-dark" disabled={busy || sending} onClick={() => input.current?.click()}>
        <i className="bi bi-camera" aria-hidden /> {sending ? say.keepingIt : "Photo"}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        className="visually-hidden"
        tabIndex={-1}
        aria-label={say.photoForStage(stage)}
        onChange={(e) => void take(e.target.files)}
      />
      {problem ? (
        <p className="problem" role="alert">
          {problem}
        </p>
      ) : null}
      <Modal
        show={open !== null}
        onHide={() => setOpen(null)}
        size="xl"
        fullscreen="lg-down"
        aria-labelledby="photo-title"
      >
        <Modal.Header closeButton>
          <Modal.Title id="photo-title">{say.photo}</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {open ? (
            <PhotoMarks
              key={open.body.hash}
              photo={open.body}
              busy={busy}
              onKeep={async (caption, marks) => {
                if (await onLog({ ...open.body, caption, marks })) setOpen(null);
              }}
            />
          ) : null}
        </Modal.Body>
      </Modal>
    </div>
  );
}
