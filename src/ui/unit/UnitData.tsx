"use client";

import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { UnitRecord, UnitRow } from "../../contract/units";
import { send, sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { serialWords } from "./plate";
import { PlateFields, plateOf, plateProblem, type TypedPlate } from "./PlateFields";
import { UnitFinder } from "./UnitFinder";
import { correctUnit, mergeUnit } from "../../contract/units";

/** What is on the plate and where the unit stands; corrected here, or merged with the unit that it turns out to be. */
export function UnitData({ unit }: { unit: UnitRecord }) {
  const [doing, setDoing] = useState<"nothing" | "correct" | "merge">("nothing");
  return (
    <section className="rig-sheet" aria-label="Unit data">
      <h2>Unit data</h2>
      <dl className="facts">
        <dt>Site</dt>
        <dd>{unit.site}</dd>
        <dt>Product code</dt>
        <dd>{unit.productCode ? `${unit.productCode} ${unit.productIndex ?? ""}` : "not noted"}</dd>
        {unit.platePicks ? (
          <>
            <dt>By its plate</dt>
            <dd>{unit.platePicks}</dd>
          </>
        ) : null}
        <dt>Serial number</dt>
        <dd>{unit.serial ?? "none on the plate"}</dd>
        {unit.absorbed.length > 0 ? (
          <>
            <dt>Also entered as</dt>
            <dd>{unit.absorbed.map((a) => `${a.site}, ${serialWords(a.serial)}`).join("; ")}</dd>
          </>
        ) : null}
      </dl>
      {doing === "nothing" ? (
        <p className="d-flex gap-3 flex-wrap mb-0">
          <Button variant="outline-dark" onClick={() => setDoing("correct")}>
            Correct
          </Button>
          <Button variant="outline-dark" onClick={() => setDoing("merge")}>
            Same as another unit
          </Button>
        </p>
      ) : null}
      {doing === "correct" ? <Correct unit={unit} onDone={() => setDoing("nothing")} /> : null}
      {doing === "merge" ? <Merge unit={unit} onDone={() => setDoing("nothing")} /> : null}
    </section>
  );
}

function Correct({ unit, onDone }: { unit: UnitRecord; onDone: () => void }) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [plate, setPlate] = useState<TypedPlate>({
    site: unit.site,
    serial: unit.serial ?? "",
    noSerial: unit.serial === null,
    productCode: unit.productCode ?? "",
    productIndex: unit.productIndex ?? "",
  });
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const id = useRef<string | null>(null);
  async function save(event: FormEvent) {
    event.preventDefault();
    const missing = plateProblem(plate);
    if (missing) return setProblem(missing);
    setBusy(true);
    try {
      await sendOnce(correctUnit, [unit.id], {
        id: (id.current ??= crypto.randomUUID()),
        actor: who || "Someone",
        ...plateOf(plate),
      });
      onDone();
      router.refresh();
    } catch (error) {
      id.current = null;
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  return (
    <Form className="new-job unit-form" onSubmit={(e) => void save(e)} noValidate aria-label="Correct the unit data">
      <PlateFields plate={plate} onChange={setPlate} />
      <p className="problem" role="alert">
        {problem}
      </p>
      <p className="d-flex gap-3 mb-0">
        <Button type="submit" disabled={busy}>
          Save
        </Button>
        <Button variant="outline-dark" onClick={onDone}>
          Cancel
        </Button>
      </p>
    </Form>
  );
}

function Merge({ unit, onDone }: { unit: UnitRecord; onDone: () => void }) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [typed, setTyped] = useState("");
  const [other, setOther] = useState<UnitRow | null>(null);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  async function merge() {
    if (!other) return setProblem("Choose the unit that this one is.");
    setBusy(true);
    try {
      await send(mergeUnit, [unit.id], { into: other.id, actor: who || "Someone" });
      router.push(`/units/${other.id}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  return (
    <div className="unit-form">
      {other ? (
        <p>
          The jobs of this unit go to <strong>{other.site}</strong>, {other.machineName}, {serialWords(other.serial)}.
          Nothing is erased.
        </p>
      ) : (
        <UnitFinder
          label="Which unit it is"
          typed={typed}
          onType={setTyped}
          onUnit={(found) =>
            found.id === unit.id ? setProblem("That is this unit itself. Choose the other one.") : setOther(found)
          }
        />
      )}
      <p className="problem" role="alert">
        {problem}
      </p>
      <p className="d-flex gap-3 mb-0">
        <Button disabled={busy || !other} onClick={() => void merge()}>
          Merge
        </Button>
        <Button variant="outline-dark" onClick={other ? () => setOther(null) : onDone}>
          {other ? "Another one" : "Cancel"}
        </Button>
      </p>
    </div>
  );
}
