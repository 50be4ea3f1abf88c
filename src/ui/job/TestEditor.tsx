"use client";

import { useId } from "react";
import Form from "react-bootstrap/Form";
import { isClamp, type MeterFunction } from "../../core/instrument";
import { FUNCTION_WORDS } from "../../core/diagnose";
import type { Machine } from "../../core/model";
import { makeTest, type Test } from "../../core/simulate";
import { say } from "#words/ui/job/TestEditor";

/**
 * What was really done: plug, function, red point, black point. Whatever is set here is what the reading is judged
 * as.
 */
export function TestEditor({
  machine,
  test,
  setup,
  onChange,
}: {
  machine: Machine;
  test: Test | null;
  setup: string;
  onChange: (test: Test) => void;
}) {
  const ids = useId();
  const points = [...machine.points.values()];
  const now = test ?? makeTest(setup, "dcv", points[0]!.id, points[1]!.id);
  const change = (next: Partial<{ setup: string; function: MeterFunction; red: string; black: string }>) => {
    const merged = { setup: now.setup, function: now.function, red: now.red, black: now.black, ...next };
    onChange(fitting(machine, merged.setup, merged.function, merged.red, merged.black));
  };
  const select = (
    name: string,
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    set: (v: string) => void,
  ) => (
    <Form.Group controlId={`${ids}-${name}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(e) => set(e.target.value)}>
        {options.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  const pointOptions = points.map((p) => [p.id, [p.name, p.signal, p.where].filter(Boolean).join(", ")] as const);
  let redOptions: (readonly [string, string])[];
  if (now.function === "look") redOptions = machine.parts.filter((p) => p.labels).map((p) => [p.id, p.name] as const);
  else if (isClamp(now.function)) redOptions = [...machine.clamps.values()].map((c) => [c.id, c.name] as const);
  else redOptions = pointOptions;
  return (
    <fieldset className="editor">
      <legend>{say.whatWasReallyDone}</legend>
      {select(
        "setup",
        "Unit",
        now.setup,
        [...machine.setupById.values()].map((s) => [s.id, s.name]),
        (v) => change({ setup: v }),
      )}
      {select("function", "Meter", now.function, Object.entries(FUNCTION_WORDS), (v) =>
        change({ function: v as MeterFunction }),
      )}
      {select("red", placeLabel(now), now.red, redOptions, (v) => change({ red: v }))}
      {now.function === "look" || isClamp(now.function)
        ? null
        : select("black", say.blackLead, now.black ?? "", pointOptions, (v) => change({ black: v }))}
    </fieldset>
  );
}

/** Keeps the leads when the function changes, as far as they make sense for it. */
function fitting(machine: Machine, setup: string, fn: MeterFunction, red: string, black: string | undefined): Test {
  if (fn === "look")
    return makeTest(setup, fn, machine.partById.get(red)?.labels ? red : machine.parts.find((p) => p.labels)!.id);
  if (isClamp(fn)) return makeTest(setup, fn, machine.clamps.has(red) ? red : [...machine.clamps.keys()][0]!);
  const points = [...machine.points.keys()];
  const redPoint = machine.points.has(red) ? red : points[0]!;
  return makeTest(
    setup,
    fn,
    redPoint,
    black !== undefined && machine.points.has(black) ? black : points.find((p) => p !== redPoint)!,
  );
}

function placeLabel(now: Test): string {
  if (now.function === "look") return "Part";
  if (isClamp(now.function)) return say.clampAround;
  return say.redLead;
}
