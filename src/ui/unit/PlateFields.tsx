"use client";

import { type ReactNode } from "react";
import Form from "react-bootstrap/Form";
import { SerialField } from "./SerialField";
import { findUnits } from "../../contract/units";
import { useRoute } from "../engine/useRoute";
import { useDebounced } from "../shell/useDebounced";
import { Fault, faultOf, type Faults } from "../shell/useFaults";
import { say } from "#words/ui/unit";

/** A unit as it is typed from its plate. */
export interface TypedPlate {
  readonly site: string;
  readonly serial: string;
  readonly noSerial: boolean;
  readonly productCode: string;
  readonly productIndex: string;
}

export const EMPTY_PLATE: TypedPlate = { site: "", serial: "", noSerial: false, productCode: "", productIndex: "" };

/** What is sent of a typed plate. */
export function plateOf(plate: TypedPlate) {
  return {
    site: plate.site.trim(),
    serial: plate.noSerial ? null : plate.serial.trim(),
    productCode: plate.productCode.trim() || null,
    productIndex: plate.productIndex.trim() || null,
  };
}

/** What is still missing, field by field. */
export function plateFaults(plate: TypedPlate): readonly (readonly [string, string])[] {
  return [
    ["site", plate.site.trim() === "" ? say.sayWhereTheUnitStands : ""],
    ["serial", serialFault(plate.serial, plate.noSerial)],
  ];
}

/** What is wrong with a serial number as typed; empty when nothing is. */
export const serialFault = (serial: string, none: boolean): string =>
  !none && serial.trim() === "" ? say.typeTheSerialNumberOr : "";

/** Site, product code with its index, serial: in the order in which they are looked for. */
export function PlateFields({
  plate,
  onChange,
  faults,
  children,
}: {
  plate: TypedPlate;
  faults: Faults;
  onChange: (plate: TypedPlate) => void;
  /** What is said of the product code, beneath it. */
  children?: ReactNode;
}) {
  const sites = useKnownSites(plate.site);
  const set = (change: Partial<TypedPlate>) => onChange({ ...plate, ...change });
  return (
    <>
      <Form.Group controlId="site">
        <Form.Label>{say.site}</Form.Label>
        <Form.Control
          size="lg"
          list="known-sites"
          autoComplete="off"
          value={plate.site}
          maxLength={120}
          {...faultOf(faults, "site")}
          onChange={(e) => set({ site: e.target.value })}
        />
        <Fault faults={faults} of="site" />
        <datalist id="known-sites">
          {sites.map((site) => (
            <option key={site} value={site} />
          ))}
        </datalist>
      </Form.Group>
      <div className="plate-row">
        <Form.Group controlId="product-code">
          <Form.Label>{say.productCode}</Form.Label>
          <Form.Control
            size="lg"
            value={plate.productCode}
            maxLength={60}
            spellCheck={false}
            onChange={(e) => set({ productCode: e.target.value })}
          />
        </Form.Group>
        <Form.Group controlId="product-index">
          <Form.Label>{say.index}</Form.Label>
          <Form.Control
            size="lg"
            value={plate.productIndex}
            maxLength={20}
            spellCheck={false}
            onChange={(e) => set({ productIndex: e.target.value })}
          />
        </Form.Group>
      </div>
      {children}
      <SerialField
        serial={plate.serial}
        none={plate.noSerial}
        onSerial={(serial) => set({ serial })}
        onNone={(noSerial) => set({ noSerial })}
        faults={faults}
      />
    </>
  );
}

/** Sites of known units that fit what is typed; a help only, so where none can be fetched there are none. */
function useKnownSites(typed: string): readonly string[] {
  const { value } = useRoute(findUnits, [useDebounced(typed.trim(), 150)]);
  return [...new Set(value?.units.map((u) => u.site))];
}
