"use client";

import { useCallback, useMemo, type ReactNode } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import type { Equipment } from "../../core/diagnose";
import { useKept } from "../shell/useKept";
import { ThemeChoice } from "../shell/Theme";
import { say } from "#words/ui/job/YourEquipment";

/** Tools that not every bag holds: asked for before a test with one is proposed. */
const MORE_TOOLS = [
  ["inrush", say.clampMeasuresInrush],
  ["hertz", say.meterMeasuresFrequency],
  ["capacitance", say.meterMeasuresCapacitance],
  ["insulation", say.insulationTester],
] as const;

/** What this person has and does, kept in this browser. */
export function useEquipment(): [Equipment, (equipment: Equipment) => void] {
  const [kept, keep] = useKept("unzo.without");
  const equipment = useMemo((): Equipment => {
    const said = new Set(kept.split(" "));
    const has = (key: keyof Equipment) => !said.has(key);
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
    (next: Equipment) =>
      keep(
        [
          ...(["live", "clamp", "dcClamp"] as const).filter((k) => !next[k]),
          ...(next.careful ? ["haste"] : []),
          ...MORE_TOOLS.filter(([k]) => next[k]).map(([k]) => `+${k}`),
        ].join(" "),
      ),
    [keep],
  );
  return [equipment, set];
}

/** Only tests that can be made with these are proposed. */
export function YourEquipment({
  equipment,
  onChange,
  children,
}: {
  equipment: Equipment;
  onChange: (equipment: Equipment) => void;
  children?: ReactNode;
}) {
  return (
    <Dropdown className="means" autoClose="outside" align="end">
      <Dropdown.Toggle title={equipmentWord(equipment)}>
        <i className="bi bi-sliders" aria-hidden /> <span className="tab-name">{equipmentWord(equipment)}</span>
        <span className="tab-short" aria-hidden>
          {say.limits}
        </span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Form.Check
          type="switch"
          id="means-dead"
          label={say.noLiveWork}
          checked={!equipment.live}
          onChange={(e) => onChange({ ...equipment, live: !e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-clamp"
          label={say.acClamp}
          checked={equipment.clamp}
          onChange={(e) => onChange({ ...equipment, clamp: e.target.checked })}
        />
        <Form.Check
          type="switch"
          id="means-dc-clamp"
          label={say.dcClamp}
          checked={equipment.dcClamp}
          onChange={(e) => onChange({ ...equipment, dcClamp: e.target.checked })}
        />
        {MORE_TOOLS.map(([key, words]) => (
          <Form.Check
            key={key}
            type="switch"
            id={`means-${key}`}
            label={words}
            checked={equipment[key]}
            onChange={(e) => onChange({ ...equipment, [key]: e.target.checked })}
          />
        ))}
        <Form.Check
          type="switch"
          id="means-careful"
          label={say.traineeOrWorkingAloneExtra}
          checked={equipment.careful}
          onChange={(e) => onChange({ ...equipment, careful: e.target.checked })}
        />
        {children}
        <ThemeChoice />
      </Dropdown.Menu>
    </Dropdown>
  );
}

function equipmentWord(equipment: Equipment): string {
  if (!equipment.live) return say.limitsNoLiveWork;
  if (equipment.careful) return say.limitsExtraCaution;
  return say.toolsAndLimits;
}
