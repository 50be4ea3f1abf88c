"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { QuotePaper } from "../../contract/paper";
import { logEntry } from "../../contract/entries";
import { quotedBody } from "../../core/journal";
import { Problem } from "../engine/Problem";
import { useMoney } from "../shell/Currency";
import { PageTitle } from "../shell/PageTitle";
import { send } from "../shell/send";
import { dateWithYear } from "../shell/time";
import { useKept } from "../shell/useKept";
import { useLiveMark } from "../shell/useLiveMark";
import { Letterhead } from "./Letterhead";
import { PaperNav } from "./PaperNav";
import { QuoteSheet } from "./QuoteSheet";
import { say } from "#words/ui/paper";

/** What can be offered before a repair: chosen line by line, handed out once, kept as it was shown. */
export function QuoteScreen({ paper, until: usual }: { paper: QuotePaper; until: string }) {
  const router = useRouter();
  const money = useMoney();
  const { head, given } = paper;
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [until, setUntil] = useState(usual);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const [who] = useKept("unzo.who");
  const id = useRef("");
  const options = paper.options.filter((o) => !left.has(o.option));
  async function handOut(): Promise<void> {
    if (options.length === 0) return setProblem(say.offerNone);
    id.current ||= crypto.randomUUID();
    setBusy(true);
    try {
      const body = quotedBody({
        piece: paper.piece,
        ...(paper.fault ? { fault: paper.fault } : {}),
        until,
        options: options.map(({ option, words, price, holds, days }) => ({ option, words, price, holds, days })),
      });
      await send(logEntry, [head.job], { id: id.current, v: 1, actor: who.trim() || "Someone", body });
      id.current = "";
      setProblem("");
      router.refresh();
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  }
  // As it stands on the screen.
  const pdf = new URLSearchParams({
    kind: "quote",
    assembly: paper.piece,
    fault: paper.fault ?? "",
    only: options.map((o) => o.option).join(),
    until,
  });
  return (
    <div className="record paper-screen" ref={useLiveMark()}>
      <PageTitle of={`${say.offer}: ${head.site}`} />
      <PaperNav
        back={`/jobs/${head.job}/repair?assembly=${encodeURIComponent(paper.piece)}&step=decide`}
        backWords={say.theRepair}
        pdf={`/api/jobs/${head.job}/paper?${pdf.toString()}`}
      />
      <main id="main" tabIndex={-1} className="paper-room">
        <section className="paper-choice d-print-none" aria-label={say.whatIsOffered}>
          <h2>{say.whatIsOffered}</h2>
          {given ? (
            <p role="status" suppressHydrationWarning>
              {say.handedOut(dateWithYear(given.at), dateWithYear(given.until))}
            </p>
          ) : null}
          {paper.options.map((o) => (
            <Form.Check
              key={o.option}
              id={`offer-${o.option}`}
              checked={!left.has(o.option)}
              onChange={() => {
                const now = new Set(left);
                if (!now.delete(o.option)) now.add(o.option);
                id.current = "";
                setLeft(now);
              }}
              label={`${o.words}, ${money(o.price)}`}
            />
          ))}
          <Form.Group controlId="until">
            <Form.Label>{say.until}</Form.Label>
            <Form.Control type="date" value={until} onChange={(e) => setUntil(e.target.value)} />
          </Form.Group>
          <Button size="lg" disabled={busy || until === ""} onClick={() => void handOut()}>
            {say.handOut}
          </Button>
          <Problem words={problem} />
          <Letterhead known={head.letterhead} />
        </section>
        <QuoteSheet paper={paper} options={options} until={until} />
      </main>
    </div>
  );
}
