"use client";

import Form from "react-bootstrap/Form";
import type { QuickBoards, QuickFace, QuickHeld } from "../../core/model";
import { say } from "#words/ui/quick";

/** What is known beyond the loads; nothing of it is needed. */
export interface QuickMore {
  readonly boards?: QuickBoards;
  readonly face?: QuickFace;
  readonly held?: QuickHeld;
}

interface Props {
  readonly more: QuickMore;
  readonly onChange: (more: QuickMore) => void;
}

const NOT_LOOKED_AT: QuickHeld = { screws: false, clips: false, ribbon: false, plugs: 0 };
const TICKS = [
  ["screws", say.screws],
  ["clips", say.clips],
  ["ribbon", say.aRibbon],
] as const;
const COUNTS = [
  [1, say.oneBoard],
  [2, say.mainAndDisplay],
  [3, say.relaysLogicAndDisplay],
] as const;
const LINK_VOLTS = [5, 12, 24] as const;
const FACES: readonly (readonly [string, string, QuickFace | undefined])[] = [
  ["", say.nothingToSee, undefined],
  ["display-dark", say.aDisplayDark, { kind: "display", now: "dark" }],
  ["display-lit", say.aDisplayLit, { kind: "display", now: "lit" }],
  ["lamp-dark", say.aLampDark, { kind: "lamp", now: "dark" }],
  ["lamp-lit", say.aLampLit, { kind: "lamp", now: "lit" }],
];

/** How many boards, and what joins them. */
export function BoardFields({ more, onChange }: Props) {
  const boards = more.boards ?? { count: 1 as const, volts: 12, wires: 4 };
  const set = (next: Partial<QuickBoards>) => onChange({ ...more, boards: { ...boards, ...next } });
  return (
    <div className="quick-row">
      <Form.Group controlId="boards">
        <Form.Label>{say.boards}</Form.Label>
        <Form.Select
          value={boards.count}
          onChange={(e) => set({ count: Number(e.target.value) as QuickBoards["count"] })}
        >
          {COUNTS.map(([count, label]) => (
            <option key={count} value={count}>
              {label}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {boards.count === 1 ? null : (
        <Form.Group controlId="link-volts">
          <Form.Label>{say.linkVolts}</Form.Label>
          <Form.Select value={boards.volts} onChange={(e) => set({ volts: Number(e.target.value) })}>
            {LINK_VOLTS.map((v) => (
              <option key={v} value={v}>
                {v} V
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      )}
      {boards.count < 3 ? null : (
        <Form.Group controlId="link-wires">
          <Form.Label>{say.linkWires}</Form.Label>
          <Form.Control
            className="value"
            inputMode="numeric"
            maxLength={2}
            value={boards.wires}
            onChange={(e) => set({ wires: Math.max(3, Math.min(40, Number(e.target.value.replace(/\D/g, "")))) })}
          />
        </Form.Group>
      )}
    </div>
  );
}

/** What the machine shows itself by, and what that shows now. */
export function FaceField({ more, onChange }: Props) {
  const now = FACES.find(([, , f]) => f?.kind === more.face?.kind && f?.now === more.face?.now)?.[0] ?? "";
  return (
    <Form.Group controlId="face">
      <Form.Label>{say.whatItShows}</Form.Label>
      <Form.Select
        value={now}
        onChange={(e) => {
          const { face: _face, ...rest } = more;
          const face = FACES.find(([value]) => value === e.target.value)?.[2];
          onChange(face ? { ...rest, face } : rest);
        }}
      >
        {FACES.map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

/** How the board is held: a few ticks. */
export function HeldFields({ more, onChange }: Props) {
  const held = more.held ?? NOT_LOOKED_AT;
  const set = (next: Partial<QuickHeld>) => onChange({ ...more, held: { ...held, ...next } });
  return (
    <fieldset className="quick-held">
      <legend className="form-label fs-6 mb-1">{say.howIsTheBoardHeld}</legend>
      <div className="d-flex gap-3 flex-wrap align-items-center">
        {TICKS.map(([key, label]) => (
          <Form.Check
            key={key}
            id={`held-${key}`}
            label={label}
            checked={held[key]}
            onChange={(e) => set({ [key]: e.target.checked })}
          />
        ))}
        <Form.Group controlId="held-plugs" className="d-flex gap-2 align-items-center">
          <Form.Label className="mb-0">{say.plugs}</Form.Label>
          <Form.Control
            className="value"
            style={{ width: "4.5rem" }}
            inputMode="numeric"
            value={held.plugs === 0 ? "" : held.plugs}
            maxLength={2}
            onChange={(e) => set({ plugs: Math.min(40, Number(e.target.value.replace(/\D/g, ""))) })}
          />
        </Form.Group>
      </div>
    </fieldset>
  );
}
