"use client";

import { asPlated, commonShelf, type MachineFile } from "../../core/model";
import { serialWords } from "../unit/plate";
import Link from "next/link";
import { useMemo } from "react";
import { type JobKind, type JournalEvent, WHOLE_UNIT } from "../../core/journal";
import { leftBehind } from "../../core/repair";
import { useJournal } from "../job/useJournal";
import { useKept } from "../shell/useKept";
import { Waits } from "../waits/Waits";
import { Change } from "./Change";
import { ChangeSettings } from "./ChangeSettings";
import { FinishJob } from "./FinishJob";
import { ModuleWork } from "./ModuleWork";
import { kindWords } from "../job/kind-words";
import { Decide } from "./Decide";
import { LeftList } from "./LeftList";
import { Prove } from "./Prove";
import { SetUp } from "./SetUp";
import { Work } from "./Work";

import type { Rates } from "../../contract/shop";
import { PageTitle } from "../shell/PageTitle";
import { SkipLink } from "../shell/SkipLink";
import { useAddress } from "../shell/useAddress";
import { PrintHead } from "../shell/PrintHead";
import type { HoldOdds } from "../../core/learn";
import { useShortcut } from "../shortcuts/useShortcut";
import { Shortcuts } from "../shortcuts/Shortcuts";
import { say } from "#words/ui/repair/RepairScreen";

interface Props {
  readonly events: readonly JournalEvent[];
  readonly unit: string;
  readonly file: MachineFile;
  /** Names the file that the job was made with. */
  readonly hash: string;
  readonly assembly: string;
  /** The fault it is taken for, "part:mode"; null where none is known. */
  readonly fault: string | null;
  readonly step: string;
  /** How often repairs held in this shop, as this job knows it. */
  readonly holds: readonly HoldOdds[];
  /** What the shop reckons with; null: nobody has said. */
  readonly rates: Rates | null;
}

const STEPS = [
  ["module", say.fitTheModule, "bi-plug"],
  ["settings", say.changeSettings, "bi-sliders2"],
  ["decide", "Decide", "bi-signpost-split"],
  ["swap", "Work", "bi-tools"],
  ["set-up", say.setUp, "bi-sliders"],
  ["prove", "Prove", "bi-patch-check"],
  ["back", "Restore", "bi-list-check"],
  ["change", say.changeTheCircuit, "bi-node-plus"],
] as const;
type Step = (typeof STEPS)[number][0];

/** The steps of each kind of job, in order. */
const PATHS: Readonly<Record<JobKind, readonly Step[]>> = {
  repair: ["decide", "swap", "set-up", "prove", "back", "change"],
  fit: ["module", "prove", "back", "change"],
  setting: ["settings", "prove", "back"],
  check: ["prove", "back"],
  "lay up": ["prove", "back"],
};
/** The steps left of a repair whose assembly is out for good. */
const WITHOUT_IT: readonly Step[] = ["change", "prove", "back"];

/**
 * From the cause found to the proof that the machine is well: what to do about it, the swap, the settings, the proof,
 * and nothing left behind.
 */
export function RepairScreen({
  events,
  unit,
  file: drawnFile,
  hash,
  assembly,
  fault: said,
  step,
  holds,
  rates,
}: Props) {
  const opened = events[0]!.body;
  // The plate of this unit may pick other boards than the file names for all of them.
  const file = useMemo(() => asPlated(drawnFile, opened.type === "opened" ? opened : {}), [drawnFile, opened]);
  const plated = `${hash} ${opened.type === "opened" ? `${opened.productCode ?? ""} ${opened.productIndex ?? ""}` : ""}`;
  const drawn = commonShelf().of(plated, file);
  const [who] = useKept("unzo.who");
  const actor = who || (events[0]?.actor ?? "Someone");
  const journal = useJournal(drawn, events, actor);
  const { job, coming, sending, problem, log } = journal;
  const machine = commonShelf().of(
    plated,
    file,
    job.changes.map((c) => c.body.change),
  );
  // What shorts inside a load is no fault of its file.
  const fault = said !== null && machine.partById.has(said.split(":")[0]!) ? said : null;
  const [stepAsked, setStep] = useAddress("step");
  const { kind } = job.opened;
  // What was taken out for good is repaired no more: the unit as a whole is proven and closed.
  const isOut = kind === "repair" && !machine.assemblyById.has(assembly);
  const isWhole = kind !== "repair" || isOut;
  const ids = isOut ? WITHOUT_IT : PATHS[kind];
  const path = STEPS.filter(([id]) => ids.includes(id));
  const at: Step = path.find(([id]) => id === (stepAsked || step))?.[0] ?? ids[0]!;
  const setAt = (to: Step) => {
    setStep(to);
    window.scrollTo(0, 0);
  };
  useShortcut("print", () => window.print());
  const left = leftBehind(machine, job);
  const name = nameOf();
  const isOver = job.called !== null || job.dropped !== undefined;
  function nameOf(): string {
    if (kind !== "repair") return kindWords(kind, job.opened.purpose, file);
    return (machine.assemblyById.get(assembly) ?? drawn.assemblyById.get(assembly)!).name;
  }
  const shared = { machine, job, assembly: isWhole ? WHOLE_UNIT : assembly, busy: sending || isOver, onLog: log };
  return (
    <div className="start">
      <header className="bar">
        <PageTitle of={`${name}, ${job.opened.site}`} />
        <SkipLink />
        <Link
          href={isOver ? `/jobs/${job.id}/record` : `/jobs/${job.id}`}
          className="home"
          aria-label={say.backToTheJob}
        >
          <i className="bi bi-arrow-left" aria-hidden />
        </Link>
        <h1>{titleOf(at, kind !== "repair", name)}</h1>
        <span>
          {job.opened.site}, {file.maker} {file.model},{" "}
          <Link href={`/units/${unit}`}>{serialWords(job.opened.serial)}</Link>
        </span>
        {job.work.modifications.length > 0 ? (
          <strong className="modified-mark">
            <i className="bi bi-exclamation-diamond-fill" aria-hidden /> {say.modified}
          </strong>
        ) : null}
      </header>
      <nav className="views" aria-label={say.stepsOfTheRepair}>
        {path.map(([id, label, icon]) => (
          <button key={id} type="button" aria-current={at === id ? "page" : undefined} onClick={() => setAt(id)}>
            <i className={`bi ${icon}`} aria-hidden /> {label}
            {id === "back" && left.length > 0 ? (
              <span className="count" aria-label={`${left.length} open`}>
                {left.length}
              </span>
            ) : null}
          </button>
        ))}
        <Waits />
        <Shortcuts />
        <button type="button" className="print-sheet" onClick={() => window.print()}>
          <i className="bi bi-printer" aria-hidden /> {say.print}
        </button>
      </nav>
      <main id="main" tabIndex={-1} className="repair-main">
        <PrintHead job={job} file={file} title={`${STEPS.find(([id]) => id === at)![1]}: ${name}`} />
        {problem ? (
          <p className="problem" role="alert">
            {problem}
          </p>
        ) : null}
        {isOver ? (
          <p className="rig-sheet" role="status">
            {say.theJobIsClosedThis}
          </p>
        ) : null}
        {at === "decide" ? (
          <Decide {...shared} fault={said} holds={holds} rates={rates} actor={actor} onDone={() => setAt("swap")} />
        ) : null}
        {/* A tick is seen at once; should the journal refuse it, it goes again. */}
        {at === "swap" ? (
          <Work
            {...shared}
            job={coming ?? job}
            fault={fault}
            onDone={() => setAt(file.settings.length > 0 || file.addOns.length > 0 ? "set-up" : "prove")}
          />
        ) : null}
        {at === "set-up" ? (
          <SetUp {...shared} refusal={(body) => journal.refusal(body, machine)} onDone={() => setAt("prove")} />
        ) : null}
        {at === "prove" ? <Prove {...shared} fault={fault} onBack={() => setAt("back")} /> : null}
        {at === "module" ? (
          <ModuleWork {...shared} purpose={job.opened.purpose ?? ""} onDone={() => setAt("prove")} />
        ) : null}
        {at === "settings" ? <ChangeSettings {...shared} onDone={() => setAt("prove")} /> : null}
        {at === "back" ? <LeftList left={left} busy={shared.busy} job={job} onLog={log} /> : null}
        {at === "back" && isWhole ? <FinishJob {...shared} left={left} name={name} onLog={log} /> : null}
        {at === "change" ? <Change {...shared} unit={unit} /> : null}
      </main>
    </div>
  );
}

function titleOf(at: Step, isWhole: boolean, name: string): string {
  if (at === "change") return say.changeTheCircuit;
  return isWhole ? name : say.repairEntryName(name);
}
