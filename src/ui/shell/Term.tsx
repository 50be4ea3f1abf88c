"use client";

import { useId } from "react";
import { TERMS } from "#words/terms";

/**
 * A word of the trade that says what it means when it is asked, where it stands: a button that opens a note; Escape or a
 * click beside it closes it.
 */
export function Term({ of, shown }: { readonly of: keyof typeof TERMS; readonly shown?: string }) {
  const id = useId();
  return (
    <>
      <button type="button" className="term" popoverTarget={id}>
        {shown ?? TERMS[of].word}
      </button>
      <span popover="auto" id={id} className="term-says">
        <strong>{TERMS[of].word}</strong> {TERMS[of].says}
      </span>
    </>
  );
}
