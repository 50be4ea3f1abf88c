"use client";

import Form from "react-bootstrap/Form";
import { say } from "#words/ui/job/UnsafeFields";

/** Why a unit is left disconnected, the tag on it, and who signs for that. */
export interface Unsafe {
  readonly reason: string;
  readonly tag: string;
  readonly signed: string;
}

const FIELDS = [
  ["reason", say.why, 400],
  ["tag", say.tagOnTheUnit, 60],
  ["signed", say.signedBy, 80],
] as const;

/** Asks for what an unsafe unit that is left disconnected must have on record. */
export function UnsafeFields({
  isUnsafe,
  onUnsafe,
  unsafe,
  onChange,
}: {
  isUnsafe: boolean;
  onUnsafe: (isUnsafe: boolean) => void;
  unsafe: Unsafe;
  onChange: (unsafe: Unsafe) => void;
}) {
  return (
    <div>
      <Form.Check
        id="call-unsafe"
        label={<strong>{say.unsafeLeftDisconnected}</strong>}
        checked={isUnsafe}
        onChange={(e) => onUnsafe(e.target.checked)}
      />
      {isUnsafe ? (
        <div className="repair-asks mt-2">
          {FIELDS.map(([field, label, most]) => (
            <Form.Group key={field} controlId={`unsafe-${field}`}>
              <Form.Label>{label}</Form.Label>
              <Form.Control
                value={unsafe[field]}
                maxLength={most}
                required
                onChange={(e) => onChange({ ...unsafe, [field]: e.target.value })}
              />
            </Form.Group>
          ))}
        </div>
      ) : null}
    </div>
  );
}
