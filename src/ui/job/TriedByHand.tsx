"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type Came, cameOf, type Trial, trialsOf } from "../../core/diagnose";
import { byHandBody, type EventBody } from "../../core/journal";
import type { Machine } from "../../core/model";
import { bridgingRefused, bridgingSteps } from "../../core/safety";
import { say } from "#words/ui/job/TriedByHand";

/** What a hand can try on a unit, as it is chosen. */
const CHOICES = ["reseated", "wiggled", "good part in", "bridged"] as const satisfies readonly Trial[];

/**
 * Something tried by hand and what came of it: evidence like a reading. What may not be bridged is refused with its reason,
 * before anybody does it.
 */
export function TriedByHand({
  machine,
  busy,
  onLog,
}: {
  readonly machine: Machine;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}) {
  const [trial, setTrial] = useState<(typeof CHOICES)[number]>("reseated");
  const [of, setOf] = useState("");
  const [logged, setLogged] = useState("");
  const choices = trialsOf(machine, trial);
  const chosen = choices.find((c) => c.id === of);
  const refused = trial === "bridged" && chosen ? bridgingRefused(machine, chosen.id) : null;
  const log = (came: Came) => {
    if (!chosen) return;
    const body = byHandBody(chosen.name, { trial, of: chosen.id, came });
    void onLog(body).then((done) => {
      if (!done) return;
      setOf("");
      setLogged(body.words);
    });
  };
  return (
    <div className="tried-by-hand">
      <div className="tried">
        <Form.Select
          aria-label={say.whatWasTried}
          value={trial}
          onChange={(e) => {
            setTrial(e.target.value as typeof trial);
            setOf("");
            setLogged("");
          }}
        >
          {CHOICES.map((t) => (
            <option key={t} value={t}>
              {say.trials[t]}
            </option>
          ))}
        </Form.Select>
        <Form.Select
          aria-label={say.onWhat}
          value={of}
          onChange={(e) => {
            setOf(e.target.value);
            setLogged("");
          }}
        >
          <option value="">{trial === "wiggled" || trial === "reseated" ? say.whichPlug : say.whichPart}</option>
          {choices.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </Form.Select>
      </div>
      {refused ? (
        <p className="problem mb-0" role="alert">
          <i className="bi bi-x-octagon-fill" aria-hidden /> {refused}
        </p>
      ) : null}
      {trial === "bridged" && chosen && !refused ? (
        <ol className="steps mb-0" aria-label={say.howItIsBridged}>
          {bridgingSteps().map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ol>
      ) : null}
      <div className="d-flex flex-wrap gap-2" role="group" aria-label={say.whatCameOfIt}>
        {cameOf(trial).map((came) => (
          <Button
            key={came}
            variant="outline-dark"
            disabled={busy || !chosen || refused !== null}
            onClick={() => log(came)}
          >
            {say.came[came]}
          </Button>
        ))}
      </div>
      {logged ? (
        <p className="sound mb-0" role="status">
          {say.logged(logged)}
        </p>
      ) : null}
    </div>
  );
}
