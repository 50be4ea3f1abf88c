"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { MachineRow } from "../../contract/machines";
import { send, Refused } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { importMachine } from "../../contract/machines";
import { Packs } from "./Packs";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/machine/LibraryScreen";

const SUPPLIES = ["any supply", "120 V", "230 V", "240 V", "battery"] as const;

/** Every machine there is a file for; found by kind, supply, board number or code. */
export function LibraryScreen({ machines }: { machines: readonly MachineRow[] }) {
  const router = useRouter();
  const [wanted, setWanted] = useKept("unzo.library.search");
  const [family, setFamily] = useState("");
  const [supply, setSupply] = useState<(typeof SUPPLIES)[number]>("any supply");
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [taking, setTaking] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const chooser = useRef<HTMLInputElement>(null);
  useShortcut("find", () => field.current?.focus());
  const families = [...new Set(machines.map((m) => m.family))].sort();
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = machines.filter((m) => {
    const text = [m.maker, m.model, m.name, m.family, m.id, ...m.boards, ...m.codes].join(" ").toLowerCase();
    return (
      words.every((w) => text.includes(w)) &&
      (family === "" || m.family === family) &&
      (supply === "any supply" || (supply === "battery" ? m.hertz === 0 : m.hertz > 0 && `${m.volts} V` === supply))
    );
  });

  async function take(file: File | undefined) {
    if (!file) return;
    setProblems([]);
    setTaking(true);
    try {
      const { id } = await send(importMachine, [], { name: file.name, text: await file.text() });
      router.push(`/machines/${id}`);
    } catch (error) {
      setProblems(
        error instanceof Refused && error.problems.length > 0
          ? error.problems.map((p) => `${p.line > 0 ? `Line ${p.line}, ` : ""}${p.field || file.name}: ${p.sentence}`)
          : [(error as Error).message],
      );
      setTaking(false);
    }
  }

  return (
    <div className="start">
      <TopBar here="Machines" title={say.machines} />
      <main id="main" tabIndex={-1} className="library">
        <div className="library-head">
          <h1>{say.machines}</h1>
          <Button variant="outline-dark" disabled={taking} onClick={() => chooser.current?.click()}>
            {taking ? say.readingTheFile : say.importAFile}
          </Button>
          <input
            ref={chooser}
            type="file"
            accept=".yaml,.yml,.json,application/yaml,application/json"
            hidden
            aria-label={say.machineFile}
            onChange={(e) => {
              void take(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
          <Packs />
          <Link className="btn btn-outline-dark" href="/machines/kinds">
            {say.kindsOfParts}
          </Link>
          <Link className="btn btn-dark" href="/machines/new">
            {say.newMachine}
          </Link>
        </div>
        {problems.length > 0 ? (
          <ul className="problem" role="alert">
            {problems.slice(0, 12).map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
        ) : null}
        <div className="library-search">
          <Form.Control
            ref={field}
            size="lg"
            type="search"
            aria-label={say.searchMachines}
            placeholder={say.nameBoardNumberCode}
            value={wanted}
            onChange={(e) => setWanted(e.target.value)}
          />
          <Form.Select size="lg" aria-label={say.kind} value={family} onChange={(e) => setFamily(e.target.value)}>
            <option value="">{say.anyKind}</option>
            {families.map((f) => (
              <option key={f}>{f}</option>
            ))}
          </Form.Select>
          <Form.Select
            size="lg"
            aria-label={say.supply}
            value={supply}
            onChange={(e) => setSupply(e.target.value as (typeof SUPPLIES)[number])}
          >
            {SUPPLIES.map((s) => (
              <option key={s}>{s}</option>
            ))}
          </Form.Select>
        </div>
        <p className="quiet" role="status">
          {shown.length === machines.length
            ? `${machines.length} machines`
            : say.countOfCount2Machines(shown.length, machines.length)}
        </p>
        <ul className="jobs">
          {shown.map((m) => (
            <li key={m.id}>
              <Link href={`/machines/${m.id}`}>
                <span className="supply-mark" aria-hidden>
                  <i className={`bi ${m.hertz === 0 ? "bi-battery-half" : "bi-plug"}`} />
                </span>
                <span className="job-text">
                  <strong>
                    {m.maker} {m.model}
                  </strong>{" "}
                  <span>{m.name}</span>
                  {m.boards.length > 0 ? <span className="quiet">{m.boards.join(" · ")}</span> : null}
                </span>
                <span className="job-state">
                  {m.hertz === 0 ? `${m.volts} V battery` : `${m.volts} V ${m.hertz} Hz`}
                  <span className="quiet">
                    {say.partsPartsPart(m.parts, m.units === 1 ? "1 unit" : `${m.units} units`)}
                  </span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
