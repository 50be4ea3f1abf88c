"use client";

import ToggleButton from "react-bootstrap/ToggleButton";
import ToggleButtonGroup from "react-bootstrap/ToggleButtonGroup";

/** A question with its few answers in sight, one of them chosen. */
export function Choices({
  name,
  ask,
  choices,
  value,
  onChange,
}: {
  readonly name: string;
  readonly ask: string;
  /** By the answer's id, as it is shown. */
  readonly choices: Readonly<Record<string, string>>;
  readonly value: string;
  readonly onChange: (answer: string) => void;
}) {
  return (
    <fieldset className="choices">
      <legend>{ask}</legend>
      <ToggleButtonGroup type="radio" name={name} value={value} onChange={onChange}>
        {Object.entries(choices).map(([id, words]) => (
          <ToggleButton key={id} id={`${name}-${id}`} value={id} variant="outline-dark">
            <i className={`bi ${id === value ? "bi-check-circle-fill" : "bi-circle"}`} aria-hidden /> {words}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </fieldset>
  );
}
