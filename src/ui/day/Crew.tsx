"use client";

import { useState } from "react";
import Form from "react-bootstrap/Form";
import { type Crew as Known, crewSchema, setCrew } from "../../contract/shop";
import { FormDialog } from "../shell/FormDialog";
import { sendOnce } from "../shell/send";
import { useKept } from "../shell/useKept";
import { tellNews } from "../shell/useNews";
import { say } from "#words/ui/day";

/** What a workshop may have few of, with what it is asked by. */
const FEW = [
  ["places", say.placesToRun],
  ["water", say.placesWithWater],
  ["supplies", say.lowVoltageSupplies],
] as const;
type Few = (typeof FEW)[number][0];

/** Whose hands the day is planned for, and how many rigs there are; said here for everybody. */
export function Crew({ known }: { readonly known: Known | null }) {
  const [asks, setAsks] = useState(false);
  const few = FEW.flatMap(([of]) => {
    const n = known?.[of] ?? null;
    return n === null ? [] : [say.countOf[of](n)];
  });
  return (
    <p className="mb-0 mt-2">
      <button type="button" className="btn btn-outline-dark btn-sm crew-key" onClick={() => setAsks(true)}>
        <i className="bi bi-people" aria-hidden /> {say.crew}:{" "}
        {known ? say.crewOf(known.people.join(", "), few) : say.crewOne}
      </button>
      {asks ? <CrewDialog known={known} onHide={() => setAsks(false)} /> : null}
    </p>
  );
}

function CrewDialog({ known, onHide }: { readonly known: Known | null; onHide(): void }) {
  const [who] = useKept("unzo.who");
  const [names, setNames] = useState(known?.people.join(", ") ?? who);
  const typed = (of: Few) => String(known?.[of] ?? "");
  const [few, setFew] = useState<Readonly<Record<Few, string>>>({
    places: typed("places"),
    water: typed("water"),
    supplies: typed("supplies"),
  });
  const [id] = useState(() => crypto.randomUUID());
  async function keep() {
    const people = [...new Set(names.split(",").map((name) => name.trim()))].filter((name) => name !== "");
    const count = (of: Few) => (few[of].trim() === "" ? null : Number(few[of]));
    const asked = { people, places: count("places"), water: count("water"), supplies: count("supplies") };
    // As JSON what is no number would be nothing, and nothing means enough.
    const checked = crewSchema.safeParse(asked);
    if (!checked.success) throw new Error(checked.error.issues[0]!.message);
    await sendOnce(setCrew, [], { id, actor: who.trim() || "Someone", ...checked.data });
    tellNews();
    onHide();
  }
  return (
    <FormDialog title={say.crew} does={say.keep} onHide={onHide} onKeep={keep}>
      <Form.Group controlId="crew-names">
        <Form.Label>{say.names}</Form.Label>
        <Form.Control autoFocus value={names} maxLength={400} onChange={(e) => setNames(e.target.value)} />
      </Form.Group>
      <fieldset className="crew-few">
        <legend>{say.howMany}</legend>
        {FEW.map(([of, words]) => (
          <Form.Group key={of} controlId={`crew-${of}`}>
            <Form.Label>{words}</Form.Label>
            <Form.Control
              inputMode="numeric"
              autoComplete="off"
              maxLength={10}
              value={few[of]}
              onChange={(e) => setFew({ ...few, [of]: e.target.value })}
            />
          </Form.Group>
        ))}
      </fieldset>
    </FormDialog>
  );
}
