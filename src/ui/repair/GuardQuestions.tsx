"use client";

import Form from "react-bootstrap/Form";
import { type Guard, type GuardAnswers, NOT_ON_IT } from "../../core/model";
import { say } from "#words/ui/repair/GuardQuestions";

/**
 * What a board that comes out watched over: asked one by one, for what nobody knows is not allowed. What is replaced is
 * named.
 */
export function GuardQuestions({
  guards,
  isKnown,
  answers,
  onChange,
}: {
  guards: readonly Guard[];
  /** Whether the file says that the board watched over them: then it is only asked what does so from now on. */
  isKnown: boolean;
  answers: GuardAnswers;
  onChange: (answers: GuardAnswers) => void;
}) {
  const told = (guard: Guard) => answers[guard];
  const set = (guard: Guard, answer: string | undefined) => {
    const { [guard]: _old, ...rest } = answers;
    onChange(answer === undefined ? rest : { ...rest, [guard]: answer });
  };
  return (
    <fieldset className="mt-3">
      <legend className="fs-5">{isKnown ? say.theBoardWatchedOver : say.didTheBoardWatchOver}</legend>
      <p className="quiet">{isKnown ? say.whatTheModelShows : say.whatNobodyKnows}</p>
      {guards.map((guard) => (
        <div key={guard} className="repair-asks">
          <Form.Group controlId={`guard-${guard}`}>
            <Form.Label>{say.guard[guard]}</Form.Label>
            <Form.Select
              value={choiceOf(told(guard))}
              onChange={(e) => set(guard, { "": undefined, no: NOT_ON_IT, yes: " " }[e.target.value])}
            >
              <option value="">{isKnown ? say.shownByTheModel : say.notKnown}</option>
              {isKnown ? null : <option value="no">{say.itDidNot}</option>}
              <option value="yes">{isKnown ? say.doneByAnother : say.itDid}</option>
            </Form.Select>
          </Form.Group>
          {choiceOf(told(guard)) === "yes" ? (
            <Form.Group controlId={`guard-by-${guard}`}>
              <Form.Label>{say.nowDoneBy}</Form.Label>
              <Form.Control
                value={told(guard) === " " ? "" : told(guard)}
                maxLength={200}
                onChange={(e) => set(guard, e.target.value || " ")}
              />
            </Form.Group>
          ) : null}
        </div>
      ))}
    </fieldset>
  );
}

function choiceOf(answer: string | undefined): "" | "no" | "yes" {
  if (answer === undefined) return "";
  return answer === NOT_ON_IT ? "no" : "yes";
}
