"use client";

import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import { logEntry } from "../../contract/entries";
import { followedUpBody } from "../../core/journal";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/held";

/** Answers with one key whether a closed repair has held; `of` names it for who hears the keys read. */
export function DidItHold({ job, of, onTold }: { job: string; of: string; onTold: (held: boolean) => void }) {
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [who] = useKept("unzo.who");
  const ids = useRef({ held: "", back: "" });
  async function tell(held: boolean) {
    const key = held ? "held" : "back";
    // Sent again after a lost answer it is the same entry.
    const id = (ids.current[key] ||= crypto.randomUUID());
    setBusy(true);
    try {
      await send(logEntry, [job], { id, v: 1, actor: who.trim() || "Someone", body: followedUpBody(held, "") });
      ids.current[key] = "";
      setProblem("");
      onTold(held);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <span className="follow-up-keys">
      <Button variant="outline-dark" disabled={busy} aria-label={say.itHeld(of)} onClick={() => void tell(true)}>
        <i className="bi bi-check-lg" aria-hidden /> {say.held}
      </Button>
      <Button variant="outline-dark" disabled={busy} aria-label={say.itCameBack(of)} onClick={() => void tell(false)}>
        <i className="bi bi-arrow-counterclockwise" aria-hidden /> {say.cameBack}
      </Button>
      <span className="problem" role="alert">
        {problem}
      </span>
    </span>
  );
}
