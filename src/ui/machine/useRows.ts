"use client";

import { useMemo } from "react";
import { isMap, isSeq, parse, parseDocument, stringify, type Document } from "yaml";
import { partKind } from "../../core/model";

/** One row of a table: the entry as it stands in the file. */
export type Row = Readonly<Record<string, unknown>>;

/** Tables over the text of a machine file: reading and writing entries leaves everything else in the text as it is. */
export interface Rows {
  list(section: string): readonly Row[];
  set(section: string, rows: readonly Row[]): void;
  pins(connector: number): readonly Row[];
  setPins(connector: number, rows: readonly Row[]): void;
  controllers(): readonly { readonly index: number; readonly name: string; readonly codes: readonly Row[] }[];
  setCodes(part: number, rows: readonly Row[]): void;
}

const FLOW = { lineWidth: 0 } as const;

export function useRows(text: string, onText: (text: string) => void): Rows {
  return useMemo(() => {
    const document = parseDocument(text, { schema: "failsafe", prettyErrors: false });
    const plain =
      (document.errors.length > 0 ? {} : (document.toJS({ maxAliasCount: 0 }) as Record<string, unknown> | null)) ?? {};
    const list = (section: string): readonly Row[] => (Array.isArray(plain[section]) ? (plain[section] as Row[]) : []);
    const write = (path: (string | number)[], rows: readonly Row[]) => {
      if (document.errors.length > 0) return;
      const next = document.clone() as Document;
      next.setIn(
        path,
        next.createNode(
          rows.map((r) => ({ ...r })),
          { flow: false },
        ),
      );
      const seq = next.getIn(path, true);
      if (isSeq(seq)) for (const item of seq.items) if (isMap(item)) item.flow = true;
      onText(next.toString(FLOW));
    };
    return {
      list,
      set: (section, rows) => write([section], rows),
      pins: (c) => (list("connectors")[c]?.["pins"] as Row[] | undefined) ?? [],
      setPins: (c, rows) => write(["connectors", c, "pins"], rows),
      controllers: () =>
        list("parts").flatMap((p, index) =>
          partKind(String(p["kind"]))?.electrical.program
            ? [{ index, name: String(p["name"] ?? p["id"]), codes: (p["codes"] as Row[] | undefined) ?? [] }]
            : [],
        ),
      setCodes: (part, rows) => write(["parts", part, "codes"], rows),
    };
  }, [text, onText]);
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
