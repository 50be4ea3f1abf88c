"use client";

import { type FormEvent, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { lineWords, type MachineFile, type PinBoard, readPinLines, withPinLines } from "../../core/model";
import { useKept } from "../shell/useKept";
import { MendableLines } from "./MendableLines";
import { useFileGrowth } from "./useFileGrowth";
import { say } from "#words/ui/machine/PinLines";

/** Lines of a sheet's pin table, pasted or typed; each is shown as it was taken, and is mended in place. */
export function PinLines({
  file,
  board,
  states,
}: {
  readonly file: MachineFile;
  readonly board: PinBoard;
  readonly states: readonly { readonly id: string; readonly name: string }[];
}) {
  const [text, setText] = useKept(`unzo.pins.${file.id}.${board.id}`);
  const [state, setState] = useState(states[0]!.id);
  const { pins, feed } = board.fields;
  const [against, setAgainst] = useState(groundOf(board) ?? feed.between[1]);
  const { busy, problem, forget, put } = useFileGrowth(file.id);
  const lines = useMemo(() => readPinLines(text), [text]);
  const unread = lines.filter((l) => l.problem !== null).length;

  const typed = (next: string) => {
    setText(next);
    forget();
  };

  async function add(event: FormEvent) {
    event.preventDefault();
    if (await put((now) => withPinLines(now, lines, { board: board.id, state, against }))) setText("");
  }

  return (
    <Form className="measure-good" onSubmit={(e) => void add(e)} noValidate>
      <h3>{say.linesOfTheSheet}</h3>
      <Form.Group controlId={`${board.id}-lines`}>
        <Form.Label>{say.pasteOrType}</Form.Label>
        <Form.Control
          as="textarea"
          rows={3}
          value={text}
          maxLength={8000}
          spellCheck={false}
          placeholder={say.j23RedFan13V}
          onChange={(e) => typed(e.target.value)}
        />
      </Form.Group>
      <MendableLines
        lines={lines.map((l) => ({ text: l.text, words: l.problem ?? lineWords(l), isRead: l.problem === null }))}
        onMend={typed}
      />
      <div className="quick-row">
        <Form.Group controlId={`${board.id}-lines-state`}>
          <Form.Label>{say.inState}</Form.Label>
          <Form.Select value={state} onChange={(e) => setState(e.target.value)}>
            {states.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId={`${board.id}-against`}>
          <Form.Label>{say.against}</Form.Label>
          <Form.Select value={against} onChange={(e) => setAgainst(e.target.value)}>
            {pins.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </Form.Select>
        </Form.Group>
        <Button type="submit" disabled={busy || lines.length === 0 || unread > 0}>
          {say.addLines(lines.length - unread)}
        </Button>
      </div>
      <p className="problem" role="alert">
        {problem}
      </p>
    </Form>
  );
}

/** The pin that most of a board's values are given against already. */
function groundOf({ fields }: PinBoard): string | null {
  const from = Object.values(fields.outputs).flatMap((o) => (o.gives ? [o.from] : []));
  return from.sort((a, b) => count(from, b) - count(from, a))[0] ?? null;
}

const count = (all: readonly string[], one: string) => all.filter((x) => x === one).length;
