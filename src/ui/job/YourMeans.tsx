"use client";

import { useCallback, useMemo, type ReactNode } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import type { Means } from "../../core/isolate/means";
import { useKept } from "../shell/useKept";

/** What this person has and does, kept in this browser. */
export function useMeans(): [Means, (means: Means) => void] {
  const [kept, keep] = useKept("unzo.without");
  const means = useMemo((): Means => { const without = kept.split(" "); return { live: !without.includes("live"), clamp: !without.includes("clamp"), dcClamp: !without.includes("dcClamp"), careful: without.includes("haste") }; }, [kept]);
  const set = useCallback((next: Means) => keep([...(["live", "clamp", "dcClamp"] as const).filter((k) => !next[k]), ...(next.careful ? ["haste"] : [])].join(" ")), [keep]);
  return [means, set];
}

/** Only tests that can be made with these are proposed. */
export function YourMeans({ means, onChange, children }: { means: Means; onChange: (means: Means) => void; children?: ReactNode }) {
  return (
    <Dropdown className="means" autoClose="outside" align="end">
      <Dropdown.Toggle>{!means.live ? "You: dead first" : means.careful ? "You: careful" : "You"}</Dropdown.Toggle>
      <Dropdown.Menu>
        <Form.Check type="switch" id="means-dead" label="I do not work live" checked={!means.live} onChange={(e) => onChange({ ...means, live: !e.target.checked })} />
        <Form.Check type="switch" id="means-clamp" label="I have an AC clamp" checked={means.clamp} onChange={(e) => onChange({ ...means, clamp: e.target.checked })} />
        <Form.Check type="switch" id="means-dc-clamp" label="I have a DC clamp" checked={means.dcClamp} onChange={(e) => onChange({ ...means, dcClamp: e.target.checked })} />
        <Form.Check type="switch" id="means-careful" label="I learn, or am alone: danger weighs three times" checked={means.careful} onChange={(e) => onChange({ ...means, careful: e.target.checked })} />
        {children}
      </Dropdown.Menu>
    </Dropdown>
  );
}
