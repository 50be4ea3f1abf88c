"use client";

import type { PaperHead } from "../../contract/paper";
import { dateWithYear } from "../shell/time";
import { say } from "#words/ui/paper";

/** The head of a paper: who hands it out, for which machine, when. */
export function PaperTop({ head, title }: { readonly head: PaperHead; readonly title: string }) {
  return (
    <>
      {head.letterhead ? (
        <p className="paper-head">
          <strong>{head.letterhead.name}</strong> {head.letterhead.contact}
        </p>
      ) : null}
      <h1>{title}</h1>
      <dl className="facts">
        <dt>{say.machine}</dt>
        <dd>
          {head.machine}
          {head.serial === null ? `, ${say.noSerial}` : `, ${say.serial.toLowerCase()} ${head.serial}`}
        </dd>
        <dt>{say.site}</dt>
        <dd>{head.site}</dd>
        <dt>{say.date}</dt>
        <dd suppressHydrationWarning>
          {dateWithYear(head.at)}, {head.by}
        </dd>
      </dl>
    </>
  );
}
