"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, Suspense, useCallback, useEffect, useMemo, useRef, useState } from "react";
import {
  conflictsIn,
  type Job,
  type JournalEvent,
  judgedOf,
  restoredBody,
  sawBody,
  unitSetBody,
  struckBody,
  variedBody,
  warnedBody,
} from "../../core/journal";
import { commonShelf, type MachineFile } from "../../core/model";
import type { TestCard, Times } from "../../core/diagnose";
import type { RestRule } from "../../core/schedule";
import { dictionaryAddress } from "../../contract/machines";
import { programOf, type Test, testKey } from "../../core/simulate";
import { leftBehind, noFaultFound } from "../../core/repair";
import type { UnitRecord } from "../../contract/units";
import { beyondWords, boardToOpen, likeliestOf, saidToHaveDoneIt } from "./beyond-assembly";
import { BetterStep } from "./BetterStep";
import { DiagnosisDialog } from "./DiagnosisDialog";
import { Asked, FirstThings, useSimpleCauses } from "./FirstThings";
import { DropJob } from "./DropJob";
import { Found } from "./Found";
import { changesOf, questionOf } from "./job-question";
import { VIEWS, type View } from "./job-views";
import { UnitPower } from "../unit/UnitPower";
import { coversWords, JobHeader } from "./JobHeader";
import { JobModes } from "./JobModes";
import { JobNav } from "./JobNav";
import { PathPane } from "./PathPane";
import { useChosenTest } from "./useChosenTest";
import { useJobKeys } from "./useJobKeys";
import { MisfitNote } from "./Misfit";
import { SeenDialog } from "./SeenDialog";
import { NextTest } from "./NextTest";
import { Outlook } from "./Outlook";
import { RunSheetView } from "./RunSheetView";
import { Says } from "./Says";
import { SimpleCause } from "./SimpleCause";
import { StrikeDialog } from "./StrikeDialog";
import { Surroundings } from "./Surroundings";
import { Suspects } from "./Suspects";
import { Trail } from "./Trail";
import { TryFirst } from "./TryFirst";
import { useBetterStep } from "./useBetterStep";
import { useIsolation } from "./useIsolation";
import type { Answered } from "./useWhole";
import { useJournal } from "./useJournal";
import { useRest } from "./useRest";
import { useTogether } from "./useTogether";
import { WhyItOpened } from "./WhyItOpened";
import { useEquipment, YourEquipment } from "./YourEquipment";
import type { ReadingEntry } from "./ReadingField";
import { ORDINARY_METER } from "../../core/instrument";
import { Conflicts } from "./Conflicts";
import { LikeBefore } from "./LikeBefore";
import { OthersNote } from "./OthersNote";
import { useLiveMark } from "../shell/useLiveMark";
import { useAddress } from "../shell/useAddress";
import { Progress } from "../shell/Progress";
import { say } from "#words/ui/job/JobScreen";

/** The heart of the product: where the fault may lie, what to measure next, what was measured. */
export function JobScreen({
  events,
  file,
  hash,
  odds,
  engine,
  times,
  unit,
  record: unitRecord,
  start,
}: {
  unit: string;
  /** What stays with the unit from job to job; it may come later than the job. */
  record: Promise<UnitRecord>;
  events: readonly JournalEvent[];
  file: MachineFile;
  /** Names the file that the job was made with. */
  hash: string;
  /** Names the odds of failure that it was made with; null: those of the file as it was drawn. */
  odds: string | null;
  /** Names the engine whose dictionary of this file the server keeps; null: it keeps none yet. */
  engine: string | null;
  times: Times;
  start: {
    readonly shown: string;
    /** What the server knows of the person's equipment. */
    readonly equipment: string;
    /** The answers that came with the page. */
    readonly first: (Answered & { readonly rest: RestRule | null }) | null;
  };
}) {
  const router = useRouter();
  const shelved = odds === null ? hash : `${hash} ${odds}`;
  const drawn = commonShelf().of(shelved, file);
  const opener = events[0]?.actor ?? "Someone";
  const foresee = useRef<((coming: Job) => void) | null>(null);
  /** What others wrote since one last looked at what is next. */
  const [others, setOthers] = useState<readonly JournalEvent[]>([]);
  const journal = useJournal(drawn, events, opener, {
    foresee,
    onOther: (entries) => setOthers((before) => [...before, ...entries]),
  });
  const { job: written, coming, sending, problem, unseen, log, refusal, foretell } = journal;
  // What is on its way counts at once, and goes again should the journal refuse it; not so what ends the job, or
  // makes another machine of the unit.
  const logged =
    coming && !coming.called && !coming.dropped && changesOf(coming) === changesOf(written) ? coming : written;
  // The unit in front of one may differ from its file: from here on its variant is what everything is worked out from.
  const changesKey = changesOf(logged);
  const [changesAtFirst] = useState(changesKey);
  const machine = commonShelf().of(
    shelved,
    file,
    logged.changes.map((c) => c.body.change),
  );
  const [equipment, setEquipment] = useEquipment(start.equipment);
  const question = useMemo(() => questionOf(machine, logged, equipment, times), [machine, logged, equipment, times]);
  const { key, evidence } = question;
  const stored = changesKey === "" && engine !== null ? dictionaryAddress(hash, engine) : null;
  const asked = { job: logged.id, file: machine.file, stored, first: start.first };
  const search = useIsolation(asked, question, logged === written);
  useEffect(() => {
    // What is found to differ from the file makes another machine of it, which the present dictionary knows nothing of.
    foresee.current = (coming) => {
      if (changesOf(coming) === changesKey) search.foresee(questionOf(machine, coming, equipment, times));
    };
  });
  const answers = search.answered?.answers ?? null;
  const advice = answers?.advice ?? null;
  const fresh = search.answered?.key === key;
  const job = useTogether(logged, advice === null || fresh);

  const { chosenNow, choose, made } = useChosenTest(search, key);
  /** The state of the job at which a repair to try was passed over. */
  const [skipped, setSkipped] = useState("");
  const [numbers, setNumbers] = useState(false);
  const [viewAsked, setViewAsked] = useAddress("view");
  const view: View = VIEWS.find((v) => v.id === viewAsked)?.id ?? "measure";
  const setView = useCallback((to: View) => setViewAsked(to === "measure" ? "" : to), [setViewAsked]);
  const [seeing, setSeeing] = useState(false);
  const [closing, setClosing] = useState(false);
  const [varying, setVarying] = useState(false);
  const [striking, setStriking] = useState<string | null>(null);

  const { proposal, better, take } = useBetterStep(search.answered, key);
  // What others write changes the advice; the test one is at stays under one's hands until one has looked.
  const [held, setHeld] = useState<TestCard | null>(null);
  if (others.length === 0 && held !== proposal && !chosenNow) setHeld(proposal);
  const kept = others.length > 0 && !chosenNow ? held : null;
  const card: TestCard | null = chosenNow ? chosenNow.card : (kept ?? proposal);
  const test = chosenNow?.test ?? kept?.test ?? proposal?.test ?? null;
  const conflicts = useMemo(() => conflictsIn(written, unseen, ORDINARY_METER), [written, unseen]);

  // A repair is tried only on answers that are whole.
  const isTried = answers?.isWhole === true && !chosenNow && !kept && !better && skipped !== key;
  const attempt = isTried ? (advice?.attempt ?? null) : null;

  const proposed = card !== null && proposal ? testKey(proposal.test) === testKey(card.test) : false;
  const record = useCallback(
    async (body: ReadingEntry) => {
      const done = await log(body);
      if (done) setOthers([]);
      if (done) made({ ...body.test } as Test);
      return done;
    },
    [log, made],
  );
  const typing = useCallback(
    (body: ReadingEntry) => search.foresee(questionOf(machine, foretell(body), equipment, times), true),
    [machine, foretell, search, equipment, times],
  );

  /** Logs what was seen of a part: laid out like any other test, so that what was on the screen is kept with it. */
  const saw = useCallback(
    async (what: Test, label: string) => {
      setSeeing(true);
      try {
        const { card: look } = await search.describeTest(what);
        return look ? await log(sawBody(look, label)) : false;
      } finally {
        setSeeing(false);
      }
    },
    [search, log],
  );
  const measure = useCallback(
    (what: Test) => {
      setView("measure");
      void choose(what);
    },
    [choose, setView],
  );
  const misfit = fresh ? (answers?.misfit ?? null) : null;
  const rest = useRest(search.desk, job, changesKey === changesAtFirst ? (start.first?.rest ?? null) : null);
  const simpleCauses = useSimpleCauses({ job, evidence, desk: search.desk, answers });
  const program = programOf(machine);
  const lastAnswer = [...job.answers].reverse().find((a) => a.body.type === "answered" && a.body.answer !== "skip");
  const simple =
    advice?.stop?.kind === "simple cause"
      ? { cause: lastAnswer?.body.words ?? "", action: advice.stop.sentence }
      : null;

  const last = [...job.readings].reverse().find((r) => !r.struck);
  useJobKeys({
    onNumbers: () => setNumbers((n) => !n),
    onDiagnose: () => setClosing(true),
    onVary: () => setVarying(true),
    onStrike: () => {
      if (last) setStriking(last.id);
    },
    onView: setView,
  });

  // A closed job is a record: nothing more is measured on it.
  useEffect(() => {
    if (written.called || written.dropped) router.replace(`/jobs/${written.id}/record`);
  }, [written.called, written.dropped, written.id, router]);

  const toOpen = boardToOpen(advice, machine, equipment);
  let doing: ReactNode;
  if (view !== "measure") doing = null;
  else if (simpleCauses !== null && simpleCauses.length > 0 && !chosenNow && advice?.stop?.kind !== "simple cause")
    doing = (
      <FirstThings
        firsts={simpleCauses}
        last={job.answers.at(-1)}
        busy={sending}
        onLog={log}
        onTakeBack={(event) => void log(struckBody(event))}
      />
    );
  else if (advice?.stop?.kind === "simple cause")
    doing = (
      <SimpleCause
        job={job}
        sentence={advice.stop.sentence}
        busy={sending || !fresh}
        onLog={log}
        onDiagnose={() => setClosing(true)}
      />
    );
  else if (!advice || simpleCauses === null)
    doing = (
      <div className="building" role="status">
        <h2>{say.workingOutWhatEveryPoint}</h2>
        <Progress now={Math.round(search.progress * 100)} label={say.computing} />
      </div>
    );
  else if (attempt)
    doing = <TryFirst attempt={attempt} busy={sending || !fresh} onLog={log} onMeasure={() => setSkipped(key)} />;
  else
    doing = (
      <NextTest
        job={job}
        machine={machine}
        aside={advice.asideWords}
        card={card}
        test={test}
        refused={chosenNow?.refused ?? null}
        proposal={chosenNow || kept ? null : proposal}
        stop={chosenNow || kept || better ? null : advice.stop}
        likeliest={likeliestOf(advice)}
        alternatives={chosenNow ? [] : advice.alternatives}
        isChosen={chosenNow !== null}
        busy={!fresh || chosenNow?.pending === true}
        numbers={numbers}
        onChoose={(t) => void choose(t)}
        proposed={proposed}
        others={others}
        onRecord={record}
        onTyping={typing}
        onDiagnose={() => setClosing(true)}
        onOpenBoard={toOpen === null ? null : () => setEquipment({ ...equipment, boards: true })}
        beyond={beyondWords(advice, machine)}
        why={
          advice.why ? (
            <WhyItOpened why={advice.why} job={job} machine={machine} busy={sending || !fresh} onLog={log} />
          ) : null
        }
        onWarned={() => void log(warnedBody())}
        rest={card && rest.starts(card.test.setup) && !rest.starts(job.setup) ? rest : null}
      />
    );
  return (
    <div className="job" ref={useLiveMark()}>
      <JobHeader
        job={job}
        machine={machine}
        unit={unit}
        record={unitRecord}
        busy={sending}
        onStand={(setup) => void log(unitSetBody(setup))}
      />
      <JobNav job={job.id} view={view} onView={setView} rest={rest}>
        <YourEquipment
          equipment={equipment}
          onChange={(next) => {
            // What one can or will not do counts at once, also for a step that others have left standing.
            setOthers([]);
            setEquipment(next);
          }}
        >
          <Surroundings job={job} busy={sending} onLog={log} />
        </YourEquipment>
      </JobNav>
      <aside className="unit-news" aria-label={say.aboutTheUnit}>
        {job.opened.complaintWords ? (
          <p className="phone-only">
            <q>{job.opened.complaintWords}</q> {coversWords(job.openPanels.length)}
          </p>
        ) : null}
        <Suspense>
          <UnitPower
            unit={unitRecord}
            job={job}
            machine={machine}
            busy={sending}
            onTake={(setup) => void log(unitSetBody(setup))}
          />
        </Suspense>
      </aside>
      <main id="main" tabIndex={-1} className={`job-main ${view === "measure" ? "" : "is-wide"}`}>
        {view !== "measure" ? null : (
          <PathPane
            job={job}
            machine={machine}
            desk={search.desk}
            evidence={evidence}
            advice={advice}
            test={test}
            isTestDrawn={!attempt && (chosenNow !== null || simpleCauses?.length === 0)}
            numbers={numbers}
            onChoose={(t) => void choose(t)}
          />
        )}
        <section className="next-area" aria-label={VIEWS.find((v) => v.id === view)!.name}>
          {problem || search.problem ? (
            <p className="problem" role="alert">
              {problem || search.problem}
            </p>
          ) : null}
          {question.aside.length > 0 ? (
            <ul className="set-aside" aria-label={say.setAside}>
              {question.aside.map((a) => (
                <li key={a.id}>{say.setAsideTheUnitWas(a.sentence)}</li>
              ))}
            </ul>
          ) : null}
          <Conflicts conflicts={conflicts} busy={sending} onLog={log} onAgain={measure} />
          <OthersNote entries={others} onNext={() => setOthers([])} />
          {advice && !fresh ? (
            <div className="thinking" role="status">
              <Progress label={say.workingOutWhatFollows} />
              <span>{say.workingOutWhatFollows}</span>
            </div>
          ) : null}
          {view === "says" ? (
            <Says
              machine={machine}
              desk={search.desk}
              evidence={evidence}
              signs={answers?.signs ?? []}
              setup={job.setup}
              busy={sending || seeing}
              shown={start.shown}
              onSaw={saw}
              onRecheck={measure}
              onLog={log}
              onNext={() => setView("measure")}
            />
          ) : null}
          {view === "modes" ? (
            <JobModes
              machine={machine}
              program={program}
              desk={search.desk}
              job={job}
              suspect={advice?.suspects.find((s) => s.faults.length > 0)?.faults[0]?.id ?? null}
              onSaw={saw}
              onStand={(setup) => log(unitSetBody(setup))}
            />
          ) : null}
          {view === "sheet" ? (
            <RunSheetView
              job={job}
              desk={search.desk}
              busy={sending || seeing}
              rest={rest}
              onStand={(setup) => log(unitSetBody(setup))}
              onSaw={saw}
              onMeasure={measure}
              onLog={log}
            />
          ) : null}
          {doing}
          {better && view === "measure" && !chosenNow ? <BetterStep title={better.title} onTake={take} /> : null}
        </section>
        <aside className="side-area">
          {misfit && !chosenNow ? (
            <MisfitNote misfit={misfit} job={job} onAgain={measure} onStrike={setStriking} />
          ) : null}
          <Suspects
            advice={advice}
            progress={search.progress}
            job={job}
            machine={machine}
            desk={search.desk}
            evidence={evidence}
            numbers={numbers}
            onNumbers={() => setNumbers((n) => !n)}
            onDiagnose={() => setClosing(true)}
          />
          <Outlook advice={advice} desk={search.desk} evidence={evidence} job={job} />
          <LikeBefore job={job.id} entries={written.lastSeq} />
          <Trail job={job} written={written} unseen={unseen} onStrike={setStriking} />
          <Asked job={job} onTakeBack={(event) => void log(struckBody(event))} />
          <Found
            job={job}
            onOpen={() => setVarying(true)}
            onTakeBack={(event) => void log(struckBody(event))}
            refusal={(event) => refusal(struckBody(event), machine)}
          />
          <DropJob problem={problem} onLog={log} />
        </aside>
      </main>
      <DiagnosisDialog
        show={closing}
        machine={machine}
        suspects={advice?.suspects ?? []}
        judged={judgedOf(job)}
        bound={advice?.proofs ?? []}
        mended={advice?.stop?.kind === "mended" ? (advice.stop.assemblies[0] ?? null) : null}
        simple={simple}
        isRepaired={job.work.decisions.length > 0 || job.answers.some((a) => a.body.type === "tried")}
        alone={job.answers.flatMap((a) => (a.body.type === "alone" && a.body.found === "bad" ? [a.body.part] : []))}
        by={saidToHaveDoneIt(advice)}
        onHide={() => setClosing(false)}
        left={leftBehind(machine, job)}
        noFault={noFaultFound(machine, job, advice ?? { cleared: [], suspects: [] })}
        onMeasure={(t) => {
          setClosing(false);
          void choose(t);
        }}
        onBack={(l) => void log(restoredBody(l))}
        onDiagnose={log}
        problem={problem}
      />
      <SeenDialog
        show={varying}
        job={job}
        busy={sending}
        onLog={log}
        file={machine.file}
        machine={machine}
        problem={problem}
        onHide={() => setVarying(false)}
        onFound={(change, words) => log(variedBody(change, words))}
      />
      <StrikeDialog
        reading={job.readings.find((r) => r.id === striking) ?? null}
        problem={problem}
        onHide={() => setStriking(null)}
        onStrike={(event, reason) => log(struckBody(event, reason))}
      />
    </div>
  );
}
