"use client";

import Form from "react-bootstrap/Form";
import { BUILT_IN, type CircuitChange, endsOf, type Machine, netName, partKind } from "../../core/model";
import { words } from "../machine/ratings";
import { say } from "#words/ui/repair/CircuitChoice";

/** Changes of the circuit: by board, by part between joints, by wire and by lead. */
export type CircuitWhat = Extract<CircuitChange["change"], "board out" | "added" | "wired" | "moved">;

/** What was chosen so far; what is empty falls back to the first that fits. */
export interface CircuitDraft {
  readonly board: string;
  readonly kind: string;
  readonly name: string;
  readonly values: Readonly<Record<string, string>>;
  readonly at: Readonly<Record<string, string>>;
  readonly from: string;
  readonly to: string;
  readonly gauge: string;
  readonly colour: string;
  readonly part: string;
  readonly terminal: string;
}

export const FIRST_CIRCUIT: CircuitDraft = {
  board: "",
  kind: "relay",
  name: "",
  values: {},
  at: {},
  from: "",
  to: "",
  gauge: "",
  colour: "",
  part: "",
  terminal: "",
};

/** New joints that are offered beside those there are. */
const NEW_JOINTS = ["joint-1", "joint-2", "joint-3"] as const;
/** A lead that lies free. */
const FREE = "";

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** Every joint of a machine with its name, and a few of its own that are not taken yet. */
function jointsOf(machine: Machine): readonly (readonly [net: string, name: string])[] {
  const { file } = machine;
  const there = [...new Set(endsOf(file).map((e) => e.net))].map((net) => [net, netName(file, net)] as const);
  const free = NEW_JOINTS.filter((j) => !machine.nodeOf.has(j)).map((j, i) => [j, say.newJoint(i + 1)] as const);
  return [...there.sort(([, a], [, b]) => a.localeCompare(b)), ...free];
}

/** Leads that can be moved: of parts and of wires, by part and terminal. */
function leadsOf(machine: Machine): readonly (readonly [part: string, name: string, terminals: readonly string[]])[] {
  return machine.parts
    .filter((p) => p.nodeOf.size > 0 && !p.kind.electrical.connector)
    .map((p) => [p.id, p.name, [...p.nodeOf.keys()]] as const);
}

const boardsOf = (machine: Machine) => machine.file.pieces.filter((p) => p.board);

/** The change that was chosen; null where something of it is not said yet. */
export function circuitChange(machine: Machine, what: CircuitWhat, draft: CircuitDraft): CircuitChange | null {
  const joints = jointsOf(machine);
  const first = joints[0]?.[0] ?? "";
  switch (what) {
    case "board out": {
      const board = draft.board || boardsOf(machine)[0]?.id;
      return board ? { change: "board out", board } : null;
    }
    case "added": {
      const fields = Object.fromEntries(
        Object.entries(draft.values)
          .filter(([, v]) => v.trim() !== "")
          .map(([k, v]) => [k, v.trim()]),
      );
      const at = Object.fromEntries(terminalsOf(draft.kind).map((t) => [t, draft.at[t] || first]));
      return { change: "added", kind: draft.kind, name: draft.name.trim() || capital(draft.kind), at, fields };
    }
    case "wired": {
      const [from, to] = [draft.from || first, draft.to || first];
      if (from === to) return null;
      return {
        change: "wired",
        from,
        to,
        ...(draft.gauge.trim() ? { gauge: draft.gauge.trim() } : {}),
        ...(draft.colour.trim() ? { colour: draft.colour.trim() } : {}),
      };
    }
    case "moved": {
      const [part, , terminals] = leadsOf(machine).find(([id]) => id === draft.part) ?? leadsOf(machine)[0]!;
      const terminal = terminals.find((t) => t === draft.terminal) ?? terminals[0]!;
      return { change: "moved", part, terminal, ...(draft.to === FREE ? {} : { to: draft.to }) };
    }
  }
}

/** The terminals of a kind that is built in. */
function terminalsOf(kind: string): readonly string[] {
  const known = partKind(kind)!;
  return known.electrical.terminals(known.fields.parse(BUILT_IN[kind]));
}

/** What is changed of the circuit, and where. */
export function CircuitChoice({
  machine,
  what,
  draft,
  onChange,
}: {
  machine: Machine;
  what: CircuitWhat;
  draft: CircuitDraft;
  onChange: (draft: CircuitDraft) => void;
}) {
  const set = (more: Partial<CircuitDraft>) => onChange({ ...draft, ...more });
  const joints = jointsOf(machine);
  const joint = (id: string, label: string, value: string, take: (net: string) => void, free = false) => (
    <Form.Group key={id} controlId={`circuit-${id}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(e) => take(e.target.value)}>
        {free ? <option value={FREE}>{say.liesFree}</option> : null}
        {joints.map(([net, name]) => (
          <option key={net} value={net}>
            {name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
  const typed = (id: keyof CircuitDraft & ("name" | "gauge" | "colour"), label: string, hint = "") => (
    <Form.Group controlId={`circuit-${id}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        value={draft[id]}
        placeholder={hint}
        maxLength={60}
        onChange={(e) => set({ [id]: e.target.value })}
      />
    </Form.Group>
  );
  switch (what) {
    case "board out":
      return (
        <Form.Group controlId="circuit-board">
          <Form.Label>{say.whichBoard}</Form.Label>
          <Form.Select value={draft.board} onChange={(e) => set({ board: e.target.value })}>
            {boardsOf(machine).map((b) => (
              <option key={b.id} value={b.id}>
                {b.name}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      );
    case "added":
      return (
        <>
          <Form.Group controlId="circuit-kind">
            <Form.Label>{say.whatIsBuiltIn}</Form.Label>
            <Form.Select value={draft.kind} onChange={(e) => set({ kind: e.target.value, values: {}, at: {} })}>
              {Object.keys(BUILT_IN).map((k) => (
                <option key={k}>{k}</option>
              ))}
            </Form.Select>
          </Form.Group>
          {typed("name", say.called)}
          {Object.entries(BUILT_IN[draft.kind]!)
            .filter(([, usual]) => typeof usual === "number")
            .map(([field, usual]) => (
              <Form.Group key={field} controlId={`circuit-${field}`}>
                <Form.Label>{say.fields[field] ?? capital(words(field))}</Form.Label>
                <Form.Control
                  className="value"
                  placeholder={String(usual)}
                  value={draft.values[field] ?? ""}
                  maxLength={40}
                  onChange={(e) => set({ values: { ...draft.values, [field]: e.target.value } })}
                />
              </Form.Group>
            ))}
          {terminalsOf(draft.kind).map((t) =>
            joint(t, say.goesTo(say.terminals[t] ?? capital(words(t))), draft.at[t] ?? joints[0]![0], (net) =>
              set({ at: { ...draft.at, [t]: net } }),
            ),
          )}
        </>
      );
    case "wired":
      return (
        <>
          {joint("from", say.from, draft.from || joints[0]![0], (from) => set({ from }))}
          {joint("to", say.to, draft.to || joints[0]![0], (to) => set({ to }))}
          {typed("gauge", say.size, say.sizeHint)}
          {typed("colour", say.colour)}
        </>
      );
    case "moved": {
      const leads = leadsOf(machine);
      const [part, , terminals] = leads.find(([id]) => id === draft.part) ?? leads[0]!;
      return (
        <>
          <Form.Group controlId="circuit-part">
            <Form.Label>{say.leadOf}</Form.Label>
            <Form.Select value={part} onChange={(e) => set({ part: e.target.value, terminal: "" })}>
              {leads.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
          <Form.Group controlId="circuit-terminal">
            <Form.Label>{say.itsTerminal}</Form.Label>
            <Form.Select value={draft.terminal || terminals[0]} onChange={(e) => set({ terminal: e.target.value })}>
              {terminals.map((t) => (
                <option key={t}>{t}</option>
              ))}
            </Form.Select>
          </Form.Group>
          {joint("to", say.onto, draft.to, (to) => set({ to }), true)}
        </>
      );
    }
  }
}
