"use client";

import { useCallback, useMemo } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import { ALL_MEANS, type Means } from "../../core/isolate/means";
import { useKept } from "../shell/useKept";

/** What this person has and does, kept in this browser. */
export function useMeans(): [Means, (means: Means) => void] {
  const [kept, keep] = useKept("unzo.without");
  const means = useMemo((): Means => { const without = kept.split(" "); return { live: !without.includes("live"), clamp: !without.includes("clamp"), dcClamp: !without.includes("dcClamp") }; }, [kept]);
  const set = useCallback((next: Means) => keep((Object.keys(ALL_MEANS) as (keyof Means)[]).filter((k) => !next[k]).join(" ")), [keep]);
  return [means, set];
}

/** Only tests that can be made with these are proposed. */
export function YourMeans({ means, onChange }: { means: Means; onChange: (means: Means) => void }) {
  return (
    <Dropdown className="means" autoClose="outside" align="end">
      <Dropdown.Toggle>{means.live ? "You" : "You: dead first"}</Dropdown.Toggle>
      <Dropdown.Menu>
        <Form.Check type="switch" id="means-dead" label="I do not work live" checked={!means.live} onChange={(e) => onChange({ ...means, live: !e.target.checked })} />
        <Form.Check type="switch" id="means-clamp" label="I have an AC clamp" checked={means.clamp} onChange={(e) => onChange({ ...means, clamp: e.target.checked })} />
        <Form.Check type="switch" id="means-dc-clamp" label="I have a DC clamp" checked={means.dcClamp} onChange={(e) => onChange({ ...means, dcClamp: e.target.checked })} />
      </Dropdown.Menu>
    </Dropdown>
  );
}
