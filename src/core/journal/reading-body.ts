import { unitOf } from "../instrument";
import { labelWords, type Laid, type Lead, verdictOf } from "../diagnose";
import { type Shown, shownText } from "../quantity";
import { CORE_VERSION } from "../version";
import type { EventBody } from "./events";

/** A lead in words: where it goes, wire colour, what it stands on. */
export function leadWords(lead: Lead): string {
  return [
    lead.name,
    lead.colour ? `${lead.colour} wire` : "",
    lead.where ?? "",
    lead.reference ? `(${lead.reference})` : "",
  ]
    .filter(Boolean)
    .join(", ")
    .replace(", (", " (");
}

/** The journal's account of a reading: the test as it was really made and everything that was on the screen with it. */
export function readingBody(
  laid: Laid,
  typed: string,
  shown: Shown,
  proposed: boolean,
): Extract<EventBody, { type: "reading" }> {
  return {
    type: "reading",
    test: { ...laid.test },
    typed,
    shown,
    as: {
      title: laid.title,
      red: leadWords(laid.red),
      ...(laid.black ? { black: leadWords(laid.black) } : {}),
      setup: laid.setupName,
      exposure: laid.exposure,
      expected: laid.windowWords,
      shown: shown.kind === "label" ? labelWords(shown.label) : shownText(shown, unitOf(laid.test.function)),
      verdict: verdictOf(laid.window, shown),
      proposed,
    },
    coreVersion: CORE_VERSION,
  };
}
