"use client";

import { useCallback, useMemo, type ReactNode } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import type { Means } from "../../core/diagnose";
import { useKept } from "../shell/useKept";
import { ThemeChoice } from "../shell/Theme";
import { say } from "#words/ui/job/YourMeans";

/** Tools that not every bag holds: asked for before a test with one is proposed. */
const MORE_TOOLS = [
  ["inrush", say.clampMeasuresInrush],
  ["hertz", say.meterMeasuresFrequency],
  ["capacitance", say.meterMeasuresCapacitance],
  ["insulation", say.insulationTester],
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
      <Dropdown.Toggle title={meansWord(means)}>
        <i className="bi bi-sliders" aria-hidden /> <span className="tab-name">{meansWord(means)}</span>
        <span className="tab-short" aria-hidden>
          {say.limits}
        </span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Form.Check
          type="switch"
          id="means-dead"
          label={say.noLiveWork}
          checked={!means.live}
          onChange={(e) => onChange({ ...means, live: !e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-clamp"
          label={say.acClamp}
          checked={means.clamp}
          onChange={(e) => onChange({ ...means, clamp: e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-dc-clamp"
          label={say.dcClamp}
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
          label={say.traineeOrWorkingAloneExtra}
          checked={means.careful}
          onChange={(e) => onChange({ ...means, careful: e.target.checked })}
        />
        {children}
        <ThemeChoice />
      </Dropdown.Menu>
    </Dropdown>
  );
}

function meansWord(means: Means): string {
  if (!means.live) return say.limitsNoLiveWork;
  if (means.careful) return say.limitsExtraCaution;
  return say.toolsAndLimits;
}
