"use client";

import Form from "react-bootstrap/Form";

/** The serial number as on the plate; that there is none is an answer too. */
export function SerialField({
  serial,
  none,
  onSerial,
  onNone,
}: {
  serial: string;
  none: boolean;
  onSerial: (serial: string) => void;
  onNone: (none: boolean) => void;
}) {
  return (
    <Form.Group controlId="serial">
      <Form.Label>Serial number</Form.Label>
      <Form.Control
        size="lg"
        value={none ? "" : serial}
        disabled={none}
        maxLength={60}
        spellCheck={false}
        onChange={(e) => onSerial(e.target.value)}
      />
      <Form.Check
        id="no-serial"
        className="mt-2"
        label="none on the plate"
        checked={none}
        onChange={(e) => onNone(e.target.checked)}
      />
    </Form.Group>
  );
}
