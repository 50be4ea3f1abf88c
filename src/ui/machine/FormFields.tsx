"use client";

import { useId, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  conditionText,
  fieldName,
  type FormField,
  type FormNode,
  parsedCondition,
  readCondition,
  shapeOf,
} from "../../core/model";
import { say } from "#words/ui/machine/FormFields";

/** A value of a file that is being written. */
export type Value = unknown;
type Named = Readonly<Record<string, Value>>;

/** What is said of a field beside its name; nothing where there is nothing to say. */
export interface FieldHelp {
  readonly unit?: string | undefined;
  readonly usual?: string | undefined;
  readonly says?: string | undefined;
}

interface FieldsProps {
  readonly fields: readonly FormField[];
  readonly value: Named;
  readonly onChange: (value: Named) => void;
  /** Before each field's name in its label for those who do not see the form: `part 3`. */
  readonly of: string;
  readonly help?: (field: string) => FieldHelp | undefined;
}

/** Named fields: those that must be said and those that are; the others are a press away. */
export function FormFields({ fields, value, onChange, of, help }: FieldsProps) {
  const [opened, setOpened] = useState<readonly string[]>([]);
  const isShown = (f: FormField) => f.isRequired || value[f.name] !== undefined || opened.includes(f.name);
  const put = (name: string, next: Value) => {
    const { [name]: _, ...others } = value;
    onChange(next === undefined ? others : { ...value, [name]: next });
  };
  const others = fields.filter((f) => !isShown(f));
  return (
    <div className="form-fields">
      {fields.filter(isShown).map((f) => (
        <NodeField
          key={f.name}
          name={fieldName(f.name)}
          of={of}
          node={f.node}
          isRequired={f.isRequired}
          value={value[f.name]}
          onChange={(next) => put(f.name, next)}
          help={help?.(f.name)}
        />
      ))}
      {others.length === 0 ? null : (
        <p className="more-fields">
          <span className="quiet">{say.more}</span>{" "}
          {others.map((f) => (
            <Button key={f.name} size="sm" variant="outline-dark" onClick={() => setOpened([...opened, f.name])}>
              <i className="bi bi-plus" aria-hidden /> {fieldName(f.name)}
            </Button>
          ))}
        </p>
      )}
    </div>
  );
}

interface NodeProps {
  readonly name: string;
  readonly of: string;
  readonly node: FormNode;
  readonly isRequired?: boolean;
  readonly value: Value;
  readonly onChange: (value: Value) => void;
  readonly help?: FieldHelp | undefined;
}

const isNamed = (value: Value): value is Named => value !== null && typeof value === "object" && !Array.isArray(value);
const listOf = (value: Value): readonly Value[] => (Array.isArray(value) ? value : []);

function NodeField(props: NodeProps) {
  const { node, name, of, value, onChange } = props;
  switch (node.sort) {
    case "line":
    case "several":
    case "condition":
      return <LineField {...props} />;
    case "choice":
      return <ChoiceField {...props} options={node.options} />;
    case "fields":
      return (
        <fieldset className="inner-fields">
          <legend>{name}</legend>
          <FormFields
            fields={node.fields}
            value={isNamed(value) ? value : {}}
            onChange={onChange}
            of={`${name} of ${of}`}
          />
        </fieldset>
      );
    case "either": {
      const shape = shapeOf(node.of, value);
      return <NodeField {...props} node={node.of[shape]!} />;
    }
    case "rows":
      return <RowsField {...props} of={of} row={node.of} />;
    case "named rows":
      return <NamedRowsField {...props} row={node.of} />;
  }
}

/** How a value stands in one line, and what is made of a line; the second throws an error with a sentence. */
function lineOf(node: FormNode): { readonly text: (value: Value) => string; readonly read: (text: string) => Value } {
  if (node.sort === "several")
    return {
      text: (value) => listOf(value).map(String).join(", "),
      read: (text) =>
        text
          .split(",")
          .map((t) => t.trim())
          .filter(Boolean),
    };
  if (node.sort === "condition")
    return {
      text: (value) => {
        const condition = parsedCondition(value);
        return condition ? conditionText(condition) : "";
      },
      read: (text) => asText(readCondition(text)),
    };
  return { text: (value) => (value === undefined || value === null ? "" : String(value)), read: (text) => text };
}

/** A condition as a file's text has it: its shares as words. */
const asText = (value: Value): Value => {
  if (typeof value === "number") return String(value);
  if (Array.isArray(value)) return value.map(asText);
  return isNamed(value) ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, asText(v)])) : value;
};

/** Typed into freely; taken over when one leaves it or presses Enter. */
function LineField({ name, of, node, isRequired = false, value, onChange, help }: NodeProps) {
  const id = useId();
  const { text, read } = lineOf(node);
  const now = text(value);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState("");
  const take = () => {
    if (typed === null || typed === now) return setTyped(null);
    try {
      onChange(typed.trim() === "" ? undefined : read(typed.trim()));
      setTyped(null);
      setProblem("");
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const isMissing = isRequired && (typed ?? now).trim() === "";
  return (
    <Form.Group className="form-line" controlId={id}>
      <Form.Label>
        {name} <span className="visually-hidden">{say.of(of)}</span>
        {help?.unit ? <span className="quiet"> {help.unit}</span> : null}
      </Form.Label>
      <Form.Control
        value={typed ?? now}
        isInvalid={problem !== "" || isMissing}
        placeholder={help?.usual ? say.usually(help.usual) : ""}
        aria-describedby={`${id}-help`}
        maxLength={4000}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => {
          if (e.key !== "Enter") return;
          e.preventDefault();
          take();
        }}
      />
      <span id={`${id}-help`} className={problem ? "problem" : "form-text"}>
        {problem || (isMissing ? say.needed : (help?.says ?? ""))}
      </span>
    </Form.Group>
  );
}

function ChoiceField({
  name,
  of,
  value,
  onChange,
  help,
  options,
}: NodeProps & { readonly options: readonly string[] }) {
  const id = useId();
  const now = value === undefined || value === null ? "" : String(value);
  return (
    <Form.Group className="form-line" controlId={id}>
      <Form.Label>
        {name} <span className="visually-hidden">{say.of(of)}</span>
      </Form.Label>
      <Form.Select value={now} onChange={(e) => onChange(e.target.value === "" ? undefined : e.target.value)}>
        {[...new Set(["", ...options, now])].map((o) => (
          <option key={o} value={o}>
            {o === "" ? say.notSaid : o}
          </option>
        ))}
      </Form.Select>
      <span className="form-text">{help?.says ?? ""}</span>
    </Form.Group>
  );
}

/** What a new row of a shape begins as. */
const fresh = (node: FormNode): Value => (node.sort === "several" || node.sort === "rows" ? [] : {});

function RowsField({ name, of, value, onChange, row }: NodeProps & { readonly row: FormNode }) {
  const rows = listOf(value);
  const put = (next: readonly Value[]) => onChange(next.length === 0 ? undefined : next);
  const shapes = row.sort === "either" ? row.of : [row];
  return (
    <fieldset className="inner-fields">
      <legend>{name}</legend>
      {rows.map((v, i) => (
        <div key={i} className="form-row">
          <RowFields
            node={shapes[shapeOf(shapes, v)]!}
            value={v}
            of={`${name} ${i + 1} of ${of}`}
            onChange={(next) => put(rows.map((r, j) => (j === i ? next : r)))}
          />
          <TakeOut what={`${name} ${i + 1} of ${of}`} onClick={() => put(rows.filter((_, j) => j !== i))} />
        </div>
      ))}
      {shapes.map((shape, i) => (
        <Button
          key={i}
          size="sm"
          variant="outline-dark"
          onClick={() =>
            put([
              ...rows,
              shape.sort === "fields" && shapes.length > 1 ? { [shape.fields[0]!.name]: "" } : fresh(shape),
            ])
          }
        >
          {say.add(shapes.length > 1 && shape.sort === "fields" ? fieldName(shape.fields[0]!.name) : name)}
        </Button>
      ))}
    </fieldset>
  );
}

/** One row: its fields without a frame of their own, or its one line. */
function RowFields({
  node,
  value,
  of,
  onChange,
}: {
  readonly node: FormNode;
  readonly value: Value;
  readonly of: string;
  readonly onChange: (value: Value) => void;
}) {
  if (node.sort === "fields")
    return <FormFields fields={node.fields} value={isNamed(value) ? value : {}} onChange={onChange} of={of} />;
  return <NodeField name={say.value} of={of} node={node} value={value} onChange={onChange} />;
}

function NamedRowsField({ name, of, value, onChange, row }: NodeProps & { readonly row: FormNode }) {
  const [fresher, setFresher] = useState("");
  const rows = isNamed(value) ? value : {};
  const isPlain = row.sort === "line" || row.sort === "choice" || row.sort === "several" || row.sort === "condition";
  const put = (next: Named) => onChange(Object.keys(next).length === 0 ? undefined : next);
  const without = (key: string) => Object.fromEntries(Object.entries(rows).filter(([k]) => k !== key));
  const add = () => {
    if (fresher.trim() === "" || Object.hasOwn(rows, fresher.trim())) return;
    put({ ...rows, [fresher.trim()]: isPlain ? "" : fresh(row) });
    setFresher("");
  };
  return (
    <fieldset className="inner-fields">
      <legend>{name}</legend>
      {Object.entries(rows).map(([key, v]) => (
        <div key={key} className="form-row">
          {isPlain ? (
            <NodeField
              name={key}
              of={of}
              node={row}
              value={v}
              onChange={(next) => put({ ...rows, [key]: next ?? "" })}
            />
          ) : (
            <fieldset className="inner-fields">
              <legend>{key}</legend>
              <RowFields
                node={row}
                value={v}
                of={`${name} ${key} of ${of}`}
                onChange={(next) => put({ ...rows, [key]: next })}
              />
            </fieldset>
          )}
          <TakeOut what={`${key} of ${name} of ${of}`} onClick={() => put(without(key))} />
        </div>
      ))}
      <div className="add-named">
        <Form.Control
          size="sm"
          aria-label={say.newName(name, of)}
          placeholder={say.itsName}
          value={fresher}
          maxLength={60}
          onChange={(e) => setFresher(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== "Enter") return;
            e.preventDefault();
            add();
          }}
        />
        <Button size="sm" variant="outline-dark" onClick={add}>
          {say.add(name)}
        </Button>
      </div>
    </fieldset>
  );
}

function TakeOut({ what, onClick }: { readonly what: string; readonly onClick: () => void }) {
  return (
    <Button size="sm" variant="link" aria-label={say.takeOut(what)} onClick={onClick}>
      <i className="bi bi-x-lg" aria-hidden />
    </Button>
  );
}
