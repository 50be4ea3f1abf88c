"use client";

import { useEffect, useState } from "react";
import Button from "react-bootstrap/Button";
import type { SheetLoad } from "../../core/schedule";
import { type EventBody, timedBody } from "../../core/journal";
import { clockOf } from "../shell/time";
import { say } from "#words/ui/job/Stopwatch";

/** Times when something comes: started as the step is brought about, stopped when it is seen, or given up. */
export function Stopwatch({
  setup,
  load,
  busy,
  onLog,
}: {
  setup: string;
  load: SheetLoad;
  busy: boolean;
  onLog: (body: EventBody) => Promise<boolean>;
}) {
  const [started, setStarted] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (started === null) return;
    const timer = setInterval(() => setNow(performance.now()), 200);
    return () => clearInterval(timer);
  }, [started]);
  if (started === null)
    return (
      <Button
        size="sm"
        variant="link"
        disabled={busy}
        onClick={() => {
          const t = performance.now();
          setStarted(t);
          setNow(t);
        }}
      >
        <i className="bi bi-stopwatch" aria-hidden /> {say.timeIt}
      </Button>
    );
  const stop = (came: boolean) => {
    const seconds = Math.round((performance.now() - started) / 100) / 10;
    setStarted(null);
    void onLog(timedBody(setup, load, seconds, came));
  };
  return (
    <div className="stopwatch" role="group" aria-label={say.loadNameTimeUntilShould(load.name, load.should)}>
      <strong className="value" role="timer">
        {clockOf(Math.max(0, Math.floor((now - started) / 1000)))}
      </strong>
      <Button size="sm" disabled={busy} onClick={() => stop(true)}>
        {say.shouldNow(load.should)}
      </Button>
      <Button size="sm" variant="outline-dark" disabled={busy} onClick={() => stop(false)}>
        {say.itDoesNotCome}
      </Button>
    </div>
  );
}
