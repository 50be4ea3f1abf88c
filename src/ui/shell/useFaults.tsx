"use client";

import { useState, type FormEvent } from "react";
import Form from "react-bootstrap/Form";

/** What is wrong in a form's fields: a sentence by the id of its field. */
export type Faults = Readonly<Partial<Record<string, string>>>;

/**
 * The faults of a form. `check` takes every field with its sentence, empty where nothing is wrong, in the order of the
 * page; it shows all of them at once, puts the focus into the first, and says whether there is none. `mend`, on the
 * form, takes the fault of a field away once something is typed into it.
 */
export function useFaults(): {
  faults: Faults;
  check: (found: readonly (readonly [string, string])[]) => boolean;
  mend: (event: FormEvent) => void;
} {
  const [faults, setFaults] = useState<Faults>({});
  return {
    faults,
    check(found) {
      const wrong = found.filter(([, sentence]) => sentence !== "");
      setFaults(Object.fromEntries(wrong));
      if (wrong[0]) document.getElementById(wrong[0][0])?.focus();
      return wrong.length === 0;
    },
    mend({ target }) {
      const { id } = target as HTMLElement;
      setFaults((before) => (before[id] ? { ...before, [id]: "" } : before));
    },
  };
}

/** Ties a field to its fault: to be spread over the control of this id. */
export function faultOf(faults: Faults, id: string) {
  return faults[id] ? { isInvalid: true, "aria-describedby": `${id}-fault` } : {};
}

/** The sentence under a field. */
export function Fault({ faults, of: id }: { faults: Faults; of: string }) {
  return faults[id] ? (
    <Form.Control.Feedback type="invalid" id={`${id}-fault`} className="d-block">
      {faults[id]}
    </Form.Control.Feedback>
  ) : null;
}
