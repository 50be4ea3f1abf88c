"use client";

import { type FormEvent, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type MachineFile, readSheet, SHEET_TABLES, type SheetTableId, targetsOf, withSheet } from "../../core/model";
import { useKept } from "../shell/useKept";
import { MendableLines } from "./MendableLines";
import { useFileGrowth } from "./useFileGrowth";
import { say } from "#words/ui/machine/SheetLines";

/** Tables that are those of one sensor, or of one logic: without any there is nothing to put them to. */
const PUT_TO_ONE: ReadonlySet<SheetTableId> = new Set(["sensor", "codes", "modes"]);

/** Tables of a sheet, pasted or typed line by line: each line as it was taken before it goes into the file. */
export function SheetLines({ file }: { readonly file: MachineFile }) {
  const offered = SHEET_TABLES.filter((t) => !PUT_TO_ONE.has(t) || targetsOf(t, file).length > 0);
  const [table, setTable] = useState<SheetTableId>("wires");
  const [text, setText] = useKept(`unzo.sheet.${file.id}`);
  const [chosen, setChosen] = useState("");
  const [said, setSaid] = useState("");
  const { busy, problem, forget, put } = useFileGrowth(file.id);
  const lines = useMemo(() => readSheet(table, text, file), [table, text, file]);
  const targets = targetsOf(table, file);
  const target = targets.find((t) => t.id === chosen)?.id ?? targets[0]?.id ?? "";
  const isWhole = lines.length > 0 && lines.every((l) => l.isRead);

  const typed = (next: string) => {
    setText(next);
    forget();
    setSaid("");
  };

  async function add(event: FormEvent) {
    event.preventDefault();
    if (!(await put((now) => withSheet(now, table, text, target)))) return;
    setSaid(say.added(lines.length));
    setText("");
  }

  return (
    <Form className="measure-good" onSubmit={(e) => void add(e)} noValidate aria-label={say.linesOfASheet}>
      <div className="quick-row">
        <Form.Group controlId="sheet-table">
          <Form.Label>{say.whatItIs}</Form.Label>
          <Form.Select
            value={table}
            onChange={(e) => {
              setTable(e.target.value as SheetTableId);
              forget();
            }}
          >
            {offered.map((t) => (
              <option key={t} value={t}>
                {say.table[t]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        {targets.length === 0 ? null : (
          <Form.Group controlId="sheet-target">
            <Form.Label>{say.target[table === "wires" ? "wires" : "other"]}</Form.Label>
            <Form.Select value={target} onChange={(e) => setChosen(e.target.value)}>
              {targets.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        )}
      </div>
      <Form.Group controlId="sheet-lines">
        <Form.Label>{say.pasteOrType}</Form.Label>
        <Form.Control
          as="textarea"
          rows={4}
          value={text}
          maxLength={20000}
          spellCheck={false}
          placeholder={say.example[table]}
          onChange={(e) => typed(e.target.value)}
        />
      </Form.Group>
      <MendableLines lines={lines} onMend={typed} />
      <div>
        <Button type="submit" disabled={busy || !isWhole}>
          {say.addLines(lines.filter((l) => l.isRead).length)}
        </Button>
      </div>
      <p className="mb-0" role="status">
        {said}
      </p>
      <p className="problem" role="alert">
        {problem}
      </p>
    </Form>
  );
}
