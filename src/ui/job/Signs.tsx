"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type Sign, type SignAsked, WHOLE_UNIT } from "../../core/diagnose";
import { type EventBody, noticedBody, triedBody } from "../../core/journal";
import type { Machine } from "../../core/model";
import { say } from "#words/ui/job/Signs";

interface Props {
  readonly machine: Machine;
  readonly busy: boolean;
  readonly onLog: (body: EventBody) => Promise<boolean>;
}

/** The signs worth looking for now, those that tell most first. */
export function Signs({ signs, busy, onLog }: Omit<Props, "machine"> & { readonly signs: readonly Sign[] }) {
  const log = (s: SignAsked, there: boolean) => void onLog(noticedBody(s, there));
  return (
    <ul className="signs">
      {signs.slice(0, 6).map((s) => (
        <li key={`${s.part} ${s.sign}`}>
          <span>
            {s.part === WHOLE_UNIT ? (
              s.words
            ) : (
              <>
                <strong>{s.partName}</strong>: {s.words}
              </>
            )}
          </span>
          <span className="d-flex gap-2">
            <Button size="sm" variant="outline-dark" disabled={busy} onClick={() => log(s, true)}>
              {say.yes}
            </Button>
            <Button size="sm" variant="outline-dark" disabled={busy} onClick={() => log(s, false)}>
              {say.no}
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}

/**
 * A repair that someone has tried, and what became of the complaint. Nothing is proposed here: a reset or a new fuse
 * is no test.
 */
export function Tried({ machine, busy, onLog }: Pick<Props, "machine" | "busy" | "onLog">) {
  const [assembly, setAssembly] = useState("");
  const log = (result: "gone" | "stays") => {
    const chosen = machine.assemblyById.get(assembly);
    if (chosen)
      void onLog(triedBody(chosen, result)).then((done) => {
        if (done) setAssembly("");
      });
  };
  return (
    <div className="tried">
      <Form.Select
        aria-label={say.whatWasRepairedOrReplaced}
        value={assembly}
        onChange={(e) => setAssembly(e.target.value)}
      >
        <option value="">{say.whatWasRepairedOrReplaced}</option>
        {machine.file.pieces.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}: {p.repair.toLowerCase()}
          </option>
        ))}
      </Form.Select>
      <Button variant="outline-dark" disabled={busy || !assembly} onClick={() => log("stays")}>
        {say.stillThere}
      </Button>
      <Button variant="outline-dark" disabled={busy || !assembly} onClick={() => log("gone")}>
        {say.fixed}
      </Button>
    </div>
  );
}
