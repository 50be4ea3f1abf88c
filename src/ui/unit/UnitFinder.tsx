"use client";

import { useId, useState, type RefObject } from "react";
import Form from "react-bootstrap/Form";
import type { UnitRow } from "../../contract/units";
import type { MachineSummary } from "../../contract/machines";
import { serialWords } from "./plate";
import { findUnits } from "../../contract/units";
import { useRoute } from "../engine/useRoute";
import { useDebounced } from "../shell/useDebounced";
import { Fault, faultOf, type Faults } from "../shell/useFaults";
import { say } from "#words/ui/unit";

/** So long nothing is typed before it is looked for, milliseconds. */
const PAUSE = 120;

/** Finds a unit by what is on its plate, where it stands or what it is; offers what is known while it is typed. */
export function UnitFinder({
  typed,
  onType,
  onUnit,
  onMachine,
  field,
  label,
  id = "unit-field",
  faults = {},
}: {
  typed: string;
  onType: (typed: string) => void;
  onUnit: (unit: UnitRow) => void;
  /** A new unit of this machine; left out where only known units are wanted. */
  onMachine?: (machine: MachineSummary) => void;
  field?: RefObject<HTMLInputElement | null>;
  label: string;
  id?: string;
  faults?: Faults;
}) {
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState(0);
  const list = useId();
  const wanted = typed.trim();
  const { value: found, problem: unread } = useRoute(findUnits, [useDebounced(wanted, PAUSE)]);
  const problem = unread ? say.unitsCannotBeLookedUp : "";
  const units = found?.units ?? [];
  const machines = onMachine ? (found?.machines ?? []).slice(0, wanted === "" ? 0 : 8) : [];
  const all = [...units.map((unit) => ({ unit })), ...machines.map((machine) => ({ machine }))];
  const choose = (i: number) => {
    const row = all[i];
    if (!row) return;
    setOpen(false);
    if ("unit" in row) onUnit(row.unit);
    else onMachine?.(row.machine);
  };
  const shown = open && all.length > 0;
  return (
    <Form.Group controlId={id} className="finder">
      <Form.Label>{label}</Form.Label>
      <Form.Control
        ref={field}
        size="lg"
        role="combobox"
        aria-expanded={shown}
        aria-controls={list}
        aria-activedescendant={shown ? `${list}-${at}` : undefined}
        aria-autocomplete="list"
        autoComplete="off"
        spellCheck={false}
        maxLength={120}
        placeholder={say.serialSiteModelOrBoard}
        {...faultOf(faults, id)}
        value={typed}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onChange={(e) => {
          onType(e.target.value);
          setOpen(true);
        }}
        onKeyDown={(e) => {
          if (e.key === "ArrowDown" || e.key === "ArrowUp") {
            e.preventDefault();
            setOpen(true);
            setAt((i) => Math.max(0, Math.min(all.length - 1, i + (e.key === "ArrowDown" ? 1 : -1))));
          }
          if (e.key === "Enter" && shown) {
            e.preventDefault();
            choose(at);
          }
          if (e.key === "Escape") setOpen(false);
        }}
      />
      <Fault faults={faults} of={id} />
      {problem ? (
        <p className="problem" role="alert">
          {problem}
        </p>
      ) : null}
      {found && wanted !== "" && all.length === 0 ? (
        <p className="quiet mb-0" role="status">
          {say.nothingKnownFitsTypeThe}
        </p>
      ) : null}
      <ul id={list} role="listbox" aria-label={say.knownUnitsAndMachines} className="finder-list" hidden={!shown}>
        {all.map((row, i) => (
          <li
            key={"unit" in row ? row.unit.id : row.machine.id}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === at}
            // The field keeps the focus, so that the list does not close under the finger.
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => choose(i)}
          >
            {"unit" in row ? (
              <>
                <strong>{row.unit.site}</strong>
                <span className="quiet">
                  {row.unit.machineName}, {serialWords(row.unit.serial)}
                  {row.unit.productCode ? `, ${row.unit.productCode} ${row.unit.productIndex ?? ""}` : ""}
                </span>
              </>
            ) : (
              <>
                <strong>
                  <i className="bi bi-plus-lg" aria-hidden />{" "}
                  {say.newUnitMakerModel(row.machine.maker, row.machine.model)}
                </strong>
                <span className="quiet">{[row.machine.name, ...row.machine.boards].join(" · ")}</span>
              </>
            )}
          </li>
        ))}
      </ul>
    </Form.Group>
  );
}
