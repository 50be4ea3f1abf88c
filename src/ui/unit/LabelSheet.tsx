"use client";

import Link from "next/link";
import { useEffect, useState } from "react";
import Button from "react-bootstrap/Button";
import QRCode from "qrcode";
import type { UnitRecord } from "../../contract/units";
import { dayName } from "../shell/time";
import { serialWords } from "./plate";
import { PageTitle } from "../shell/PageTitle";
import { say } from "#words/ui/unit";

/** The label that goes onto a modified unit, with a code that leads to its record. */
export function LabelSheet({ unit }: { unit: UnitRecord }) {
  const [code, setCode] = useState("");
  const [address, setAddress] = useState("");
  useEffect(() => {
    const here = `${window.location.origin}/units/${unit.id}`;
    QRCode.toDataURL(here, { margin: 1, width: 360, errorCorrectionLevel: "M" }).then(
      (data) => {
        setCode(data);
        setAddress(here);
      },
      () => setAddress(here),
    );
  }, [unit.id]);
  return (
    <div className="record">
      <nav className="record-bar d-print-none">
        <Link className="btn btn-outline-dark" href={`/units/${unit.id}`}>
          {say.theUnit}
        </Link>
        <Button onClick={() => window.print()}>
          <i className="bi bi-printer" aria-hidden /> {say.print}
        </Button>
      </nav>
      <main id="main" tabIndex={-1}>
        <PageTitle of={"Label"} />
        <p className="quiet d-print-none">{say.twoLabels}</p>
        <section className="unit-label" aria-label={say.outside}>
          <div>
            <p className="label-side">{say.outside}</p>
            <h1>
              <i className="bi bi-exclamation-diamond-fill" aria-hidden /> {say.modified3}
            </h1>
            <p>
              <strong>{unit.machineName}</strong>, {serialWords(unit.serial)}
            </p>
            <ul>
              {unit.modifications.map((m) => (
                <li key={m.id} suppressHydrationWarning>
                  {m.body.words}, {dayName(m.at)}
                </li>
              ))}
            </ul>
            <p>{say.itIsNotAsIts}</p>
          </div>
          <figure>
            {code ? <img src={code} alt={say.codeLeadingTo(address)} /> : null}
            <figcaption className="value">{address}</figcaption>
          </figure>
        </section>
        <section className="unit-label" aria-label={say.inside}>
          <div>
            <p className="label-side">{say.inside}</p>
            <h2>{say.whatIsDifferentInside}</h2>
            {unit.modifications.map((m) => (
              <div key={m.id}>
                <ol>
                  {m.body.words.split("; ").map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </ol>
                <ul className="label-proof">
                  {m.body.proof.map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </ul>
                <p suppressHydrationWarning>{say.builtBy(m.actor, dayName(m.at))}</p>
              </div>
            ))}
          </div>
        </section>
      </main>
    </div>
  );
}
