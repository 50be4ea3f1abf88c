import type { ReactNode } from "react";
import Form from "react-bootstrap/Form";

interface Props {
  readonly label: string;
  readonly value: string;
  onChange(value: string): void;
  /** The options. */
  readonly children: ReactNode;
}

/** A choice by which a list or a chart is narrowed down. */
export function Filter({ label, value, onChange, children }: Props) {
  return (
    <label className="find-filter">
      <span>{label}</span>
      <Form.Select value={value} onChange={(e) => onChange(e.target.value)}>
        {children}
      </Form.Select>
    </label>
  );
}
