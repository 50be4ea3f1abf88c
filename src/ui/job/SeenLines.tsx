"use client";

import { useMemo } from "react";
import Form from "react-bootstrap/Form";
import { type Change, type MachineFile, readSheet, SHEET_TABLES, type SheetTableId, targetsOf } from "../../core/model";
import { MendableLines } from "../machine/MendableLines";
import { say as sheet } from "#words/ui/machine/SheetLines";
import { say } from "#words/ui/job/SeenDialog";

/** Lines as they are typed so far, and what they are. */
export interface LinesDraft {
  readonly table: SheetTableId;
  readonly target: string;
  readonly text: string;
}

const targetOf = (file: MachineFile, { table, target }: LinesDraft) => {
  const targets = targetsOf(table, file);
  return targets.find((t) => t.id === target)?.id ?? targets[0]?.id ?? "";
};

/** The lines as what was seen. Throws a RangeError with a sentence while one is not understood. */
export function linesOf(file: MachineFile, draft: LinesDraft): Change {
  const lines = readSheet(draft.table, draft.text, file);
  if (lines.length === 0) throw new RangeError(say.typeALine);
  if (lines.some((l) => !l.isRead)) throw new RangeError(say.aLineIsNotRead);
  return { change: "lines", table: draft.table, text: draft.text.trim(), target: targetOf(file, draft) };
}

/** What is printed or plugged there, a line each, shown as it is taken. */
export function SeenLines({
  file,
  draft,
  onChange,
}: {
  readonly file: MachineFile;
  readonly draft: LinesDraft;
  readonly onChange: (draft: LinesDraft) => void;
}) {
  const lines = useMemo(() => readSheet(draft.table, draft.text, file), [draft, file]);
  const targets = targetsOf(draft.table, file);
  return (
    <>
      <Form.Group controlId="seen-table">
        <Form.Label>{say.kindOfLine}</Form.Label>
        <Form.Select
          size="lg"
          value={draft.table}
          onChange={(e) => onChange({ ...draft, table: SHEET_TABLES.find((t) => t === e.target.value)!, target: "" })}
        >
          {SHEET_TABLES.map((t) => (
            <option key={t} value={t}>
              {sheet.table[t]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {targets.length > 1 ? (
        <Form.Group controlId="seen-target">
          <Form.Label>{say.forWhich}</Form.Label>
          <Form.Select value={targetOf(file, draft)} onChange={(e) => onChange({ ...draft, target: e.target.value })}>
            {targets.map((t) => (
              <option key={t.id} value={t.id}>
                {t.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      ) : null}
      <Form.Group controlId="seen-lines">
        <Form.Label>{say.oneALine}</Form.Label>
        <Form.Control
          as="textarea"
          autoFocus
          size="lg"
          rows={3}
          value={draft.text}
          maxLength={4000}
          spellCheck={false}
          placeholder={sheet.example[draft.table]}
          onChange={(e) => onChange({ ...draft, text: e.target.value })}
        />
      </Form.Group>
      <MendableLines lines={lines} onMend={(text) => onChange({ ...draft, text })} />
    </>
  );
}
