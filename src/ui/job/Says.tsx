"use client";

import { useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { codeMatches, codesOf, type Evidence, type MachineCode, type Sign } from "../../core/diagnose";
import { FLICKERS, has, type Machine } from "../../core/model";
import type { EventBody } from "../../core/journal";
import { makeTest, type Test } from "../../core/simulate";
import { CodeOddsView } from "../codes/CodeOddsView";
import { LampReader, type LampOfMachine } from "../lamp/LampReader";
import type { Desk } from "../engine/useEngine";
import { Compare } from "./Compare";
import { Signs, Tried } from "./Signs";
import { TriedByHand } from "./TriedByHand";
import { Key } from "../shortcuts/Key";
import { say } from "#words/ui/job/Says";

interface Props {
  readonly machine: Machine;
  readonly desk: Desk | null;
  readonly evidence: readonly Evidence[];
  readonly signs: readonly Sign[];
  readonly setup: string;
  readonly busy: boolean;
  /** From the search over all machines: part and label, divided by a bar. */
  readonly shown: string;
  readonly onSaw: (test: Test, label: string) => Promise<boolean>;
  readonly onRecheck: (test: Test) => void;
  readonly onLog: (body: EventBody) => Promise<boolean>;
  /** On to the next test. */
  readonly onNext: () => void;
}

/** What the machine says: its codes, its lamps, and what it does on this and not on that. */
export function Says({ machine, desk, evidence, signs, setup, busy, shown, onSaw, onRecheck, onLog, onNext }: Props) {
  const codes = useMemo(() => codesOf(machine).filter((c) => c.label !== FLICKERS), [machine]);
  const lamps: LampOfMachine[] = machine.parts
    .filter((p) => has(p, "tells-codes") && has(p, "board-lamp"))
    .map((p) => ({ part: p.id, name: p.name, labels: p.labels! }));
  const [wanted, setWanted] = useState(() => shown.split("|")[1] ?? "");
  const [open, setOpen] = useState<string | null>(() => (shown ? shown.replace("|", " ") : null));
  const [logged, setLogged] = useState("");
  const [lamp, setLamp] = useState(lamps[0]?.part ?? "");
  const found = codes.filter((c) => wanted.trim() === "" || codeMatches(c, wanted));
  const powered = machine.setupById.get(setup)?.power === "on";
  const chosenLamp = lamps.find((l) => l.part === lamp) ?? lamps[0];
  async function saw(code: MachineCode) {
    if (await onSaw(makeTest(setup, "look", code.part), code.label)) setLogged(code.label);
  }
  return (
    <div className="says">
      <section aria-labelledby="says-codes">
        <h2 id="says-codes">{say.whatDoesItShow}</h2>
        {!powered ? <p className="quiet">{say.theUnitIsOffSet}</p> : null}
        {codes.length === 0 ? (
          <p className="quiet">{say.noDisplayOrLampOn}</p>
        ) : (
          <Form.Control
            type="search"
            aria-label={say.codeTextOrLampPattern}
            placeholder={say.codeTextOrPattern}
            value={wanted}
            onChange={(e) => {
              setWanted(e.target.value);
              setOpen(null);
              setLogged("");
            }}
          />
        )}
        {found.length === 0 && codes.length > 0 ? (
          <p className="problem" role="alert">
            {say.cannotShowNothingWasLogged(
              machine.file.maker,
              machine.file.model,
              wanted,
              codes.map((c) => c.label).join("; "),
            )}
          </p>
        ) : null}
        <ul className="code-list">
          {found.map((code) => {
            const key = `${code.part} ${code.label}`;
            return (
              <li key={`${key} ${code.code ?? ""}`}>
                <button type="button" aria-expanded={open === key} onClick={() => setOpen(open === key ? null : key)}>
                  <span className="menu-shows">{code.label}</span>
                  <span className="code-words">
                    <strong>{code.words || say.noCodeStoredForThis}</strong>
                    <span className="quiet">{code.partName.toLowerCase()}</span>
                  </span>
                </button>
                {open === key ? (
                  <div className="open-code">
                    {code.code ? (
                      <CodeOddsView desk={desk} code={code} evidence={evidence} {...(powered ? { setup } : {})} />
                    ) : null}
                    <div className="d-flex flex-wrap gap-2">
                      <Button disabled={busy || !powered} onClick={() => void saw(code)}>
                        {say.itShowsThis}
                      </Button>
                      {code.code ? (
                        <Button
                          variant="outline-dark"
                          disabled={busy || !powered}
                          onClick={() => onRecheck(makeTest(setup, "look", code.part, undefined, "recheck"))}
                        >
                          {say.powerOffWaitAndSee}
                        </Button>
                      ) : null}
                    </div>
                    {logged === code.label ? (
                      <p className="sound mb-0" role="status">
                        {say.loggedSuspectsReRanked}{" "}
                        <Button size="sm" onClick={onNext}>
                          {say.nextTest} <Key of="next" />
                        </Button>
                      </p>
                    ) : null}
                  </div>
                ) : null}
              </li>
            );
          })}
        </ul>
      </section>
      {chosenLamp ? (
        <section aria-labelledby="says-lamp">
          <div className="panel-head">
            <h2 id="says-lamp">{say.readTheLamp}</h2>
            {lamps.length > 1 ? (
              <Form.Select
                size="sm"
                aria-label={say.whichLamp}
                value={chosenLamp.part}
                onChange={(e) => setLamp(e.target.value)}
              >
                {lamps.map((l) => (
                  <option key={l.part} value={l.part}>
                    {l.name}
                  </option>
                ))}
              </Form.Select>
            ) : null}
          </div>
          <LampReader
            lamp={chosenLamp}
            {...(powered
              ? { onRead: (l: LampOfMachine, label: string) => onSaw(makeTest(setup, "look", l.part), label) }
              : {})}
          />
        </section>
      ) : null}
      <section aria-labelledby="says-signs">
        <h2 id="says-signs">{say.seenHeardSmelt}</h2>
        <Signs signs={signs} busy={busy} onLog={onLog} />
      </section>
      <section aria-labelledby="says-hand">
        <h2 id="says-hand">{say.triedByHand}</h2>
        <TriedByHand machine={machine} busy={busy} onLog={onLog} />
      </section>
      <section aria-labelledby="says-tried">
        <h2 id="says-tried">{say.aRepairWasTried}</h2>
        <Tried machine={machine} busy={busy} onLog={onLog} />
      </section>
      <section aria-labelledby="says-compare">
        <h2 id="says-compare">{say.compare}</h2>
        <Compare machine={machine} busy={busy} onLog={onLog} />
      </section>
    </div>
  );
}
