import type { EventBody } from "../journal";
import type { Reading } from "../quantity";

/** One thing that a job showed of its machine, by which another job is like it. */
export interface Feature {
  /** Its name in the index. */
  readonly term: string;
  readonly words: string;
}

/** Readings that do not fit are alike within so many per decade: 24 and 31 are one kind, 24 and 60 are not. */
const KINDS_PER_DECADE = 4;
/** Below this a meter shows next to nothing, in whatever unit. */
const NEAR_NOTHING = 0.05;

/** What an entry shows of a machine, or null where it shows nothing. */
export function featureOf(body: EventBody, machine: string): Feature | null {
  const told = shownBy(body);
  return told ? { term: `~${hashed(`${machine}|${told.name}`)}`, words: told.words } : null;
}

function shownBy(body: EventBody): { readonly name: string; readonly words: string } | null {
  switch (body.type) {
    case "opened":
      return body.complaint && body.complaintWords
        ? { name: `complaint|${body.complaint}`, words: body.complaintWords }
        : null;
    case "reading": {
      const { setup, function: fn, red, black, instant } = body.test;
      const kind = body.as.verdict === "fits" ? "fits" : kindOf(body.shown);
      return {
        name: [setup, fn, red, black ?? "", instant, kind].join("|"),
        words: `${body.as.title}: ${body.as.shown}`,
      };
    }
    case "noticed":
      return { name: `sign|${body.part}|${body.sign}|${body.there ? "there" : "not"}`, words: body.words };
    case "answered":
      return body.answer === "skip" ? null : { name: `simple|${body.first}|${body.answer}`, words: body.words };
    case "by hand":
      return { name: `hand|${body.trial}|${body.of}|${body.came}`, words: body.words };
    case "alone":
      return { name: `alone|${body.part}|${body.found}|${body.mode ?? ""}`, words: body.words };
    case "tried":
      return { name: `tried|${body.piece}|${body.result}`, words: body.words };
    default:
      return null;
  }
}

/** Readings of one kind mean alike. */
function kindOf(shown: Reading): string {
  if (shown.kind === "label") return `label ${shown.label}`;
  if (shown.kind === "beep") return shown.beeps ? "beep" : "silent";
  if (shown.kind === "jumping") return shown.manner;
  if (shown.kind === "overload") return "overload";
  const size = Math.abs(shown.value);
  if (size < NEAR_NOTHING) return "nothing";
  return `${Math.sign(shown.value)} ${Math.round(KINDS_PER_DECADE * Math.log10(size))}`;
}

const PRIME = 0x100000001b3n;
const OFFSET = 0xcbf29ce484222325n;

/** A short name for a text, the same for ever: FNV-1a of 64 bits, in hexadecimal digits. */
export function hashed(text: string): string {
  let hash = OFFSET;
  for (const byte of new TextEncoder().encode(text)) hash = ((hash ^ BigInt(byte)) * PRIME) & 0xffffffffffffffffn;
  return hash.toString(16).padStart(16, "0");
}
