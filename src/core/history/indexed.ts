import type { JournalEvent } from "../journal";
import type { MachineFile } from "../model";
import { featureOf } from "./features";
import { LONGEST, termsIn } from "./search-words";

/** Counts up whenever another journal or machine would give other terms: the index is then made anew. */
export const TERMS_VERSION = 1;

/** What a term was found in; the place in this list is what is stored, so that it only ever grows at its end. */
export const TERM_FIELDS = [
  "person",
  "site",
  "serial",
  "machine",
  "board",
  "complaint",
  "code",
  "cause",
  "repair",
  "part number",
  "note",
  "found",
  /** Exact names for filters, and what was measured; no word leads to them. */
  "filter",
  "evidence",
] as const;
export type TermField = (typeof TERM_FIELDS)[number];

/** A term by which a job is found. */
export interface Term {
  readonly term: string;
  readonly field: TermField;
}

/** What a job is found by beyond its own journal: the machine that it was made with. */
export interface MachineNames extends Pick<MachineFile, "id" | "maker" | "model" | "name"> {
  readonly family: string;
  /** Numbers of its boards. */
  readonly boards: readonly string[];
}

/** What a machine is called, by its file. */
export const namesOf = ({ id, maker, model, name, family, pieces }: MachineFile): MachineNames => ({
  id,
  maker,
  model,
  name,
  family,
  boards: pieces.flatMap((p) => (p.number ? [p.number] : [])),
});

interface Said {
  readonly field: TermField;
  readonly text: string;
}

/** What an entry of a journal says that one may look for, place by place. */
export function saidIn({ body, actor }: JournalEvent, names: MachineNames): readonly Said[] {
  const said: Said[] = [{ field: "person", text: actor }];
  const add = (field: TermField, ...texts: readonly (string | null | undefined)[]) => {
    for (const text of texts) if (text) said.push({ field, text });
  };
  switch (body.type) {
    case "opened":
      add("site", body.site);
      add("serial", body.serial, body.productCode);
      add("machine", `${names.maker} ${names.model}`, names.name, names.family);
      add("board", ...names.boards);
      add("complaint", body.complaintWords, body.purpose);
      break;
    case "reading":
      if (body.shown.kind === "label") add("code", body.shown.label);
      break;
    case "note":
      add("note", body.text);
      break;
    case "called":
      add("cause", body.pieceName, body.cause);
      add("repair", body.action);
      add("note", body.despite, body.leftBecause, body.unsafe?.reason);
      break;
    case "decided":
      add("repair", body.words);
      break;
    case "matched":
      add("part number", `${body.number} ${body.revision}`);
      add("note", body.despite?.reason);
      break;
    case "photo":
      add("note", body.caption, ...body.marks.map((m) => m.words));
      break;
    case "noticed":
      if (body.there) add("found", body.words);
      break;
    case "answered":
      if (body.answer === "yes") add("found", body.words);
      break;
    case "by hand":
    case "alone":
    case "varied":
      add("found", body.words);
      break;
    case "modified":
      add("repair", body.words);
      add("note", body.reason);
      break;
    case "handed over":
      add("person", body.to);
      add("note", body.words);
      break;
    case "dropped":
      add("note", body.reason);
      break;
  }
  return said;
}

/** Names for filters: of a machine and of a person, as no word can be. */
export const machineFilter = (machine: string) => `m:${machine}`.slice(0, LONGEST);
export const personFilter = (person: string) => `p:${person.trim().toLowerCase()}`.slice(0, LONGEST);

/** The terms by which a job is found because of an entry, each once a field. */
export function termsOf(event: JournalEvent, names: MachineNames): readonly Term[] {
  const terms = new Map<string, Term>();
  const add = (term: string, field: TermField) => terms.set(`${field} ${term}`, { term, field });
  for (const { field, text } of saidIn(event, names)) for (const term of termsIn(text)) add(term, field);
  add(personFilter(event.actor), "filter");
  if (event.body.type === "opened") add(machineFilter(names.id), "filter");
  const feature = featureOf(event.body, names.id);
  if (feature) add(feature.term, "evidence");
  return [...terms.values()];
}

/** The terms of a whole journal: what was struck out is no evidence. */
export function termsOfJob(events: readonly JournalEvent[], names: MachineNames): readonly Term[] {
  const struck = new Set(events.flatMap(({ body }) => (body.type === "struck" ? [body.event] : [])));
  const terms = new Map<string, Term>();
  for (const event of events)
    for (const term of termsOf(event, names))
      if (term.field !== "evidence" || !struck.has(event.id)) terms.set(`${term.field} ${term.term}`, term);
  return [...terms.values()];
}
