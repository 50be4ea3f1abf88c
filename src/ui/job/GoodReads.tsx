"use client";

import Form from "react-bootstrap/Form";
import { type Change, goodRating, type Machine, type Part } from "../../core/model";
import { plainNumber, readEngineering } from "../../core/quantity";
import { say } from "#words/ui/job/SeenDialog";

export interface ReadsDraft {
  readonly part: string;
  readonly ohms: string;
}

const partsOf = (machine: Machine): readonly Part[] => machine.parts.filter((p) => goodRating(p, 1) !== null);
const chosen = (machine: Machine, { part }: ReadsDraft) => {
  const parts = partsOf(machine);
  return parts.find((p) => p.id === part) ?? parts[0];
};

/** What was read as what was seen. Throws a RangeError with a sentence for what are no ohms. */
export function goodReadsOf(machine: Machine, draft: ReadsDraft): { readonly change: Change; readonly words: string } {
  const part = chosen(machine, draft);
  const ohms = readEngineering(draft.ohms.trim())?.value ?? 0;
  const fields = part && ohms > 0 ? goodRating(part, ohms) : null;
  if (!part || !fields) throw new RangeError(say.ohmsOver);
  return {
    change: { change: "other part", part: part.id, fields },
    words: say.readsGood(part.name, plainNumber(ohms)),
  };
}

/** Ohms of a part that is good: from then on every point near it reads by them. */
export function GoodReads({
  machine,
  draft,
  onChange,
}: {
  readonly machine: Machine;
  readonly draft: ReadsDraft;
  readonly onChange: (draft: ReadsDraft) => void;
}) {
  return (
    <>
      <Form.Group controlId="reads-part">
        <Form.Label>{say.which}</Form.Label>
        <Form.Select
          size="lg"
          value={chosen(machine, draft)?.id}
          onChange={(e) => onChange({ ...draft, part: e.target.value })}
        >
          {partsOf(machine).map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="reads-ohms">
        <Form.Label>{say.ohms}</Form.Label>
        <Form.Control
          size="lg"
          inputMode="text"
          autoComplete="off"
          value={draft.ohms}
          maxLength={20}
          onChange={(e) => onChange({ ...draft, ohms: e.target.value })}
        />
      </Form.Group>
    </>
  );
}
