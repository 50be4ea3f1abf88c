"use client";

import Link from "next/link";
import { type FormEvent, useId, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  type DraftLists,
  draftTerminals,
  fieldWords,
  kindForm,
  PART_KINDS,
  placeNames,
  type PlacedProblem,
  typedJoin,
} from "../../core/model";
import { FormFields } from "./FormFields";
import { EntryList, entryName, Problems } from "./SectionEditor";
import type { Row, Rows } from "./useRows";
import { say } from "#words/ui/machine/PartsEditor";

const KINDS = PART_KINDS.map((k) => k.kind).sort();
/** What every part has, whatever its kind. */
const COMMON: ReadonlySet<string> = new Set(["id", "kind", "name", "piece", "at", "odds"]);

const listsOf = (rows: Rows): DraftLists => ({
  parts: rows.list("parts"),
  wires: rows.list("wires"),
  connectors: rows.list("connectors"),
  points: rows.list("points"),
  pieces: rows.list("pieces"),
});

/** The parts of a file, one of them as a form of its kind, and a line that joins two places. */
export function PartsEditor({
  rows,
  chosen,
  onChoose,
  problemsAt,
}: {
  readonly rows: Rows;
  readonly chosen: number;
  readonly onChoose: (i: number) => void;
  readonly problemsAt: (path: string) => readonly PlacedProblem[];
}) {
  const parts = rows.list("parts");
  const at = Math.min(chosen, parts.length - 1);
  const part = parts[at];
  const put = (next: Row) =>
    rows.set(
      "parts",
      parts.map((p, i) => (i === at ? next : p)),
    );
  return (
    <>
      <JoinLine rows={rows} />
      <div className="part-editor">
        <EntryList
          one="part"
          names={parts.map(entryName)}
          wrong={parts.map((_, i) => problemsAt(`parts.${i}`).length > 0)}
          chosen={at}
          onChoose={onChoose}
          onAdd={() => {
            const used = new Set(parts.map((p) => p["id"]));
            let n = parts.length + 1;
            while (used.has(`part-${n}`)) n++;
            const piece = part?.["piece"] ?? rows.list("pieces")[0]?.["id"];
            rows.set("parts", [...parts, { id: `part-${n}`, kind: "", name: say.newPart, piece, at: {} }]);
            onChoose(parts.length);
          }}
        />
        {part === undefined ? (
          <p className="quiet">{say.noPartsYet}</p>
        ) : (
          <PartForm
            key={at}
            part={part}
            n={at + 1}
            pieces={rows.list("pieces")}
            problems={problemsAt(`parts.${at}`)}
            onChange={put}
            onTakeOut={() => {
              rows.set(
                "parts",
                parts.filter((_, i) => i !== at),
              );
              onChoose(Math.max(0, at - 1));
            }}
          />
        )}
      </div>
    </>
  );
}

/** Two places joined by typing them. */
function JoinLine({ rows }: { readonly rows: Rows }) {
  const id = useId();
  const [typed, setTyped] = useState("");
  const [said, setSaid] = useState("");
  const lists = listsOf(rows);
  const names = useMemo(() => placeNames(lists), [lists]);
  const [from = "", to] = typed.split(/\s+to\s+/i);
  const taken = useMemo(() => {
    if (to === undefined || to.trim() === "") return { join: null, words: "" };
    try {
      const join = typedJoin(lists, typed);
      return { join, words: join.words };
    } catch (error) {
      return { join: null, words: (error as Error).message };
    }
  }, [lists, typed, to]);

  function join(event: FormEvent) {
    event.preventDefault();
    if (!taken.join) return setSaid(taken.words || say.bothEnds);
    rows.setAll({ parts: taken.join.parts, wires: taken.join.wires });
    setSaid(say.joined(taken.words));
    setTyped("");
  }

  return (
    <Form className="join-line" onSubmit={join} noValidate>
      <Form.Group controlId={id}>
        <Form.Label>{say.join}</Form.Label>
        <Form.Control
          value={typed}
          list={`${id}-places`}
          placeholder={say.joinExample}
          maxLength={200}
          autoComplete="off"
          onChange={(e) => {
            setTyped(e.target.value);
            setSaid("");
          }}
        />
        <datalist id={`${id}-places`}>
          {names.slice(0, 400).map((n) => (
            <option key={n} value={to === undefined ? n : `${from} to ${n}`} />
          ))}
        </datalist>
      </Form.Group>
      <Button type="submit" variant="outline-dark">
        {say.joinThem}
      </Button>
      <span role="status" className={taken.join || said ? "quiet" : "problem"}>
        {said || taken.words}
      </span>
    </Form>
  );
}

/** One part as a form: what it is, its own figures, where its terminals lie. */
function PartForm({
  part,
  n,
  pieces,
  problems,
  onChange,
  onTakeOut,
}: {
  readonly part: Row;
  readonly n: number;
  readonly pieces: readonly Row[];
  readonly problems: readonly PlacedProblem[];
  readonly onChange: (part: Row) => void;
  readonly onTakeOut: () => void;
}) {
  const id = useId();
  const kind = String(part["kind"] ?? "");
  const fields = kindForm(kind);
  const own = Object.fromEntries(Object.entries(part).filter(([name]) => !COMMON.has(name)));
  const common = Object.fromEntries(Object.entries(part).filter(([name]) => COMMON.has(name)));
  const at = (part["at"] ?? {}) as Readonly<Record<string, string>>;
  const line = { sort: "line" } as const;
  return (
    <section aria-label={say.partNamed(entryName(part, n - 1))}>
      <Problems problems={problems} />
      <div className="form-fields">
        <Form.Group className="form-line" controlId={`${id}-kind`}>
          <Form.Label>
            {say.kind} <span className="visually-hidden">{say.ofPart(n)}</span>
          </Form.Label>
          <Form.Select value={kind} onChange={(e) => onChange({ ...common, kind: e.target.value })}>
            {["", ...KINDS].map((k) => (
              <option key={k} value={k}>
                {k === "" ? say.chooseIt : k}
              </option>
            ))}
          </Form.Select>
          <span className="form-text">
            {kind === "" ? "" : <Link href={`/machines/kinds/${encodeURIComponent(kind)}`}>{say.aboutThisKind}</Link>}
          </span>
        </Form.Group>
        <Form.Group className="form-line" controlId={`${id}-piece`}>
          <Form.Label>
            {say.assembly} <span className="visually-hidden">{say.ofPart(n)}</span>
          </Form.Label>
          <Form.Select
            value={String(part["piece"] ?? "")}
            onChange={(e) => onChange({ ...part, piece: e.target.value })}
          >
            {[...new Set(["", ...pieces.map((p) => String(p["id"])), String(part["piece"] ?? "")])].map((p) => (
              <option key={p} value={p}>
                {String(pieces.find((x) => x["id"] === p)?.["name"] ?? p)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
      <FormFields
        fields={[
          { name: "name", node: line, isRequired: true },
          { name: "id", node: line, isRequired: true },
        ]}
        value={{ name: part["name"], id: part["id"] }}
        of={`part ${n}`}
        onChange={(next) => onChange({ ...part, ...next })}
      />
      {fields.length === 0 ? null : (
        <FormFields
          fields={fields}
          value={own}
          of={`part ${n}`}
          help={(field) => fieldWords(kind, field)}
          onChange={(next) => onChange({ ...common, ...next })}
        />
      )}
      <fieldset className="inner-fields">
        <legend>{say.terminals}</legend>
        <FormFields
          fields={draftTerminals(part).map((name) => ({ name, node: line, isRequired: true }))}
          value={at}
          of={`part ${n}`}
          onChange={(next) => onChange({ ...part, at: next })}
        />
      </fieldset>
      <Button variant="outline-dark" onClick={onTakeOut}>
        {say.takeOut}
      </Button>
    </section>
  );
}
