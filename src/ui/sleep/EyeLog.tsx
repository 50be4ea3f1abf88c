"use client";

import { useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { METRIC, quantityText, readQuantity } from "../../core/quantity";
import { say } from "#words/ui/sleep";

/** A stopwatch and a display read by eye: each reading typed is kept with its time. */
export function EyeLog({ onLog, onAnew }: { onLog: (text: string) => void; onAnew: () => void }) {
  const [began, setBegan] = useState<number | null>(null);
  const [rows, setRows] = useState<readonly (readonly [seconds: number, amps: number, typed: string])[]>([]);
  const [typed, setTyped] = useState("");
  const [problem, setProblem] = useState("");
  function add(event: FormEvent | null) {
    event?.preventDefault();
    const read = readQuantity(typed, "amperes", METRIC);
    if (!read.ok) return setProblem(read.sentence);
    const now = performance.now();
    const start = began ?? now;
    if (began === null) setBegan(now);
    // As it was typed: how fine the display shows is part of what it says.
    const shown = typed.trim().replace(",", ".");
    const cell = /[a-zµ]$/i.test(shown) ? shown : `${shown} A`;
    const next = [...rows, [Math.round((now - start) / 100) / 10, read.value, cell] as const];
    setRows(next);
    setTyped("");
    setProblem("");
    if (next.length > 1) onLog(`s;A\n${next.map(([t, , words]) => `${t};${words}`).join("\n")}`);
  }
  return (
    <div>
      <div className="d-flex gap-2">
        <Form.Control
          aria-label={say.readingNow}
          value={typed}
          placeholder="820 mA"
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter") {
              e.preventDefault();
              add(null);
            }
          }}
        />
        <Button onClick={() => add(null)}>{began === null ? "Start" : "Now"}</Button>
        <Button
          variant="outline-dark"
          disabled={rows.length === 0}
          onClick={() => {
            setRows([]);
            setBegan(null);
            onAnew();
          }}
        >
          {say.anew}
        </Button>
      </div>
      {problem ? (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      ) : null}
      <p className="quiet mb-0" role="status">
        {rows.length === 0
          ? say.theFirstReadingStartsThe
          : rows
              .slice(-4)
              .map(([t, a]) => `${quantityText(t, "seconds")}: ${quantityText(a, "amperes")}`)
              .join("; ")}
      </p>
    </div>
  );
}
