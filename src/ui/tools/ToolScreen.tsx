"use client";

import type { ReactNode } from "react";
import { useRouter } from "next/navigation";
import { useEffect, useId, useMemo, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { type Change, commonShelf, type MachineFile } from "../../core/model";
import { unitOfQuantity } from "../../core/quantity";
import { type Field, type Tool, TOOLS, workTool } from "../../core/workbench";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { SheetView } from "./SheetView";
import { Units } from "./Units";
import { useLiked } from "./useLiked";
import { logEntry } from "../../contract/entries";
import { aloneBody } from "../../core/journal";
import { Key } from "../shortcuts/Key";
import { useShortcut } from "../shortcuts/useShortcut";
import { say } from "#words/ui/tools";

interface Props {
  readonly id: string;
  /** What the address fills in. */
  readonly typed: Readonly<Record<string, string>>;
  /** The part of a job that is being tested, and where the result goes. */
  readonly inJob: {
    readonly job: string;
    readonly part: string;
    readonly file: MachineFile;
    readonly hash: string;
    readonly changes: readonly Change[];
    readonly actor: string;
  } | null;
}

/** A tool alone: fields to the left, what follows from them to the right. The address holds what was typed. */
export function ToolScreen({ id, typed: given, inJob }: Props) {
  const tool = TOOLS.find((t) => t.id === id)!;
  const router = useRouter();
  const [liked, setLiked] = useLiked();
  const [who] = useKept("unzo.who");
  const part = useMemo(() => {
    if (!inJob) return null;
    const machine = commonShelf().of(inJob.hash, inJob.file, inJob.changes);
    const own = machine.partById.get(inJob.part);
    return own ? { machine, own } : null;
  }, [inJob]);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => ({
    ...(part ? tool.fill?.(part.own, part.machine) : {}),
    ...given,
  }));
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const { sheet, problems, problem: whole } = useMemo(() => workTool(tool, typed, liked), [tool, typed, liked]);
  const touched = Object.values(typed).some((t) => t.trim() !== "");

  useEffect(() => {
    const address = new URL(window.location.href);
    for (const { key } of tool.fields)
      if (typed[key]?.trim()) address.searchParams.set(key, typed[key]);
      else address.searchParams.delete(key);
    window.history.replaceState(window.history.state, "", address);
  }, [tool, typed]);
  useShortcut("print", () => window.print());

  async function log() {
    if (!sheet?.verdict || sheet.verdict.kind === "unsure" || !inJob || !part) return;
    setBusy(true);
    setProblem("");
    const { kind, words, mode } = sheet.verdict;
    try {
      await send(logEntry, [inJob.job], {
        id: crypto.randomUUID(),
        v: 1,
        actor: who || inJob.actor,
        body: aloneBody(
          { part: inJob.part, found: kind, ...(mode ? { mode } : {}) },
          tool.id,
          typed,
          say.ownNameByItselfWords(part.own.name, words),
        ),
      });
      router.push(`/jobs/${inJob.job}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }

  const groups = [...new Set(tool.fields.map((f) => f.under ?? ""))];
  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={tool.name}>
        <span className="bar-end">
          <Units liked={liked} onChange={setLiked} />
        </span>
      </TopBar>
      <main id="main" tabIndex={-1} className="tool-main">
        <header className="tool-head">
          <h1>
            {tool.name}
            {part ? <span className="quiet"> {part.own.name}</span> : null}
          </h1>
          <span className="no-print tool-acts">
            <Button size="sm" variant="outline-dark" onClick={() => setTyped({})} disabled={!touched}>
              {say.clear}
            </Button>
            <Button size="sm" variant="outline-dark" onClick={() => window.print()}>
              {say.print} <Key of="print" />
            </Button>
          </span>
        </header>
        <Form className="tool-fields" onSubmit={(e) => e.preventDefault()} noValidate aria-label={say.whatIsKnown}>
          {groups.map((group) => (
            <fieldset key={group}>
              {group ? <legend>{group}</legend> : <legend className="visually-hidden">{tool.name}</legend>}
              {tool.fields
                .filter((f) => (f.under ?? "") === group)
                .map((f, i) => (
                  <ToolField
                    key={f.key}
                    tool={tool}
                    field={f}
                    value={typed[f.key] ?? ""}
                    problem={problems[f.key] ?? ""}
                    unit={f.quantity ? unitOfQuantity(f.quantity, liked) : ""}
                    focus={group === groups[0] && i === 0}
                    onChange={(v) => setTyped((t) => ({ ...t, [f.key]: v }))}
                  />
                ))}
            </fieldset>
          ))}
        </Form>
        <section className="tool-result" aria-label={say.whatFollows}>
          {sheet?.cautions.length ? (
            <ul className="cautions">
              {sheet.cautions.map((c) => (
                <li key={c}>
                  <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
                </li>
              ))}
            </ul>
          ) : null}
          {sheet ? (
            <SheetView sheet={sheet} />
          ) : (
            <p className="quiet" role="status">
              {whole || (Object.keys(problems).length > 0 ? say.mendTheMarkedField : "")}
            </p>
          )}
          {inJob ? (
            <div className="tool-log no-print">
              <Button
                size="lg"
                disabled={busy || !sheet?.verdict || sheet.verdict.kind === "unsure"}
                onClick={() => void log()}
              >
                {sheet?.verdict?.kind === "bad" ? say.logItAsBad : say.logItAsGood}
              </Button>
              <span className="quiet">
                {!sheet?.verdict || sheet.verdict.kind === "unsure" ? say.aClearVerdictCanBe : say.itReRanksTheSuspects}
              </span>
            </div>
          ) : null}
          <p className="problem" role="alert">
            {problem}
          </p>
        </section>
      </main>
    </div>
  );
}

function ToolField({
  tool,
  field,
  value,
  problem,
  unit,
  focus,
  onChange,
}: {
  tool: Tool;
  field: Field;
  value: string;
  problem: string;
  unit: string;
  focus: boolean;
  onChange: (value: string) => void;
}) {
  const id = useId();
  const shared = { id, isInvalid: problem !== "", "aria-describedby": problem ? `${id}-problem` : undefined };
  let entry: ReactNode;
  if (field.choices)
    entry = (
      <Form.Select id={id} value={value || (field.preset ?? "")} onChange={(e) => onChange(e.target.value)}>
        {field.choices.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </Form.Select>
    );
  else if (field.lines)
    entry = (
      <Form.Control
        {...shared}
        as="textarea"
        rows={field.lines}
        value={value}
        placeholder={field.hint}
        onChange={(e) => onChange(e.target.value)}
      />
    );
  else
    entry = (
      <span className="tool-input">
        <Form.Control
          {...shared}
          value={value}
          autoFocus={focus}
          placeholder={field.preset ?? field.hint}
          autoComplete="off"
          inputMode={field.quantity ? "text" : undefined}
          onChange={(e) => onChange(e.target.value)}
        />
        {unit ? <span className="reading-unit">{unit}</span> : null}
      </span>
    );
  return (
    <div className="tool-field" data-tool={tool.id}>
      <Form.Label htmlFor={id}>{field.label}</Form.Label>
      {entry}
      {problem ? (
        <p id={`${id}-problem`} className="field-problem" role="alert">
          {problem}
        </p>
      ) : null}
    </div>
  );
}
