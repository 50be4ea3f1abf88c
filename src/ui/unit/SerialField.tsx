"use client";

import Form from "react-bootstrap/Form";
import { Fault, faultOf, type Faults } from "../shell/useFaults";
import { say } from "#words/ui/unit";

/** The serial number as on the plate; that there is none is an answer too. */
export function SerialField({
  serial,
  none,
  onSerial,
  onNone,
  faults,
}: {
  serial: string;
  none: boolean;
  onSerial: (serial: string) => void;
  onNone: (none: boolean) => void;
  faults: Faults;
}) {
  return (
    <Form.Group controlId="serial">
      <Form.Label>{say.serialNumber}</Form.Label>
      <Form.Control
        size="lg"
        value={none ? "" : serial}
        disabled={none}
        maxLength={60}
        spellCheck={false}
        {...faultOf(none ? {} : faults, "serial")}
        onChange={(e) => onSerial(e.target.value)}
      />
      <Fault faults={none ? {} : faults} of="serial" />
      <Form.Check
        id="no-serial"
        className="mt-2"
        label={say.noneOnThePlate}
        checked={none}
        onChange={(e) => onNone(e.target.checked)}
      />
    </Form.Group>
  );
}
