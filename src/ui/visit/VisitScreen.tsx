"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { Suspense, use, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { BeforeDriving, PhoneQuestion } from "../../contract/visit";
import { logEntry } from "../../contract/entries";
import { answeredBody } from "../../core/journal";
import { Problem } from "../engine/Problem";
import { TopBar } from "../shell/TopBar";
import { clockTime, dayName } from "../shell/time";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { say } from "#words/ui/visit";

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** Before one drives: what to ask on the phone, what it may be, what to take along and what that is worth. */
export function VisitScreen({ visit }: { readonly visit: BeforeDriving }) {
  const router = useRouter();
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState("");
  const [who] = useKept("unzo.who");
  const ids = useRef(new Map<string, string>());
  async function answer(question: PhoneQuestion, given: "yes" | "no" | "skip"): Promise<void> {
    const key = `${question.id} ${given}`;
    const id = ids.current.get(key) ?? crypto.randomUUID();
    ids.current.set(key, id);
    setBusy(true);
    try {
      const body = answeredBody(question, given);
      await send(logEntry, [visit.job], { id, v: 1, actor: who.trim() || "Someone", body });
      setProblem("");
      setFound(given === question.cause ? say.thatIsIt(question.then) : "");
      router.refresh();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  return (
    <div className="start">
      <TopBar here="Jobs" title={`${say.beforeDriving}: ${visit.site}`} />
      <main id="main" tabIndex={-1} className="library visit">
        <h1>
          {say.beforeDriving}: {visit.site}
        </h1>
        <p>
          <strong>{visit.machine}</strong> {visit.complaint}
          <span className="quiet d-block" suppressHydrationWarning>
            {visit.visitAt ? say.visitAt(`${dayName(visit.visitAt)}, ${clockTime(visit.visitAt)}`) : say.noVisit}{" "}
            <Link href={`/jobs/${visit.job}`}>{say.theSearch}</Link>
          </span>
        </p>
        <section className="rig-sheet" aria-label={say.onThePhone}>
          <h2>{say.onThePhone}</h2>
          {visit.questions.length === 0 ? <p className="quiet">{say.nothingToAsk}</p> : null}
          <ul className="phone-questions">
            {visit.questions.map((q) => (
              <li key={q.id}>
                <span>{q.ask}</span>
                <span className="follow-up-keys">
                  <Button variant="outline-dark" disabled={busy} onClick={() => void answer(q, "yes")}>
                    {say.yes}
                  </Button>
                  <Button variant="outline-dark" disabled={busy} onClick={() => void answer(q, "no")}>
                    {say.no}
                  </Button>
                  <Button variant="outline-dark" disabled={busy} onClick={() => void answer(q, "skip")}>
                    {say.unknown}
                  </Button>
                </span>
              </li>
            ))}
          </ul>
          <p role="status" className="all-back">
            {found}
          </p>
          <Problem words={problem} />
          {visit.answered.length > 0 ? (
            <p className="quiet mb-0">
              {say.answered}: {visit.answered.join(" ")}
            </p>
          ) : null}
        </section>
        <section className="rig-sheet" aria-label={say.mayBe}>
          <h2>{say.mayBe}</h2>
          <table className="figure-bars" aria-label={say.mayBe}>
            <tbody>
              {visit.suspects.map((s) => (
                <tr key={s.name}>
                  <th scope="row">{s.name}</th>
                  <td>
                    <span className="figure-bar" aria-hidden>
                      <span className="figure-share" style={{ width: percent(s.probability).replace(" ", "") }} />
                    </span>
                  </td>
                  <td className="value">{percent(s.probability)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section className="rig-sheet" aria-label={say.takeWith}>
          <h2>{say.takeWith}</h2>
          <Suspense
            fallback={
              <p role="status" className="quiet">
                {say.takeBeing}
              </p>
            }
          >
            <Bag job={visit.job} taken={visit.take} />
          </Suspense>
          <p className="quiet mb-0">{say.asLikely}</p>
        </section>
      </main>
    </div>
  );
}

/** What to take along, ticked off as it is packed. */
function Bag({ job, taken }: { readonly job: string; readonly taken: BeforeDriving["take"] }) {
  const take = use(taken);
  const [packed, setPacked] = useKept(`unzo.packed.${job}`);
  const inBag = new Set(packed === "" ? [] : packed.split("\n"));
  return (
    <>
      <p>
        <strong>{say.endsAtOnce(percent(take.withAll))}</strong> {say.meterGoes}{" "}
        {take.withAll < 0.995 ? say.rest(percent(1 - take.withAll)) : ""}
      </p>
      <ul className="take-along">
        {take.items.map((item) => (
          <li key={`${item.kind} ${item.name}`}>
            <Form.Check
              id={`take-${item.kind}-${item.name}`}
              checked={inBag.has(item.name)}
              onChange={(e) => {
                if (e.target.checked) inBag.add(item.name);
                else inBag.delete(item.name);
                setPacked([...inBag].join("\n"));
              }}
              label={
                <>
                  <span className="quiet">{say[item.kind]}</span> <strong>{item.name}</strong>
                </>
              }
            />
            <span className="value">{say.without(percent(item.without))}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
