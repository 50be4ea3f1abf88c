"use client";

import { useRouter } from "next/navigation";
import { useRef, useState, type FormEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { UnitRecord, UnitRow } from "../../contract/units";
import { send, sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { serialWords } from "./plate";
import { PlateFields, plateOf, plateFaults, type TypedPlate } from "./PlateFields";
import { UnitFinder } from "./UnitFinder";
import { correctUnit, mergeUnit } from "../../contract/units";
import { useFaults } from "../shell/useFaults";
import { say } from "#words/ui/unit";

/** What is on the plate and where the unit stands; corrected here, or merged with the unit that it turns out to be. */
export function UnitData({ unit }: { unit: UnitRecord }) {
  const [doing, setDoing] = useState<"nothing" | "correct" | "merge">("nothing");
  return (
    <section className="rig-sheet" aria-label={say.unitData}>
      <h2>{say.unitData}</h2>
      <dl className="facts">
        <dt>{say.site}</dt>
        <dd>{unit.site}</dd>
        <dt>{say.productCode}</dt>
        <dd>{unit.productCode ? `${unit.productCode} ${unit.productIndex ?? ""}` : say.notNoted}</dd>
        {unit.platePicks ? (
          <>
            <dt>{say.byItsPlate}</dt>
            <dd>{unit.platePicks}</dd>
          </>
        ) : null}
        <dt>{say.serialNumber}</dt>
        <dd>{unit.serial ?? say.noneOnThePlate}</dd>
        {unit.absorbed.length > 0 ? (
          <>
            <dt>{say.alsoEnteredAs}</dt>
            <dd>{unit.absorbed.map((a) => `${a.site}, ${serialWords(a.serial)}`).join("; ")}</dd>
          </>
        ) : null}
      </dl>
      {doing === "nothing" ? (
        <p className="d-flex gap-3 flex-wrap mb-0">
          <Button variant="outline-dark" onClick={() => setDoing("correct")}>
            {say.correct}
          </Button>
          <Button variant="outline-dark" onClick={() => setDoing("merge")}>
            {say.sameAsAnotherUnit}
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
  const { faults, check, mend } = useFaults();
  async function save(event: FormEvent) {
    event.preventDefault();
    if (!check(plateFaults(plate))) return;
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
    <Form
      className="new-job unit-form"
      onSubmit={(e) => void save(e)}
      onInput={mend}
      noValidate
      aria-label={say.correctTheUnitData}
    >
      <PlateFields plate={plate} onChange={setPlate} faults={faults} />
      <p className="problem" role="alert">
        {problem}
      </p>
      <p className="d-flex gap-3 mb-0">
        <Button type="submit" disabled={busy}>
          {say.save}
        </Button>
        <Button variant="outline-dark" onClick={onDone}>
          {say.cancel}
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
    if (!other) return setProblem(say.chooseTheUnitThatThis);
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
          {say.theJobsOfThisUnit} <strong>{other.site}</strong>
          {say.nothingIsErased(other.machineName, serialWords(other.serial))}
        </p>
      ) : (
        <UnitFinder
          label={say.whichUnitItIs}
          typed={typed}
          onType={setTyped}
          onUnit={(found) => (found.id === unit.id ? setProblem(say.thatIsThisUnitItself) : setOther(found))}
        />
      )}
      <p className="problem" role="alert">
        {problem}
      </p>
      <p className="d-flex gap-3 mb-0">
        <Button disabled={busy || !other} onClick={() => void merge()}>
          {say.merge}
        </Button>
        <Button variant="outline-dark" onClick={other ? () => setOther(null) : onDone}>
          {other ? say.anotherOne : "Cancel"}
        </Button>
      </p>
    </div>
  );
}
