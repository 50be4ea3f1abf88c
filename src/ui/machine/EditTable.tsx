"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import type { PlacedProblem } from "../../core/model";
import { cellText, cellValue, type Row } from "./useRows";
import { say } from "#words/ui/machine/EditTable";

/** A column: a field of the entry; `*` holds every field that has no column of its own. */
export interface Column {
  readonly field: string;
  readonly title?: string;
  readonly wide?: boolean;
  readonly narrow?: boolean;
  readonly options?: readonly string[];
}

interface Props {
  readonly name: string;
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  readonly problemsAt: (row: number) => readonly PlacedProblem[];
  readonly onChange: (rows: readonly Row[]) => void;
}

/** A table of entries to edit cell by cell. What is wrong with a row stands under it. */
export function EditTable({ name, columns, rows, problemsAt, onChange }: Props) {
  const named = columns.map((c) => c.field);
  const others = (row: Row) => Object.fromEntries(Object.entries(row).filter(([k]) => !named.includes(k)));
  const put = (i: number, column: Column, value: unknown) => {
    const row = rows[i]!;
    const next: Record<string, unknown> =
      column.field === "*"
        ? {
            ...Object.fromEntries(Object.entries(row).filter(([k]) => named.includes(k))),
            ...(value !== null && typeof value === "object" ? (value as Row) : {}),
          }
        : { ...row, [column.field]: value };
    if (value === "") delete next[column.field];
    onChange(rows.map((r, j) => (j === i ? next : r)));
  };
  return (
    <div className="edit-table">
      <table>
        <thead>
          <tr>
            {columns.map((c) => (
              <th key={c.field} scope="col">
                {c.title ?? c.field}
              </th>
            ))}
            <th>
              <span className="visually-hidden">{say.takeOut}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const problems = problemsAt(i);
            return [
              <tr key={`r${i}`} className={problems.length > 0 ? "is-wrong" : ""}>
                {columns.map((c) => (
                  <td key={c.field} className={widthOf(c)}>
                    {c.options ? (
                      <select
                        aria-label={`${c.title ?? c.field} of ${name} ${i + 1}`}
                        value={String(row[c.field] ?? "")}
                        onChange={(e) => put(i, c, e.target.value)}
                      >
                        {["", ...c.options].map((o) => (
                          <option key={o}>{o}</option>
                        ))}
                      </select>
                    ) : (
                      <Cell
                        label={`${c.title ?? c.field} of ${name} ${i + 1}`}
                        value={c.field === "*" ? others(row) : row[c.field]}
                        onValue={(v) => put(i, c, v)}
                      />
                    )}
                  </td>
                ))}
                <td>
                  <Button
                    size="sm"
                    variant="link"
                    aria-label={say.takeOutNameRow(name, String(row["id"] ?? i + 1))}
                    onClick={() => onChange(rows.filter((_, j) => j !== i))}
                  >
                    <i className="bi bi-x-lg" aria-hidden />
                  </Button>
                </td>
              </tr>,
              ...problems.slice(0, 3).map((p, k) => (
                <tr key={`p${i}-${k}`} className="row-problem">
                  <td colSpan={columns.length + 1}>
                    {p.field.split(".").slice(2).join(".") || name}: {p.sentence}
                  </td>
                </tr>
              )),
            ];
          })}
        </tbody>
      </table>
      <Button
        size="sm"
        variant="outline-dark"
        onClick={() => onChange([...rows, emptyLike(rows[rows.length - 1], columns, name, rows.length)])}
      >
        {say.addAName(name)}
      </Button>
    </div>
  );
}

/** Typed into freely; taken over when one leaves it or presses Enter. What cannot be read stays, and says so. */
function Cell({ label, value, onValue }: { label: string; value: unknown; onValue: (value: unknown) => void }) {
  const text = cellText(value) === "{}" ? "" : cellText(value);
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const take = () => {
    if (typed === null || typed === text) return setTyped(null);
    try {
      onValue(cellValue(typed));
      setTyped(null);
      setWrong(false);
    } catch {
      setWrong(true);
    }
  };
  return (
    <input
      aria-label={label}
      aria-invalid={wrong}
      title={wrong ? say.thisCannotBeReadBrackets : undefined}
      value={typed ?? text}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        if (e.key === "Enter") take();
      }}
    />
  );
}

/** A new row in the manner of the last one. */
function emptyLike(last: Row | undefined, columns: readonly Column[], name: string, count: number): Row {
  const fresh: Record<string, unknown> = {};
  for (const { field } of columns)
    if (field !== "*" && last?.[field] !== undefined && ["piece", "panel", "kind"].includes(field))
      fresh[field] = last[field];
  if (columns.some((c) => c.field === "id")) fresh["id"] = `${name}-${count + 1}`;
  if (columns.some((c) => c.field === "pin")) {
    fresh["pin"] = String(count + 1);
    fresh["signal"] = "?";
  }
  if (columns.some((c) => c.field === "name")) fresh["name"] = `New ${name}`;
  return fresh;
}

function widthOf(c: Column): "" | "wide" | "narrow" {
  if (c.wide) return "wide";
  if (c.narrow) return "narrow";
  return "";
}
