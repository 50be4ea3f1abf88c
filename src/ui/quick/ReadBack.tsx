"use client";

import { useMemo } from "react";
import { readItems, takenFor, type QuickSupply } from "../../core/model";
import { say } from "#words/ui/quick";

/** What was typed, thing by thing, as it was taken; what was not understood stands in its place with why. */
export function ReadBack({
  id,
  text,
  supply,
}: {
  readonly id: string;
  readonly text: string;
  readonly supply: QuickSupply | null;
}) {
  const items = useMemo(() => (supply ? readItems(text, supply) : []), [text, supply]);
  if (items.length === 0)
    return (
      <p id={id} className="form-text">
        {say.oneAfterAnotherTheOne}
      </p>
    );
  return (
    <ul id={id} className="read-back" aria-label={say.takenFor}>
      {items.map((item, i) => (
        <li key={i} className={item.problem ? "is-unread" : ""}>
          <i className={`bi ${item.problem ? "bi-question-diamond" : "bi-check2"}`} aria-hidden />
          <span>{item.problem ?? takenFor(item)}</span>
        </li>
      ))}
    </ul>
  );
}
