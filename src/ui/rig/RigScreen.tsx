"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import {
  type BenchRig,
  judgeRig,
  LAMP_SHOWS,
  type LampSeen,
  type LampShows,
  rigFindings,
  type RigVerdict,
} from "../../core/workbench";
import { send } from "../shell/send";
import { TopBar } from "../shell/TopBar";
import { useKept } from "../shell/useKept";
import { logEntry } from "../../contract/entries";
import { aloneBody } from "../../core/journal";
import { say } from "#words/ui/rig";

interface Props {
  readonly machine: string;
  /** Boards that can be chosen: of every machine, or of the job's. */
  readonly boards: readonly { readonly machine: string; readonly board: string; readonly name: string }[];
  readonly rig: BenchRig | null;
  readonly job: { readonly id: string; readonly actor: string } | null;
}

/**
 * A board out of its machine: how it is wired, what each lamp should do step by step, and what the lamps say of the
 * board.
 */
export function RigScreen({ machine, boards, rig, job }: Props) {
  const router = useRouter();
  const [who] = useKept("unzo.who");
  const [kept, keep] = useKept(`unzo.rig.${job?.id ?? ""}.${machine}.${rig?.board ?? ""}`);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const seen = readSeen(kept);
  const set = (step: number, lamp: number, shows: LampShows | "") =>
    keep(
      JSON.stringify([
        ...seen.filter((o) => o.step !== step || o.lamp !== lamp),
        ...(shows ? [{ step, lamp, shows }] : []),
      ]),
    );
  const go = (m: string, b: string) => router.push(`/tools/rig?machine=${m}&board=${b}${job ? `&job=${job.id}` : ""}`);
  const verdict = rig ? judgeRig(rig, seen) : null;

  async function log() {
    if (!rig || !verdict || !job) return;
    setBusy(true);
    try {
      for (const found of rigFindings(rig, verdict)) {
        await send(logEntry, [job.id], {
          id: crypto.randomUUID(),
          v: 1,
          actor: who || job.actor,
          body: aloneBody(
            found,
            "rig",
            { seen: String(seen.length) },
            say.onTheBenchRig(rig.boardName, verdict.words, verdict.why),
          ),
        });
      }
      router.push(`/jobs/${job.id}`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  }

  return (
    <div className="start">
      <TopBar here={say.calculatorsAndBench} title={say.benchRig} />
      <main id="main" tabIndex={-1} className="rig-main">
        <header className="rig-head">
          <h1>{say.benchRig}</h1>
          {boards.length > 0 ? (
            <Form.Select
              aria-label={say.board}
              value={rig ? `${machine} ${rig.board}` : ""}
              onChange={(e) => {
                const chosen = boards.find((b) => `${b.machine} ${b.board}` === e.target.value);
                if (chosen) go(chosen.machine, chosen.board);
              }}
            >
              {rig ? null : <option value="">{say.noBoardChosen}</option>}
              {boards.map((b) => (
                <option key={`${b.machine} ${b.board}`} value={`${b.machine} ${b.board}`}>
                  {b.name}
                </option>
              ))}
            </Form.Select>
          ) : null}
          <Button size="sm" variant="outline-dark" disabled={seen.length === 0} onClick={() => keep("")}>
            {say.startOver}
          </Button>
        </header>
        {!rig || !verdict ? (
          <p className="rig-sheet" role="status">
            {say.noBoardOfThisMachine}
          </p>
        ) : (
          <>
            <section className="rig-sheet" aria-label={say.lampsStepByStep} tabIndex={0}>
              <table className="rig-table">
                <thead>
                  <tr>
                    <th scope="col">{say.step}</th>
                    {rig.lamps.map((l) => (
                      <th key={l.part} scope="col">
                        {l.name}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {rig.steps.map((step, s) => (
                    <tr key={step.id} className={verdict.next === s ? "is-next" : undefined}>
                      <th scope="row">
                        {s + 1}. {step.words}
                        {verdict.next === s ? say.tellsMost : ""}
                        <span className="quiet">{step.how.join(" ")}</span>
                      </th>
                      {rig.lamps.map((lamp, l) => {
                        const should = rig.shows[0]![s]![l] ?? null;
                        const saw = seen.find((o) => o.step === s && o.lamp === l)?.shows ?? "";
                        return (
                          <td key={lamp.part}>
                            <div className="rig-lamp">
                              <span className="rig-should">
                                <span className={`rig-glow ${should ?? ""}`} aria-hidden />{" "}
                                {should ? (
                                  <>
                                    <span className="visually-hidden">{say.shouldBe} </span>
                                    {should}
                                  </>
                                ) : (
                                  say.notKnown
                                )}
                              </span>
                              <Form.Select
                                size="sm"
                                className={saw && should && saw !== should ? "is-odd" : undefined}
                                aria-label={`${lamp.name}, step ${s + 1}`}
                                value={saw}
                                onChange={(e) => set(s, l, e.target.value as LampShows | "")}
                              >
                                <option value="">{say.seen}</option>
                                {LAMP_SHOWS.map((v) => (
                                  <option key={v} value={v}>
                                    {v}
                                  </option>
                                ))}
                              </Form.Select>
                            </div>
                          </td>
                        );
                      })}
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
            <aside className="rig-side">
              <p className={`tool-verdict is-${verdictMark(seen, verdict)}`} role="status">
                {verdict.words}
              </p>
              {verdict.why ? <p className="mb-0">{verdict.why}</p> : null}
              {job ? (
                <Button size="lg" disabled={busy || seen.length === 0 || !verdict.sure} onClick={() => void log()}>
                  {say.logItInTheJob}
                </Button>
              ) : null}
              <p className="problem" role="alert">
                {problem}
              </p>
              <ul className="odds-bars" aria-label={say.whatItMayBe}>
                {verdict.sorts
                  .filter((x) => x.probability >= 0.02)
                  .map((x) => (
                    <li key={x.sort}>
                      <span>{x.sort}</span>
                      <span className="suspect-word">{Math.round(100 * x.probability)} %</span>
                      <span className="suspect-bar" aria-hidden>
                        <span style={{ width: `${Math.max(1, 100 * x.probability)}%` }} />
                      </span>
                    </li>
                  ))}
              </ul>
              <section aria-label={say.howItIsWired}>
                <h2>{say.howItIsWired}</h2>
                <ul>
                  {rig.wiring.map((w) => (
                    <li key={w}>{w}</li>
                  ))}
                </ul>
              </section>
              <ul className="cautions">
                {rig.cautions.map((c) => (
                  <li key={c}>
                    <i className="bi bi-exclamation-triangle" aria-hidden /> {c}
                  </li>
                ))}
              </ul>
            </aside>
          </>
        )}
      </main>
    </div>
  );
}

/** What was logged before, as far as it can be read. */
function readSeen(kept: string): LampSeen[] {
  try {
    const list = JSON.parse(kept || "[]") as LampSeen[];
    return Array.isArray(list)
      ? list.filter((o) => Number.isInteger(o.step) && Number.isInteger(o.lamp) && LAMP_SHOWS.includes(o.shows))
      : [];
  } catch {
    return [];
  }
}

function verdictMark(seen: LampSeen[], verdict: RigVerdict): "good" | "bad" | "unsure" {
  if (seen.length === 0) return "unsure";
  if (verdict.ranked[0]!.sort === "good board" && verdict.sure) return "good";
  if (verdict.ranked[0]!.sort === "good board") return "unsure";
  return "bad";
}
