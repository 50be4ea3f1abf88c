"use client";

import { useMemo } from "react";
import { isMap, isSeq, parse, parseDocument, stringify, type Document } from "yaml";
import { formatOf, placeIn, toFormat1, toFormat2 } from "../../core/model";

/** One row of a table: the entry as it stands in the file. */
export type Row = Readonly<Record<string, unknown>>;

/**
 * Tables over the text of a machine file of either format, under the names of format 1. Reading and writing entries
 * leaves everything else in the text as it is.
 */
export interface Rows {
  list(section: string): readonly Row[];
  /** A place, dotted, as the problems of this file name it. */
  placeOf(path: string): string;
  set(section: string, rows: readonly Row[]): void;
  /** Several sections at once: one step for undo. */
  setAll(sections: Readonly<Record<string, readonly Row[]>>): void;
  /** A section that is no list, as `menu`; undefined where the file has none. */
  value(section: string): unknown;
  setValue(section: string, value: unknown): void;
  pins(connector: number): readonly Row[];
  setPins(connector: number, rows: readonly Row[]): void;
}

const FLOW = { lineWidth: 0 } as const;

export function useRows(text: string, onText: (text: string) => void): Rows {
  return useMemo(() => {
    const document = parseDocument(text, { schema: "failsafe", prettyErrors: false });
    const own: unknown = document.errors.length > 0 ? {} : (document.toJS({ maxAliasCount: 0 }) ?? {});
    const format = formatOf(own);
    const plain = toFormat1(own).file as Record<string, unknown>;
    const list = (section: string): readonly Row[] => (Array.isArray(plain[section]) ? (plain[section] as Row[]) : []);
    const put = (next: Document, path: (string | number)[], rows: readonly Row[]) => {
      const place = placeIn(format, path);
      next.setIn(place, next.createNode(asIn(format, path, rows), { flow: false }));
      const seq = next.getIn(place, true);
      if (isSeq(seq)) for (const item of seq.items) if (isMap(item)) item.flow = true;
    };
    const change = (how: (next: Document) => void) => {
      if (document.errors.length > 0) return;
      const next = document.clone() as Document;
      how(next);
      onText(next.toString(FLOW));
    };
    const write = (path: (string | number)[], rows: readonly Row[]) => change((next) => put(next, path, rows));
    return {
      list,
      placeOf: (path) => placeIn(format, stepsOf(path)).join("."),
      set: (section, rows) => write([section], rows),
      setAll: (sections) =>
        change((next) => {
          for (const [section, rows] of Object.entries(sections)) put(next, [section], rows);
        }),
      value: (section) => plain[section],
      setValue: (section, value) =>
        change((next) => {
          const place = placeIn(format, [section]);
          if (value === undefined) next.deleteIn(place);
          else next.setIn(place, next.createNode(asPlain(format, section, value), { flow: true }));
        }),
      pins: (c) => (list("connectors")[c]?.["pins"] as Row[] | undefined) ?? [],
      setPins: (c, rows) => write(["connectors", c, "pins"], rows),
    };
  }, [text, onText]);
}

const stepsOf = (path: string) => path.split(".").map((s) => (/^\d+$/.test(s) ? Number(s) : s));

/** Rows of a section under the names of the file's own format. */
function asIn(format: 1 | 2, [section, ...inner]: readonly (string | number)[], rows: readonly Row[]): unknown {
  const plain = rows.map((r) => ({ ...r }));
  // What lies deeper than a section is called the same in both formats.
  if (format === 1 || inner.length > 0) return plain;
  const renamed = toFormat2({ [section!]: plain }) as Record<string, unknown>;
  return renamed[String(placeIn(2, [section!])[0])];
}

/** A section that is no list under the names of the file's own format. */
function asPlain(format: 1 | 2, section: string, value: unknown): unknown {
  if (format === 1) return value;
  return (toFormat2({ [section]: value }) as Record<string, unknown>)[String(placeIn(2, [section])[0])];
}

/** A cell that holds more than a word, in one line as it stands in a file; and back. Throws for what is none. */
export function cellText(value: unknown): string {
  if (value === undefined || value === null) return "";
  if (typeof value !== "object") return String(value);
  return stringify(value, { schema: "failsafe", collectionStyle: "flow", lineWidth: 0 }).trim();
}

export function cellValue(text: string): unknown {
  const trimmed = text.trim();
  if (!/^[{[]/.test(trimmed)) return trimmed;
  return parse(trimmed, { schema: "failsafe", maxAliasCount: 0 }) as unknown;
}
