"use client";

import { useCallback, useMemo, type ReactNode } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import type { Means } from "../../core/diagnose";
import { useKept } from "../shell/useKept";

/** Tools that not every bag holds: asked for before a test with one is proposed. */
const MORE_TOOLS = [
  ["inrush", "My clamp holds the inrush"],
  ["hertz", "My meter counts hertz"],
  ["capacitance", "My meter reads farads"],
  ["insulation", "I have an insulation tester"],
] as const;

/** What this person has and does, kept in this browser. */
export function useMeans(): [Means, (means: Means) => void] {
  const [kept, keep] = useKept("unzo.without");
  const means = useMemo((): Means => {
    const said = new Set(kept.split(" "));
    const has = (key: keyof Means) => !said.has(key);
    return {
      live: has("live"),
      careful: said.has("haste"),
      clamp: has("clamp"),
      dcClamp: has("dcClamp"),
      inrush: said.has("+inrush"),
      hertz: said.has("+hertz"),
      capacitance: said.has("+capacitance"),
      insulation: said.has("+insulation"),
    };
  }, [kept]);
  const set = useCallback(
    (next: Means) =>
      keep(
        [
          ...(["live", "clamp", "dcClamp"] as const).filter((k) => !next[k]),
          ...(next.careful ? ["haste"] : []),
          ...MORE_TOOLS.filter(([k]) => next[k]).map(([k]) => `+${k}`),
        ].join(" "),
      ),
    [keep],
  );
  return [means, set];
}

/** Only tests that can be made with these are proposed. */
export function YourMeans({
  means,
  onChange,
  children,
}: {
  means: Means;
  onChange: (means: Means) => void;
  children?: ReactNode;
}) {
  return (
    <Dropdown className="means" autoClose="outside" align="end">
      <Dropdown.Toggle>{meansWord(means)}</Dropdown.Toggle>
      <Dropdown.Menu>
        <Form.Check
          type="switch"
          id="means-dead"
          label="I do not work live"
          checked={!means.live}
          onChange={(e) => onChange({ ...means, live: !e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-clamp"
          label="I have an AC clamp"
          checked={means.clamp}
          onChange={(e) => onChange({ ...means, clamp: e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-dc-clamp"
          label="I have a DC clamp"
          checked={means.dcClamp}
          onChange={(e) => onChange({ ...means, dcClamp: e.target.checked })}
        />
        {MORE_TOOLS.map(([key, words]) => (
          <Form.Check
            key={key}
            type="switch"
            id={`means-${key}`}
            label={words}
            checked={means[key]}
            onChange={(e) => onChange({ ...means, [key]: e.target.checked })}
          />
        ))}
        <Form.Check
          type="switch"
          id="means-careful"
          label="I learn, or am alone: danger weighs three times"
          checked={means.careful}
          onChange={(e) => onChange({ ...means, careful: e.target.checked })}
        />
        {children}
      </Dropdown.Menu>
    </Dropdown>
  );
}

function meansWord(means: Means): "You: dead first" | "You: careful" | "You" {
  if (!means.live) return "You: dead first";
  if (means.careful) return "You: careful";
  return "You";
}
