"use client";

import { serialWords } from "../unit/plate";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { codeMatches } from "../../core/diagnose";
import type { CodeRow } from "../../contract/machines";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useDesk } from "../shell/useDesk";
import { useKept } from "../shell/useKept";
import { CodeOddsView } from "./CodeOddsView";
import { openJob } from "../../contract/jobs";
import { machineFile } from "../../contract/machines";
import { useRoute } from "../engine/useRoute";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/codes";

const MOST = 40;
const keyOf = (row: CodeRow) => `${row.machine} ${row.code.part} ${row.code.label} ${row.code.code ?? ""}`;

/** Every code, text and lamp pattern of every machine, searched as one types. */
export function CodesScreen({ rows }: { rows: readonly CodeRow[] }) {
  const [wanted, setWanted] = useState("");
  const [open, setOpen] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useShortcut("find", () => field.current?.focus());
  const found = rows.filter((r) =>
    wanted.trim() === ""
      ? r.code.code !== null
      : codeMatches(r.code, wanted) || codeMatches({ ...r.code, words: `${r.name} ${r.code.words}` }, wanted),
  );
  return (
    <div className="start">
      <TopBar here="Codes" title={say.codes} />
      <main id="main" tabIndex={-1} className="library codes">
        <h1>{say.whatDoesItSay}</h1>
        <Form.Control
          ref={field}
          size="lg"
          type="search"
          autoFocus
          aria-label={say.codeDisplayTextOrLamp}
          placeholder={say.e12FlashesSensorOpen}
          value={wanted}
          onChange={(e) => {
            setWanted(e.target.value);
            setOpen(null);
          }}
        />
        {found.length === 0 ? (
          <p className="problem" role="status">
            {say.noMachineOfTheLibrary(wanted)}
          </p>
        ) : (
          <p className="quiet" role="status">
            {found.length > MOST ? say.theFirstShown(found.length, MOST) : `${found.length} found`}
          </p>
        )}
        <ul className="code-list">
          {found.slice(0, MOST).map((row) => {
            const key = keyOf(row);
            return (
              <li key={key}>
                <button type="button" aria-expanded={open === key} onClick={() => setOpen(open === key ? null : key)}>
                  <span className="menu-shows">{row.code.label}</span>
                  <span className="code-words">
                    <strong>{row.code.words || say.noCodeStoredForThis}</strong>
                    <span className="quiet">
                      {row.name}, {row.family}
                      {row.code.code && row.code.code !== row.code.label ? `, code ${row.code.code}` : ""};{" "}
                      {row.code.partName.toLowerCase()}
                    </span>
                  </span>
                </button>
                {open === key ? <OpenCode row={row} /> : null}
              </li>
            );
          })}
        </ul>
      </main>
    </div>
  );
}

/** The odds of one code, and a job with it. */
function OpenCode({ row }: { row: CodeRow }) {
  const router = useRouter();
  const { value: machine, problem: unread } = useRoute(machineFile, [row.machine]);
  const file = machine?.file ?? null;
  const [refused, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [who] = useKept("unzo.who");
  const { desk, problem: lost } = useDesk(file);
  const problem = refused || unread || lost;
  async function begin(unit: string) {
    if (!file) return;
    setBusy(true);
    // The complaint that says so, or the check-over that every machine has last.
    const complaint =
      file.complaints.find((c) => c.sees[row.code.part] === row.code.label) ??
      file.complaints[file.complaints.length - 1]!;
    try {
      const job = await send(openJob, [], {
        id: crypto.randomUUID(),
        unit,
        complaint: complaint.id,
        actor: who.trim() || "Someone",
      });
      router.push(`/jobs/${job.id}?view=says&shown=${encodeURIComponent(`${row.code.part}|${row.code.label}`)}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }
  return (
    <div className="open-code">
      {problem ? (
        <p className="problem" role="alert">
          {problem}
        </p>
      ) : null}
      <CodeOddsView desk={desk} code={row.code} />
      {row.units.length > 0 ? (
        <div className="d-flex flex-wrap gap-2">
          <span className="align-self-center">{say.beginTheJob}</span>
          {row.units.map((u) => (
            <Button key={u.id} variant="outline-dark" disabled={busy || !file} onClick={() => void begin(u.id)}>
              {u.site}, {serialWords(u.serial)}
            </Button>
          ))}
        </div>
      ) : null}
    </div>
  );
}
