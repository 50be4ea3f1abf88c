"use client";

import { useRef, useState } from "react";
import { useRouter } from "next/navigation";
import Form from "react-bootstrap/Form";
import { type Letterhead as Head, setLetterhead } from "../../contract/shop";
import { Problem } from "../engine/Problem";
import { sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/paper";

/** Who hands it out, typed once for the whole shop: kept when the field is left. */
export function Letterhead({ known }: { readonly known: Head | null }) {
  const router = useRouter();
  const [name, setName] = useState(known?.name ?? "");
  const [contact, setContact] = useState(known?.contact ?? "");
  const [problem, setProblem] = useState("");
  const [who] = useKept("unzo.who");
  const kept = useRef(known);
  function keep() {
    const isKept = (kept.current?.name ?? "") === name.trim() && (kept.current?.contact ?? "") === contact.trim();
    if (isKept || name.trim() === "") return;
    const id = crypto.randomUUID();
    sendOnce(setLetterhead, [], { id, actor: who.trim() || "Someone", name, contact }).then(
      (now) => {
        kept.current = now;
        setProblem("");
        router.refresh();
      },
      (error: Error) => setProblem(error.message),
    );
  }
  return (
    <fieldset className="paper-fields">
      <legend>{say.head}</legend>
      <Form.Group controlId="workshop">
        <Form.Label>{say.workshop}</Form.Label>
        <Form.Control value={name} maxLength={80} onChange={(e) => setName(e.target.value)} onBlur={keep} />
      </Form.Group>
      <Form.Group controlId="contact">
        <Form.Label>{say.contact}</Form.Label>
        <Form.Control value={contact} maxLength={200} onChange={(e) => setContact(e.target.value)} onBlur={keep} />
      </Form.Group>
      <Problem words={problem} />
    </fieldset>
  );
}
