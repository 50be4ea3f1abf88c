"use client";

import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import type { Liked } from "../../core/quantity";

const CHOICES = [
  ["temperature", "Temperature", ["°C", "°F"]],
  ["wire", "Wire", ["mm²", "AWG"]],
  ["length", "Length", ["metric", "inches"]],
] as const;

/** Units as one likes them. */
export function Units({ liked, onChange }: { liked: Liked; onChange: (liked: Liked) => void }) {
  return (
    <Dropdown className="units no-print" align="end" autoClose="outside">
      <Dropdown.Toggle variant="outline-dark" size="sm">
        {liked.temperature}, {liked.wire}, {liked.length === "inches" ? "in" : "mm"}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {CHOICES.map(([key, name, values]) => (
          <fieldset key={key}>
            <legend>{name}</legend>
            {values.map((value) => (
              <Form.Check
                inline
                key={value}
                type="radio"
                name={key}
                id={`units-${key}-${value}`}
                label={value}
                checked={liked[key] === value}
                onChange={() => onChange({ ...liked, [key]: value })}
              />
            ))}
          </fieldset>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
