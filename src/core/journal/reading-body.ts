import { unitOf } from "../instrument";
import { labelWords, type TestCard, type Lead, verdictOf } from "../diagnose";
import { type Reading, readingText } from "../quantity";
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
  card: TestCard,
  typed: string,
  shown: Reading,
  proposed: boolean,
  simulated = false,
): Extract<EventBody, { type: "reading" }> {
  return {
    type: "reading",
    test: { ...card.test },
    typed,
    shown,
    as: {
      title: card.title,
      red: leadWords(card.red),
      ...(card.black ? { black: leadWords(card.black) } : {}),
      setup: card.setupName,
      exposure: card.exposure,
      expected: card.windowWords,
      shown: shown.kind === "label" ? labelWords(shown.label) : readingText(shown, unitOf(card.test.function)),
      verdict: verdictOf(card.window, shown),
      proposed,
    },
    coreVersion: CORE_VERSION,
    ...(simulated ? { simulated } : {}),
  };
}
