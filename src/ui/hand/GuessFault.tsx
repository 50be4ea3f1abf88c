"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { Fault } from "../../core/model";
import { say } from "#words/ui/hand";

interface Props {
  readonly faults: readonly { readonly fault: Fault; readonly words: string }[];
  /** The fault that is hidden. */
  readonly secret: Fault | null;
  /** How often a lead was moved so far. */
  readonly readings: number;
  readonly onAnother: () => void;
}

/** A hidden fault to be found by measuring: say what it is, hear whether it is, or have it shown. */
export function GuessFault({ faults, secret, readings, onAnother }: Props) {
  const [guess, setGuess] = useState("");
  const [said, setSaid] = useState("");
  const words = faults.find((f) => f.fault.part === secret?.part && f.fault.mode === secret?.mode)?.words ?? "";
  const check = () => {
    const guessed = faults.find((f) => `${f.fault.part}:${f.fault.mode}` === guess)?.fault;
    if (!guessed || !secret) return;
    const moves = say.moveOfALead(readings);
    if (guessed.part !== secret.part) setSaid(say.noItIsAnotherPart);
    else if (guessed.mode !== secret.mode) setSaid(say.theRightPartItHas);
    else setSaid(say.yesFoundWith(words, moves));
  };
  return (
    <section className="guess-fault" aria-label={say.theHiddenFault}>
      <Form.Select aria-label={say.whatIsIt} value={guess} onChange={(e) => setGuess(e.target.value)}>
        <option value="">{say.whatIsIt}</option>
        {faults.map(({ fault, words: name }) => (
          <option key={`${fault.part}:${fault.mode}`} value={`${fault.part}:${fault.mode}`}>
            {name}
          </option>
        ))}
      </Form.Select>
      <Button variant="primary" disabled={guess === ""} onClick={check}>
        {say.check}
      </Button>
      <Button variant="outline-dark" onClick={() => setSaid(say.itWasWords(words))}>
        {say.showIt}
      </Button>
      <Button variant="outline-dark" onClick={onAnother}>
        {say.anotherOne}
      </Button>
      <strong role="status">{said}</strong>
    </section>
  );
}
