"use client";

import { useCallback, useEffect, useMemo, type ReactNode } from "react";
import Dropdown from "react-bootstrap/Dropdown";
import Form from "react-bootstrap/Form";
import { EQUIPMENT_COOKIE, equipmentOf, equipmentText } from "../../contract/equipment";
import type { Equipment } from "../../core/diagnose";
import { useKept } from "../shell/useKept";
import { ThemeChoice } from "../shell/Theme";
import { say } from "#words/ui/job/YourEquipment";

/** What one has and does, as it is asked: the usual tools, those that not every bag holds, how one works. */
const SWITCHES = [
  ["clamp", "clamp", say.acClamp],
  ["dcClamp", "dc-clamp", say.dcClamp],
  ["inrush", "inrush", say.clampMeasuresInrush],
  ["hertz", "hertz", say.meterMeasuresFrequency],
  ["capacitance", "capacitance", say.meterMeasuresCapacitance],
  ["insulation", "insulation", say.insulationTester],
  ["careful", "careful", say.traineeOrWorkingAloneExtra],
  ["boards", "boards", say.iRepairBoards],
] as const satisfies readonly (readonly [keyof Equipment, string, string])[];

/** Seconds for which the cookie is kept: a year. */
const A_YEAR = 31_536_000;

/** What this person has and does, kept in this browser; `drawn` is the text that the server knows of it. */
export function useEquipment(drawn: string): [Equipment, (equipment: Equipment) => void] {
  const [kept, keep] = useKept(EQUIPMENT_COOKIE, drawn);
  const equipment = useMemo(() => equipmentOf(kept), [kept]);
  // The next page is drawn for what is so now.
  useEffect(() => {
    if (kept !== drawn)
      document.cookie = `${EQUIPMENT_COOKIE}=${encodeURIComponent(kept)};path=/;max-age=${A_YEAR};samesite=lax`;
  }, [kept, drawn]);
  const set = useCallback((next: Equipment) => keep(equipmentText(next)), [keep]);
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
        {SWITCHES.map(([key, id, words]) => (
          <Form.Check
            key={key}
            type="switch"
            id={`means-${id}`}
            label={words}
            checked={equipment[key]}
            onChange={(e) => onChange({ ...equipment, [key]: e.target.checked })}
          />
        ))}
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
