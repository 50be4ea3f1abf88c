"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import ListGroup from "react-bootstrap/ListGroup";
import { type FormNode, type PlacedProblem, sectionForm, shapeOf } from "../../core/model";
import { FormFields } from "./FormFields";
import type { Row, Rows } from "./useRows";
import { say } from "#words/ui/machine/SectionEditor";

/** Fields that have an editor of their own: a board's picture. */
const ELSEWHERE: ReadonlySet<string> = new Set(["drawing"]);

/** What an entry of a section is called in its list. */
export const entryName = (row: Row, i: number): string =>
  String(row["name"] ?? row["words"] ?? row["ask"] ?? row["of"] ?? row["id"] ?? i + 1);

/** A list's entries to choose from, one of them as a form. */
export function SectionEditor({
  section,
  one,
  rows,
  problemsAt,
  hidden = [],
}: {
  readonly section: string;
  /** Fields that are edited elsewhere. */
  readonly hidden?: readonly string[];
  /** What one entry is called: "setup". */
  readonly one: string;
  readonly rows: Rows;
  readonly problemsAt: (path: string) => readonly PlacedProblem[];
}) {
  const [chosen, setChosen] = useState(0);
  const node = sectionForm(section);
  if (node.sort !== "rows") return <OneSection section={section} one={one} rows={rows} node={node} />;
  const list = rows.list(section);
  const at = Math.min(chosen, list.length - 1);
  const row = list[at];
  const shapes = node.of.sort === "either" ? node.of.of : [node.of];
  const shape = shapes[shapeOf(shapes, row)]!;
  const fields =
    shape.sort === "fields" ? shape.fields.filter((f) => !ELSEWHERE.has(f.name) && !hidden.includes(f.name)) : [];
  return (
    <div className="part-editor">
      <EntryList
        one={one}
        names={list.map(entryName)}
        wrong={list.map((_, i) => problemsAt(`${section}.${i}`).length > 0)}
        chosen={at}
        onChoose={setChosen}
        onAdd={() => {
          rows.set(section, [...list, freshRow(list, one, new Set(fields.map((f) => f.name)))]);
          setChosen(list.length);
        }}
      />
      {row === undefined ? (
        <p className="quiet">{say.noneYet(one)}</p>
      ) : (
        <section aria-label={say.entry(one, entryName(row, at))}>
          <Problems problems={problemsAt(`${section}.${at}`)} />
          <FormFields
            key={`${section}-${at}`}
            fields={fields}
            value={row}
            of={`${one} ${at + 1}`}
            onChange={(next) =>
              rows.set(
                section,
                list.map((r, i) => (i === at ? (next as Row) : r)),
              )
            }
          />
          <Button
            variant="outline-dark"
            onClick={() => {
              rows.set(
                section,
                list.filter((_, i) => i !== at),
              );
              setChosen(Math.max(0, at - 1));
            }}
          >
            {say.takeOut(one)}
          </Button>
        </section>
      )}
    </div>
  );
}

/** A section that is no list: its fields, or one line. */
function OneSection({
  section,
  one,
  rows,
  node,
}: {
  readonly section: string;
  readonly one: string;
  readonly rows: Rows;
  readonly node: FormNode;
}) {
  const value = rows.value(section);
  const fields = node.sort === "fields" ? node.fields : [{ name: section, node, isRequired: false }];
  const now = node.sort === "fields" ? value : { [section]: value };
  return (
    <FormFields
      fields={fields}
      value={now !== null && typeof now === "object" ? (now as Row) : {}}
      of={one}
      onChange={(next) => {
        const inner: unknown = node.sort === "fields" ? next : next[section];
        rows.setValue(
          section,
          inner !== null && typeof inner === "object" && Object.keys(inner).length === 0 ? undefined : inner,
        );
      }}
    />
  );
}

/** A new entry, with an id and a name where such entries have them. */
const freshRow = (list: readonly Row[], one: string, has: ReadonlySet<string>): Row => ({
  ...(has.has("id") ? { id: `${one.replace(/\s/g, "-")}-${list.length + 1}` } : {}),
  ...(has.has("name") ? { name: say.newOne(one) } : {}),
});

/** What is wrong with an entry. */
export function Problems({ problems }: { readonly problems: readonly PlacedProblem[] }) {
  if (problems.length === 0) return null;
  return (
    <ul className="problem-list">
      {problems.slice(0, 5).map((p, i) => (
        <li key={i} className="row-problem">
          {p.field.split(".").slice(2).join(" ")}: {p.sentence}
        </li>
      ))}
    </ul>
  );
}

/** Names to choose from, found by typing; those with something to mend are marked. */
export function EntryList({
  one,
  names,
  wrong,
  chosen,
  onChoose,
  onAdd,
}: {
  readonly one: string;
  readonly names: readonly string[];
  readonly wrong: readonly boolean[];
  readonly chosen: number;
  readonly onChoose: (i: number) => void;
  readonly onAdd: () => void;
}) {
  const [find, setFind] = useState("");
  const found = names.flatMap((name, i) => (name.toLowerCase().includes(find.toLowerCase()) ? [{ name, i }] : []));
  return (
    <div className="entry-list">
      {names.length > 8 ? (
        <Form.Control
          size="sm"
          type="search"
          aria-label={say.find(one)}
          placeholder={say.find(one)}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
      ) : null}
      <ListGroup as="ul" aria-label={say.all(one)}>
        {found.map(({ name, i }) => (
          <ListGroup.Item as="li" key={i} className="p-0">
            <button
              type="button"
              className={`entry-choice${i === chosen ? " is-chosen" : ""}`}
              aria-current={i === chosen}
              onClick={() => onChoose(i)}
            >
              {wrong[i] ? <i className="bi bi-exclamation-diamond-fill" aria-label={say.toMend} /> : null} {name}
            </button>
          </ListGroup.Item>
        ))}
      </ListGroup>
      <Button size="sm" variant="outline-dark" onClick={onAdd}>
        {say.add(one)}
      </Button>
    </div>
  );
}
