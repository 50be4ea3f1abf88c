"use client";

import type { ReactNode } from "react";
import * as Comlink from "comlink";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { logEntry } from "../../contract/entries";
import { sleepLoggedBody, sleepTest } from "../../core/journal";
import { type Change, commonShelf, type Machine, type MachineFile } from "../../core/model";
import { METRIC, type Quantity, quantityText, readQuantity } from "../../core/quantity";
import { daysUntilFlat, drawnAsleep, judgeSleep, type Sleep } from "../../core/sleep-current";
import type { SleepDesk } from "../../workers/sleep-desk";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { VerdictLine } from "../tools/SheetView";
import { EyeLog } from "./EyeLog";
import { LiveLog } from "./LiveLog";
import { textOfFile } from "../shell/text-of-file";
import { say } from "#words/ui/sleep";

const CurrentChart = dynamic(() => import("./CurrentChart").then((m) => m.CurrentChart), {
  ssr: false,
  loading: () => <div className="chart-room" style={{ height: 230 }} />,
});

const FROM = [
  ["file", say.aLoggersFile],
  ["eye", say.aDisplayByEye],
  ["live", say.aBenchSupplyLive],
] as const;
type From = (typeof FROM)[number][0];
const amps = (v: number) => quantityText(v, "amperes");
const seconds = (v: number) => quantityText(v, "seconds");

/** The job the log is for. */
interface InJob {
  readonly job: string;
  readonly file: MachineFile;
  readonly hash: string;
  readonly changes: readonly Change[];
  readonly actor: string;
}

/**
 * A current log of a machine that should fall asleep: its levels, how long it takes, what wakes it, and whether it is
 * the drain.
 */
export function SleepScreen({ inJob }: { readonly inJob: InJob | null }) {
  const [from, setFrom] = useState<From>("file");
  const [unit, setUnit] = useState<"A" | "mA" | "µA">("A");
  const machine = useMemo(() => (inJob ? commonShelf().of(inJob.hash, inJob.file, inJob.changes) : null), [inJob]);
  const ofFile = machine?.file.sleep;
  const [limit, setLimit] = useLimit("unzo.sleep.limit", ofFile ? `${ofFile.milliamps} mA` : null);
  const [within, setWithin] = useLimit("unzo.sleep.within", ofFile ? `${ofFile.after} s` : null);
  const [battery, setBattery] = useKept("unzo.sleep.battery");
  const [unconnected, setUnconnected] = useKept("unzo.sleep.unconnected");
  const [reading, setReading] = useState(false);
  const [read, setRead] = useState<{
    readonly words: string;
    readonly points: readonly (readonly [number, number])[];
  } | null>(null);
  const [sleep, setSleep] = useState<Sleep | null>(null);
  const [problem, setProblem] = useState("");
  const desk = useRef<Comlink.Remote<SleepDesk> | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("../../workers/sleep.worker.ts", import.meta.url), { type: "module" });
    desk.current = Comlink.wrap<SleepDesk>(worker);
    return () => {
      desk.current = null;
      worker.terminate();
    };
  }, []);

  const asleepAmps = number(limit, "amperes", 0.05);
  const withinSeconds = number(within, "seconds", 600);
  const ampereHours = number(battery, "ampere-hours", 60);
  const ready = asleepAmps.ok && withinSeconds.ok;
  const limits = { asleepAmps: asleepAmps.value, withinSeconds: withinSeconds.value };
  const limitsKey = JSON.stringify(limits);

  const clear = useCallback(() => {
    setRead(null);
    setSleep(null);
  }, []);
  const take = useCallback(
    async (text: string, goesOn = false) => {
      setReading(true);
      setProblem("");
      // The verdict of another log says nothing of this one; of one that goes on it stands until the next.
      if (!goesOn) clear();
      try {
        const got = await desk.current!.read(text, unit);
        if (!got.ok) {
          setProblem(got.sentence);
          clear();
          return;
        }
        setRead({
          words: `${got.read}${got.skipped ? say.linesWithoutNumbersLeftOut(got.skipped) : ""}`,
          points: got.points,
        });
        setSleep(await desk.current!.analyse(JSON.parse(limitsKey) as typeof limits));
      } finally {
        setReading(false);
      }
    },
    [unit, limitsKey, clear],
  );
  // Other limits, the same log: judged anew, not read anew.
  useEffect(() => {
    let current = true;
    desk.current?.analyse(JSON.parse(limitsKey) as { asleepAmps: number; withinSeconds: number }).then(
      (s) => {
        if (current && s) setSleep(s);
      },
      (error: Error) => {
        if (current) setProblem(error.message);
      },
    );
    return () => {
      current = false;
    };
  }, [limitsKey]);

  const verdict = sleep && ready ? judgeSleep(sleep, limits, amps, seconds) : null;
  let source: ReactNode;
  if (from === "file")
    source = (
      <>
        <Form.Control
          type="file"
          accept=".csv,.txt,.tsv,.log,text/*"
          aria-label={say.fileOfALogger}
          onChange={(e) => {
            const file = (e.target as HTMLInputElement).files?.[0];
            if (file) void textOfFile(file).then(take);
          }}
        />
        <Form.Control
          as="textarea"
          rows={4}
          aria-label={say.orPasted}
          placeholder={"time;current mA\n0;820\n1;815"}
          onChange={(e) => {
            if (e.target.value.trim()) void take(e.target.value);
          }}
        />
        <div className="tool-field">
          <Form.Label htmlFor="sleep-unit">{say.unitIfTheFileNames}</Form.Label>
          <Form.Select id="sleep-unit" value={unit} onChange={(e) => setUnit(e.target.value as "A")}>
            {(["A", "mA", "µA"] as const).map((u) => (
              <option key={u}>{u}</option>
            ))}
          </Form.Select>
        </div>
      </>
    );
  else if (from === "eye") source = <EyeLog onLog={(text) => void take(text, true)} onAnew={clear} />;
  else source = <LiveLog onLog={(text) => void take(text, true)} onAnew={clear} />;
  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={say.sleepCurrent} />
      <main id="main" tabIndex={-1} className="tool-main">
        <header className="tool-head">
          <h1>{say.sleepCurrent}</h1>
          <span className="tool-acts no-print">
            <Button size="sm" variant="outline-dark" onClick={() => window.print()}>
              {say.print}
            </Button>
          </span>
        </header>
        <Form className="tool-fields" onSubmit={(e) => e.preventDefault()} noValidate aria-label={say.logAndLimits}>
          <fieldset>
            <legend>{say.theLog}</legend>
            <Form.Select
              aria-label={say.whereTheLogComesFrom}
              value={from}
              onChange={(e) => {
                setFrom(e.target.value as From);
                clear();
              }}
            >
              {FROM.map(([v, w]) => (
                <option key={v} value={v}>
                  {w}
                </option>
              ))}
            </Form.Select>
            {source}
          </fieldset>
          <fieldset>
            <legend>{say.limits}</legend>
            <Limit
              label={say.asleepAtMost}
              value={limit}
              hint="50 mA"
              problem={asleepAmps.sentence}
              onChange={setLimit}
            />
            <Limit
              label={say.asleepWithin}
              value={within}
              hint="10 min"
              problem={withinSeconds.sentence}
              onChange={setWithin}
            />
            <Limit
              label={say.battery}
              value={battery}
              hint="60 Ah"
              problem={ampereHours.sentence}
              onChange={setBattery}
            />
            <div className="tool-field">
              <Form.Label htmlFor="sleep-off">{say.notConnected}</Form.Label>
              <Form.Control
                id="sleep-off"
                as="textarea"
                rows={2}
                value={unconnected}
                placeholder={say.feedsAndBusesLeftOff}
                onChange={(e) => setUnconnected(e.target.value)}
              />
            </div>
          </fieldset>
        </Form>
        <section className="tool-result" aria-label={say.whatFollows} aria-busy={reading}>
          {reading ? <p role="status">{say.readingTheLog}</p> : null}
          {problem ? (
            <p className="problem" role="alert">
              {problem}
            </p>
          ) : null}
          {!read && !reading && !problem ? (
            <p className="quiet" role="status">
              {say.oneFullCycleUndisturbedStart}
            </p>
          ) : null}
          {read && sleep ? (
            <div className="tool-sheet">
              {verdict ? <VerdictLine verdict={verdict} /> : null}
              {inJob && machine && verdict ? (
                <LogIt
                  inJob={inJob}
                  machine={machine}
                  current={verdict.kind === "unsure" ? null : drawnAsleep(sleep, limits)}
                />
              ) : null}
              {verdict?.kind === "good" ? (
                <p className="mb-0">
                  {unconnected.trim() ? (
                    <>
                      {say.holdsWithTheseLeftOff} <strong>{unconnected.trim()}</strong>
                      {say.theyWereNotTested}
                    </>
                  ) : (
                    say.everyFeedAndBusWas
                  )}
                </p>
              ) : null}
              <CurrentChart points={read.points} limit={limits.asleepAmps} />
              <dl className="sheet-lines">
                <Row
                  label={say.awakeAsleep}
                  text={`${sleep.awake === null ? "–" : amps(sleep.awake)}, ${sleep.asleep === null ? "never" : amps(sleep.asleep)}`}
                  big
                />
                <Row label={say.fallsAsleepAfter} text={sleep.toSleep === null ? "–" : seconds(sleep.toSleep)} />
                <Row
                  label={say.wakesUp}
                  text={
                    sleep.wakeUps.length === 0
                      ? "never"
                      : say.countTimesWakeUpsPart(
                          sleep.wakeUps.length,
                          sleep.wakeUps
                            .slice(0, 4)
                            .map((w) => say.atSecondsForSeconds2(seconds(w.from), seconds(w.to - w.from)))
                            .join("; "),
                          sleep.wakeUps.length > 4 ? "…" : "",
                        )
                  }
                />
                {sleep.mean !== null ? <Row label={say.onAverageAsleep} text={amps(sleep.mean)} /> : null}
                {sleep.mean !== null && sleep.mean > 0 && ampereHours.ok ? (
                  <Row
                    label={say.batteryHalfEmpty}
                    text={say.afterDaysUntilFlatDays(daysUntilFlat(ampereHours.value, sleep.mean).toFixed(0))}
                    formula={`t = ½ Q / I = ½ × ${quantityText(ampereHours.value, "ampere-hours")} / ${amps(sleep.mean)}`}
                  />
                ) : null}
                <Row
                  label={say.stepsOfTheLogger}
                  text={`${amps(sleep.resolution)}; ${amps(limits.asleepAmps / 10)} wanted`}
                />
                {sleep.lost.length > 0 ? (
                  <Row label={say.clipLost} text={say.timesTheTestCountsFrom(sleep.lost.length, seconds(sleep.from))} />
                ) : null}
              </dl>
              <p className="quiet mb-0">{read.words}</p>
            </div>
          ) : null}
        </section>
      </main>
    </div>
  );
}

/** A limit: what the machine's file says, where the log is for a job; else what was typed last. */
function useLimit(key: string, ofFile: string | null): [string, (text: string) => void] {
  const kept = useKept(key);
  const own = useState(ofFile ?? "");
  return ofFile === null ? kept : own;
}

/** What it draws where it should sleep goes into the job as a reading of the wire in which it was logged. */
function LogIt({
  inJob,
  machine,
  current,
}: {
  readonly inJob: InJob;
  readonly machine: Machine;
  /** Amperes; null while the log does not tell. */
  readonly current: number | null;
}) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  if (current === null || !sleepTest(machine)) return null;
  const log = async () => {
    setBusy(true);
    setProblem("");
    try {
      await send(logEntry, [inJob.job], {
        id: crypto.randomUUID(),
        v: 1,
        actor: who || inJob.actor,
        body: sleepLoggedBody(machine, current),
      });
      router.push(`/jobs/${inJob.job}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };
  return (
    <div className="no-print">
      <Button size="lg" disabled={busy} onClick={() => void log()}>
        {say.logInTheJob(amps(current))}
      </Button>
      {problem ? (
        <p className="problem" role="alert">
          {problem}
        </p>
      ) : null}
    </div>
  );
}

function number(
  text: string,
  quantity: Quantity,
  preset: number,
): { readonly ok: boolean; readonly value: number; readonly sentence: string } {
  if (text.trim() === "") return { ok: true, value: preset, sentence: "" };
  const read = readQuantity(text, quantity, METRIC);
  return read.ok && read.value > 0
    ? { ok: true, value: read.value, sentence: "" }
    : { ok: false, value: preset, sentence: read.ok ? say.itMustBeAboveZero : read.sentence };
}

function Limit({
  label,
  value,
  hint,
  problem,
  onChange,
}: {
  label: string;
  value: string;
  hint: string;
  problem: string;
  onChange: (v: string) => void;
}) {
  const id = `sleep-${label.replaceAll(" ", "-")}`;
  return (
    <div className="tool-field">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        value={value}
        placeholder={hint}
        isInvalid={problem !== ""}
        onChange={(e) => onChange(e.target.value)}
      />
      {problem ? (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      ) : null}
    </div>
  );
}

function Row({ label, text, formula, big }: { label: string; text: string; formula?: string; big?: boolean }) {
  return (
    <div className={big ? "is-big" : undefined}>
      <dt>{label}</dt>
      <dd>
        <span className="value">{text}</span>
        {formula ? <span className="sheet-formula">{formula}</span> : null}
      </dd>
    </div>
  );
}
