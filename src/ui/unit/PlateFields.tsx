"use client";

import Form from "react-bootstrap/Form";

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

/** What is still missing, as a sentence; empty when nothing is. */
export function plateProblem(plate: TypedPlate): string {
  if (plate.site.trim() === "") return "Say where the unit stands.";
  if (!plate.noSerial && plate.serial.trim() === "")
    return "Type the serial number, or say that there is none on the plate.";
  return "";
}

/** Site, product code with its index, serial: in the order in which they are looked for. */
export function PlateFields({ plate, onChange }: { plate: TypedPlate; onChange: (plate: TypedPlate) => void }) {
  const set = (change: Partial<TypedPlate>) => onChange({ ...plate, ...change });
  return (
    <>
      <Form.Group controlId="site">
        <Form.Label>Site</Form.Label>
        <Form.Control size="lg" value={plate.site} maxLength={120} onChange={(e) => set({ site: e.target.value })} />
      </Form.Group>
      <div className="plate-row">
        <Form.Group controlId="product-code">
          <Form.Label>Product code</Form.Label>
          <Form.Control
            size="lg"
            value={plate.productCode}
            maxLength={60}
            spellCheck={false}
            onChange={(e) => set({ productCode: e.target.value })}
          />
        </Form.Group>
        <Form.Group controlId="product-index">
          <Form.Label>Index</Form.Label>
          <Form.Control
            size="lg"
            value={plate.productIndex}
            maxLength={20}
            spellCheck={false}
            onChange={(e) => set({ productIndex: e.target.value })}
          />
        </Form.Group>
      </div>
      <Form.Group controlId="serial">
        <Form.Label>Serial number</Form.Label>
        <Form.Control
          size="lg"
          value={plate.noSerial ? "" : plate.serial}
          disabled={plate.noSerial}
          maxLength={60}
          spellCheck={false}
          onChange={(e) => set({ serial: e.target.value })}
        />
        <Form.Check
          id="no-serial"
          className="mt-2"
          label="none on the plate"
          checked={plate.noSerial}
          onChange={(e) => set({ noSerial: e.target.checked })}
        />
      </Form.Group>
    </>
  );
}
