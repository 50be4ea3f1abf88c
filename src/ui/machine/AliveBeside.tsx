"use client";

import { keepPreviousData, useQuery } from "@tanstack/react-query";
import * as Comlink from "comlink";
import { useId, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { AliveRow } from "../../core/diagnose";
import type { Machine } from "../../core/model";
import { askDesk } from "../shell/useDesk";
import { useDebounced } from "../shell/useDebounced";
import { say } from "#words/ui/machine/AliveBeside";

/** Milliseconds without a change after which a file is worked through. */
const SETTLES = 900;

/**
 * The machine as it is written so far, alive: what it does in a setup, what changes when a part of it breaks, how many of
 * its faults it can tell apart, and which point would help most.
 */
export function AliveBeside({
  machine,
  version,
  part,
}: {
  readonly machine: Machine;
  /** The text of the file, by which what was worked out is known. */
  readonly version: string;
  /** The part that is chosen, by its id; null: none. */
  readonly part: string | null;
}) {
  const id = useId();
  const { setups } = machine.file;
  const [asked, setAsked] = useState("");
  const setup = setups.some((s) => s.id === asked) ? asked : setups[0]!.id;
  const [mode, setMode] = useState<string | null>(null);
  const own = part === null ? undefined : machine.partById.get(part);
  const broken = own?.modes.find((m) => m.id === mode) ?? null;
  const fault = own && broken ? { part: own.id, mode: broken.id } : null;
  const { data, error } = useQuery({
    queryKey: ["alive", version, setup, fault?.part ?? "", fault?.mode ?? ""],
    queryFn: ({ signal }) => askDesk(signal, ({ remote }) => remote.alive(machine.file, setup, fault)),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    retry: false,
  });
  return (
    <aside className="alive" aria-label={say.alive}>
      <TellsApart machine={machine} version={version} />
      <Form.Group controlId={id}>
        <Form.Label>{say.what}</Form.Label>
        <Form.Select value={setup} onChange={(e) => setAsked(e.target.value)}>
          {setups.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {own === undefined ? null : (
        <div role="group" aria-label={say.breakIt(own.name)} className="break-it">
          <span>{say.breakIt(own.name)}</span>
          {own.modes.map((m) => (
            <Button
              key={m.id}
              size="sm"
              variant={m.id === broken?.id ? "dark" : "outline-dark"}
              aria-pressed={m.id === broken?.id}
              onClick={() => setMode(m.id === broken?.id ? null : m.id)}
            >
              {m.words}
            </Button>
          ))}
        </div>
      )}
      {error ? (
        <p className="problem" role="alert">
          {error.message}
        </p>
      ) : null}
      {data ? (
        <>
          <Shown
            title={say.does}
            rows={data.parts.filter((r) => r.changed || r.isOn === true)}
            none={say.nothingRuns}
          />
          <Shown title={say.reads} rows={data.readings} none={say.noReadings} />
        </>
      ) : null}
    </aside>
  );
}

function Shown({
  title,
  rows,
  none,
}: {
  readonly title: string;
  readonly rows: readonly AliveRow[];
  readonly none: string;
}) {
  return (
    <>
      <h2>{title}</h2>
      {rows.length === 0 ? <p className="quiet">{none}</p> : null}
      <dl>
        {rows.map((r) => (
          <div key={r.name} className={r.changed ? "is-changed" : ""}>
            <dt>
              {r.changed ? <i className="bi bi-arrow-right-circle-fill" aria-label={say.changed} /> : null} {r.name}
            </dt>
            <dd>
              {r.changed ? (
                <>
                  <s>{r.sound}</s> <strong>{r.broken}</strong>
                </>
              ) : (
                r.sound
              )}
            </dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** How many faults the file can tell apart, and the next point worth adding. */
function TellsApart({ machine, version }: { readonly machine: Machine; readonly version: string }) {
  const settled = useDebounced(version, SETTLES);
  const [share, setShare] = useState(0);
  const { data } = useQuery({
    queryKey: ["coverage of a draft", version],
    enabled: settled === version,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      askDesk(signal, async ({ remote }) => {
        await remote.build(machine.file, Comlink.proxy(setShare));
        return remote.coverage();
      }),
    gcTime: 60_000,
    retry: false,
  });
  if (!data)
    return (
      <p className="quiet" role="status">
        {share < 1 ? say.counting(Math.round(100 * share)) : say.lookingForTheNext}
      </p>
    );
  const [best] = data.helpfulPoints;
  return (
    <div className="tells-apart">
      <p>
        <strong className="value">{data.alone}</strong> {say.ofFaults(data.faults)}
      </p>
      <p>{best ? say.nextFact(best.net, best.pairs) : say.noPointHelps}</p>
      {data.silent.length === 0 ? null : (
        <p className="quiet">{say.silent(data.silent.length, data.silent[0]!.name)}</p>
      )}
    </div>
  );
}
