"use client";

import Form from "react-bootstrap/Form";
import { type InPlace, IN_LEAD, type Machine, type Part, plainFields } from "../../core/model";
import { words } from "./ratings";
import { say } from "#words/ui/machine/ChangeChoice";

/** What was chosen so far; the part and its terminal fall back to the first that fit. */
export interface ChangeDraft {
  readonly what: InPlace["change"];
  readonly part: string;
  readonly terminal: string;
  readonly kind: string;
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
  readonly bridged: boolean;
}

export const FIRST_DRAFT: ChangeDraft = {
  what: "put in",
  part: "",
  terminal: "",
  kind: Object.keys(IN_LEAD)[0]!,
  name: "",
  values: {},
  bridged: true,
};

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** The plain numbers of a part, with what is drawn. */
function numbersOf(fields: unknown): readonly (readonly [string, string])[] {
  return plainFields({ fields }).flatMap(([k, v]) => (typeof v === "number" ? [[k, String(v)] as const] : []));
}

/** Parts to which a change can be made. */
function partsFor(machine: Machine, what: InPlace["change"]): readonly Part[] {
  return machine.parts.filter(
    (p) => p.modes.length > 0 && (what === "other part" ? numbersOf(p.fields).length > 0 : p.nodeOf.size >= 2),
  );
}

/** The part that is meant. */
export function partOf(machine: Machine, draft: ChangeDraft): Part | undefined {
  const parts = partsFor(machine, draft.what);
  return parts.find((p) => p.id === draft.part) ?? parts.find((p) => p.kind.electrical.load) ?? parts[0];
}

const terminalsOf = (part: Part) => [...part.nodeOf.keys()];
const leadOf = (part: Part, draft: ChangeDraft) =>
  terminalsOf(part).find((t) => t === draft.terminal) ?? terminalsOf(part)[0]!;

/** The change that was chosen; null where the machine has no part for it, or nothing is said to be different. */
export function changeOf(machine: Machine, draft: ChangeDraft): InPlace | null {
  const part = partOf(machine, draft);
  if (!part) return null;
  // As typed: the kind of the part reads its own ratings, units and all.
  const fields = Object.fromEntries(
    Object.entries(draft.values)
      .filter(([, v]) => v.trim() !== "")
      .map(([k, v]) => [k, v.trim()]),
  );
  if (draft.what === "put in")
    return {
      change: "put in",
      kind: draft.kind,
      name: draft.name.trim() || say.inTheLead(capital(draft.kind)),
      part: part.id,
      terminal: leadOf(part, draft),
      fields,
    };
  if (draft.what === "taken out")
    return { change: "taken out", part: part.id, bridged: draft.bridged && part.nodeOf.size === 2 };
  return Object.keys(fields).length === 0 ? null : { change: "other part", part: part.id, fields };
}

/**
 * Which part, where, and what differs; the same questions for what is found on a unit and for what is to be built
 * into it.
 */
export function ChangeChoice({
  machine,
  draft,
  names,
  size,
  onChange,
}: {
  machine: Machine;
  draft: ChangeDraft;
  names: boolean;
  size?: "lg";
  onChange: (draft: ChangeDraft) => void;
}) {
  const parts = partsFor(machine, draft.what);
  const part = partOf(machine, draft);
  if (!part) return null;
  const given = size ? { size } : {};
  const { what } = draft;
  let ratings: readonly (readonly [string, string])[];
  if (what === "other part") ratings = numbersOf(part.fields);
  else if (what === "put in" && names) ratings = numbersOf(IN_LEAD[draft.kind]);
  else ratings = [];
  return (
    <>
      {what === "put in" ? (
        <Form.Group controlId="change-kind">
          <Form.Label>{say.whatSitsThere}</Form.Label>
          <Form.Select
            {...given}
            value={draft.kind}
            onChange={(e) => onChange({ ...draft, kind: e.target.value, values: {} })}
          >
            {Object.keys(IN_LEAD).map((k) => (
              <option key={k}>{k}</option>
            ))}
          </Form.Select>
        </Form.Group>
      ) : null}
      <Form.Group controlId="change-part">
        <Form.Label>{what === "put in" ? say.inTheLeadOf : say.whichPart}</Form.Label>
        <Form.Select
          {...given}
          value={part.id}
          onChange={(e) => onChange({ ...draft, part: e.target.value, terminal: "", values: {} })}
        >
          {parts.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {what === "put in" ? (
        <Form.Group controlId="change-terminal">
          <Form.Label>{say.atItsTerminal}</Form.Label>
          <Form.Select
            {...given}
            value={leadOf(part, draft)}
            onChange={(e) => onChange({ ...draft, terminal: e.target.value })}
          >
            {terminalsOf(part).map((t) => (
              <option key={t}>{t}</option>
            ))}
          </Form.Select>
        </Form.Group>
      ) : null}
      {what === "put in" && names ? (
        <Form.Group controlId="change-name">
          <Form.Label>{say.called}</Form.Label>
          <Form.Control
            {...given}
            value={draft.name}
            maxLength={60}
            onChange={(e) => onChange({ ...draft, name: e.target.value })}
          />
        </Form.Group>
      ) : null}
      {ratings.map(([name, now]) => (
        <Form.Group key={name} controlId={`change-${name}`}>
          <Form.Label>
            {capital(words(name))}
            {what === "other part" ? say.drawnAsNow(now) : ""}
          </Form.Label>
          <Form.Control
            {...given}
            className="value"
            {...(what === "put in" ? { placeholder: now } : {})}
            value={draft.values[name] ?? ""}
            maxLength={40}
            onChange={(e) => onChange({ ...draft, values: { ...draft.values, [name]: e.target.value } })}
          />
        </Form.Group>
      ))}
      {what === "taken out" && part.nodeOf.size === 2 ? (
        <Form.Check
          className="align-self-end"
          id="change-bridged"
          label={say.itsTwoLeadsAreJoined}
          checked={draft.bridged}
          onChange={(e) => onChange({ ...draft, bridged: e.target.checked })}
        />
      ) : null}
    </>
  );
}
