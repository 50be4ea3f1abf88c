"use client";

import { useMemo } from "react";
import Form from "react-bootstrap/Form";
import { type Change, type MachineFile, netAt, placesToName } from "../../core/model";
import { say } from "#words/ui/job/SeenDialog";

export interface PointDraft {
  readonly name: string;
  readonly where: string;
  /** The cover over it; empty: none. */
  readonly panel: string;
}

/** The place as what was seen. Throws a RangeError with a sentence for one that the file has not. */
export function pointOf(file: MachineFile, { name, where, panel }: PointDraft): Change {
  if (name.trim() === "") throw new RangeError(say.nameIt);
  return { change: "point", name: name.trim(), net: netAt(file, where.trim()), ...(panel === "" ? {} : { panel }) };
}

/** A place where a probe gets at something that nobody drew as such. */
export function SeenPoint({
  file,
  draft,
  onChange,
}: {
  readonly file: MachineFile;
  readonly draft: PointDraft;
  readonly onChange: (draft: PointDraft) => void;
}) {
  const places = useMemo(() => placesToName(file), [file]);
  return (
    <>
      <Form.Group controlId="point-name">
        <Form.Label>{say.called}</Form.Label>
        <Form.Control
          size="lg"
          value={draft.name}
          maxLength={60}
          onChange={(e) => onChange({ ...draft, name: e.target.value })}
        />
      </Form.Group>
      <Form.Group controlId="point-where">
        <Form.Label>{say.where}</Form.Label>
        <Form.Control
          size="lg"
          list="point-places"
          autoComplete="off"
          placeholder={say.whereExample}
          value={draft.where}
          maxLength={80}
          onChange={(e) => onChange({ ...draft, where: e.target.value })}
        />
        <datalist id="point-places">
          {places.map((p) => (
            <option key={p} value={p} />
          ))}
        </datalist>
      </Form.Group>
      {file.panels.length === 0 ? null : (
        <Form.Group controlId="point-panel">
          <Form.Label>{say.behind}</Form.Label>
          <Form.Select value={draft.panel} onChange={(e) => onChange({ ...draft, panel: e.target.value })}>
            <option value="">{say.nothing}</option>
            {file.panels.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
    </>
  );
}
