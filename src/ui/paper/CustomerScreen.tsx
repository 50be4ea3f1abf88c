"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { CustomerPaper } from "../../contract/paper";
import { logEntry } from "../../contract/entries";
import { photoAddress } from "../../contract/jobs";
import { customerPageBody, type Done } from "../../core/journal";
import { Problem } from "../engine/Problem";
import { PageTitle } from "../shell/PageTitle";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { useLiveMark } from "../shell/useLiveMark";
import { CustomerSheet } from "./CustomerSheet";
import { Letterhead } from "./Letterhead";
import { PaperNav } from "./PaperNav";
import { say } from "#words/ui/paper";

/** The customer's page as it will be handed out, and beside it what is chosen for it. */
export function CustomerScreen({ paper, kept }: { paper: CustomerPaper; kept: readonly Done<"photo">[] }) {
  const router = useRouter();
  const { head, page } = paper;
  const [photos, setPhotos] = useState<readonly string[]>(page.photos.map((p) => p.hash));
  const [words, setWords] = useState(page.words);
  const [next, setNext] = useState(page.next?.on ?? "");
  const [state, setState] = useState({ busy: false, problem: "", isKept: false });
  const [who] = useKept("unzo.who");
  const id = useRef("");
  const shown = {
    ...page,
    words,
    photos: kept.flatMap(({ body }) =>
      photos.includes(body.hash) ? [{ hash: body.hash, caption: body.caption }] : [],
    ),
    next: next === "" ? null : { on: next, words: page.next?.words ?? "" },
  };
  const isChanged =
    words !== page.words || next !== (page.next?.on ?? "") || photos.join() !== page.photos.map((p) => p.hash).join();
  const edit =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      set(value);
      id.current = "";
      setState((s) => ({ ...s, isKept: false }));
    };
  async function keep(): Promise<void> {
    id.current ||= crypto.randomUUID();
    setState({ busy: true, problem: "", isKept: false });
    try {
      const body = customerPageBody(photos, words, next === "" ? null : next);
      await send(logEntry, [head.job], { id: id.current, v: 1, actor: who.trim() || "Someone", body });
      setState({ busy: false, problem: "", isKept: true });
      router.refresh();
    } catch (error) {
      setState({ busy: false, problem: (error as Error).message, isKept: false });
    }
  }
  return (
    <div className="record paper-screen" ref={useLiveMark()}>
      <PageTitle of={`${say.customersPage}: ${head.site}`} />
      <PaperNav
        back={`/jobs/${head.job}/record`}
        backWords={say.theRecord}
        pdf={isChanged ? null : `/api/jobs/${head.job}/paper`}
      />
      <main id="main" tabIndex={-1} className="paper-room">
        <section className="paper-choice d-print-none" aria-label={say.onIt}>
          <h2>{say.onIt}</h2>
          <Form.Group controlId="own-words">
            <Form.Label>{say.ownWords}</Form.Label>
            <Form.Control
              as="textarea"
              rows={3}
              maxLength={600}
              value={words}
              onChange={(e) => edit(setWords)(e.target.value)}
            />
          </Form.Group>
          <Form.Group controlId="next-date">
            <Form.Label>{say.nextOn}</Form.Label>
            <Form.Control type="date" value={next} onChange={(e) => edit(setNext)(e.target.value)} />
          </Form.Group>
          <fieldset className="paper-fields">
            <legend>{say.photos}</legend>
            {kept.length === 0 ? <p className="quiet mb-0">{say.noPhotos}</p> : null}
            <ul className="paper-photos">
              {kept.map(({ body }) => (
                <li key={body.hash}>
                  <Form.Check
                    id={`photo-${body.hash}`}
                    checked={photos.includes(body.hash)}
                    onChange={(e) =>
                      edit(setPhotos)(
                        e.target.checked ? [...photos, body.hash] : photos.filter((hash) => hash !== body.hash),
                      )
                    }
                    label={<span className="visually-hidden">{say.show(body.caption || body.stage)}</span>}
                  />
                  <img src={photoAddress(body.hash)} alt={body.caption || body.stage} />
                </li>
              ))}
            </ul>
          </fieldset>
          <Button size="lg" disabled={state.busy} onClick={() => void keep()}>
            {say.keep}
          </Button>{" "}
          <span role="status">{state.isKept ? say.kept : ""}</span>
          <Problem words={state.problem} />
          <Letterhead known={head.letterhead} />
        </section>
        <CustomerSheet paper={{ ...paper, page: shown }} />
      </main>
    </div>
  );
}
