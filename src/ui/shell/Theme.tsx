"use client";

import { useEffect, useId } from "react";
import Form from "react-bootstrap/Form";
import { useKept } from "./useKept";
import { say } from "#words/ui/shell";

const KEY = "unzo.theme";

/** Puts the chosen colours on the page; without a choice those of the system stand. */
export function Theme() {
  const [theme] = useKept(KEY);
  useEffect(() => {
    if (theme === "") delete document.documentElement.dataset["theme"];
    else document.documentElement.dataset["theme"] = theme;
  }, [theme]);
  return null;
}

/** Chooses the colours: as the system has them, light, or dark for a cellar. */
export function ThemeChoice() {
  const [theme, choose] = useKept(KEY);
  const id = useId();
  return (
    <Form.Group controlId={id} className="theme-choice">
      <Form.Label>{say.colours}</Form.Label>
      <Form.Select size="sm" value={theme} onChange={(e) => choose(e.target.value)}>
        <option value="">{say.asTheSystem}</option>
        <option value="light">{say.light}</option>
        <option value="dark">{say.dark}</option>
      </Form.Select>
    </Form.Group>
  );
}
