"use client";

import Link from "next/link";
import { useState } from "react";
import Button from "react-bootstrap/Button";
import Modal from "react-bootstrap/Modal";
import type { OpenWait } from "../../contract/waits";
import { leftWords } from "./left-words";
import type { NewWait } from "./useWaits";
import { CARE_ICONS, placeOf } from "./wait-place";
import { CARE_WORDS, say } from "#words/ui/waits";

/** What "more" adds, seconds. */
const MORE = 600;

interface Props {
  readonly show: boolean;
  readonly waits: readonly OpenWait[];
  /** How many more there are. */
  readonly more: number;
  readonly now: number;
  readonly problem: string;
  readonly muted: boolean;
  onMute(is: boolean): void;
  onEnd(wait: OpenWait): Promise<boolean>;
  onLater(wait: NewWait, id: string): Promise<boolean>;
  onHide(): void;
}

/** Everything that is waited for, the soonest first; each is ended, or given more time, by one key. */
export function WaitList({ show, waits, more, now, problem, muted, onMute, onEnd, onLater, onHide }: Props) {
  return (
    <Modal show={show} onHide={onHide} size="lg" aria-labelledby="waits-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="waits-title">
          {say.waitingFor}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {waits.length === 0 ? <p>{say.nothing}</p> : null}
        <ul className="wait-list">
          {waits.map((w) => {
            const left = Math.round((Date.parse(w.due) - now) / 1000);
            const care = w.care ?? "watch";
            const place = placeOf(w);
            return (
              <li key={`${w.job} ${w.wait}`} className={left <= 0 ? "is-due" : ""}>
                <span className="wait-words">
                  <strong>{place ? <Link href={place}>{w.words}</Link> : w.words}</strong>
                  <span className="quiet d-block">
                    <i className={`bi ${CARE_ICONS[care]}`} aria-hidden /> {CARE_WORDS[care]}
                    {w.site ? `. ${w.site}` : ""}
                  </span>
                </span>
                <strong className="value">{leftWords(left)}</strong>
                <Button variant="outline-dark" aria-label={say.doneOf(w.words)} onClick={() => void onEnd(w)}>
                  <i className="bi bi-check-lg" aria-hidden /> {say.done}
                </Button>
                <Button
                  variant="outline-dark"
                  aria-label={say.laterOf(w.words)}
                  onClick={() => void onLater({ ...w, care, seconds: Math.max(0, left) + MORE }, crypto.randomUUID())}
                >
                  {say.later}
                </Button>
              </li>
            );
          })}
        </ul>
        {more > 0 ? <p className="quiet">{say.more(more)}</p> : null}
        <p className="problem" role="alert">
          {problem}
        </p>
      </Modal.Body>
      <Modal.Footer className="justify-content-between">
        <span className="d-flex gap-2 flex-wrap">
          <Button variant="outline-dark" aria-pressed={muted} onClick={() => onMute(!muted)}>
            <i className={`bi ${muted ? "bi-bell-slash" : "bi-bell"}`} aria-hidden /> {muted ? say.muted : say.loud}
          </Button>
          <NotifyKey />
        </span>
        <Button onClick={onHide}>{say.close}</Button>
      </Modal.Footer>
    </Modal>
  );
}

/** Asks the browser for leave to notify, once. */
function NotifyKey() {
  const [state, setState] = useState(() => (typeof Notification === "undefined" ? "denied" : Notification.permission));
  if (state === "granted") return <span className="align-self-center quiet">{say.notifying}</span>;
  if (state === "denied") return <span className="align-self-center quiet">{say.notAllowed}</span>;
  return (
    <Button variant="outline-dark" onClick={() => void Notification.requestPermission().then(setState)}>
      {say.notify}
    </Button>
  );
}
