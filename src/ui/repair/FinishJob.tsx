"use client";

import { useRouter } from "next/navigation";
import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { calledBody, WHOLE_UNIT } from "../../core/journal";
import type { LeftBehind } from "../../core/repair";
import { type Unsafe, UnsafeFields } from "../job/UnsafeFields";
import type { RepairProps } from "./repair-props";
import { say } from "#words/ui/repair/FinishJob";

/** The end of a job that is no repair: what was done, what is still open and why, whether the unit is safe. */
export function FinishJob({
  job,
  busy,
  left,
  name,
  onLog,
}: Pick<RepairProps, "job" | "busy" | "onLog"> & { readonly left: readonly LeftBehind[]; readonly name: string }) {
  const router = useRouter();
  const [words, setWords] = useState("");
  const [because, setBecause] = useState("");
  const [despite, setDespite] = useState("");
  const [isUnsafe, setIsUnsafe] = useState(false);
  const [unsafe, setUnsafe] = useState<Unsafe>({ reason: "", tag: "", signed: "" });
  const failed = job.work.proved.filter((p) => !p.body.passed).length;
  const passed = job.work.proved.length - failed;
  const isUnproven = job.work.proved.length === 0;
  const blocked =
    words.trim() === "" ||
    (isUnproven && despite.trim() === "") ||
    (left.length > 0 && because.trim() === "") ||
    (isUnsafe && Object.values(unsafe).some((given) => given.trim() === ""));

  async function finish(event: FormEvent) {
    event.preventDefault();
    if (blocked) return;
    const call = {
      piece: WHOLE_UNIT,
      pieceName: name,
      cause: say.steps(passed, failed),
      action: words,
      sure: say.done,
    };
    const body = calledBody(
      call,
      isUnproven ? [{ words: say.noStepMade, by: null }] : [],
      despite,
      left,
      because,
      null,
      isUnsafe ? unsafe : null,
    );
    if (await onLog(body)) router.push(`/jobs/${job.id}/record`);
  }

  return (
    <section className="rig-sheet" aria-label={say.closeTheJob}>
      <h2>{say.closeTheJob}</h2>
      <p className="quiet">{say.steps(passed, failed)}</p>
      <Form className="d-grid gap-3" onSubmit={(e) => void finish(e)}>
        <Form.Group controlId="finish-words">
          <Form.Label>{say.whatWasDone}</Form.Label>
          <Form.Control
            as="textarea"
            rows={2}
            value={words}
            maxLength={1000}
            onChange={(e) => setWords(e.target.value)}
          />
        </Form.Group>
        {isUnproven ? (
          <Form.Group controlId="finish-despite">
            <Form.Label>{say.withoutProofBecause}</Form.Label>
            <Form.Control value={despite} maxLength={400} onChange={(e) => setDespite(e.target.value)} />
          </Form.Group>
        ) : null}
        {left.length > 0 ? (
          <Form.Group controlId="finish-left">
            <Form.Label>{say.leftOpenBecause(left.length)}</Form.Label>
            <Form.Control value={because} maxLength={400} onChange={(e) => setBecause(e.target.value)} />
          </Form.Group>
        ) : null}
        <UnsafeFields isUnsafe={isUnsafe} onUnsafe={setIsUnsafe} unsafe={unsafe} onChange={setUnsafe} />
        <div>
          <Button type="submit" size="lg" disabled={busy || blocked}>
            {say.closeTheJob}
          </Button>
        </div>
      </Form>
    </section>
  );
}
