"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { quantityText } from "../../core/quantity";
import { useDevices } from "../meter/useMeters";
import { send } from "../shell/send";
import { readDevice } from "../../contract/meters";
import { say } from "#words/ui/sleep";

/** The current of a bench supply, once a second, for as long as it is left running. */
export function LiveLog({ onLog, onAnew }: { onLog: (text: string) => void; onAnew: () => void }) {
  const supplies = useDevices().filter((d) => d.kind === "supply");
  const [chosen, setChosen] = useState("");
  const [running, setRunning] = useState(false);
  const [last, setLast] = useState("");
  const [problem, setProblem] = useState("");
  const rows = useRef<string[]>([]);
  const device = supplies.find((s) => s.id === chosen) ?? supplies[0];
  const id = device?.id;
  // A new way to hand the log on does not begin it anew.
  const took = useEffectEvent((seconds: number, amps: number) => {
    rows.current.push(`${seconds.toFixed(2)},${amps}`);
    setLast(quantityText(amps, "amperes"));
    if (rows.current.length > 2 && rows.current.length % 2 === 1) onLog(`s,A\n${rows.current.join("\n")}`);
  });
  useEffect(() => {
    if (!running || !id) return;
    let began: number | null = null;
    rows.current = [];
    let busy = false;
    const timer = setInterval(() => {
      if (busy) return;
      busy = true;
      const start = (began ??= performance.now());
      send(readDevice, [id], {})
        .then(
          ({ shown }) => {
            if (shown.kind === "value") took((performance.now() - start) / 1000, shown.value);
          },
          (error: unknown) => {
            setProblem((error as Error).message);
            setRunning(false);
          },
        )
        .finally(() => {
          busy = false;
        });
    }, 1000);
    return () => clearInterval(timer);
  }, [running, id]);
  if (supplies.length === 0) return <p className="quiet mb-0">{say.noSupplyIsConfiguredOn}</p>;
  return (
    <div>
      <div className="d-flex gap-2">
        <Form.Select aria-label={say.supply} value={id} disabled={running} onChange={(e) => setChosen(e.target.value)}>
          {supplies.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </Form.Select>
        <Button
          onClick={() => {
            setProblem("");
            if (!running) onAnew();
            setRunning(!running);
          }}
        >
          {running ? "Stop" : "Start"}
        </Button>
      </div>
      <p className="quiet mb-0" role="status">
        {running ? say.lastOnceASecond(last || "…") : say.supplyToTheMachinesFeed}
      </p>
      {problem ? (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      ) : null}
    </div>
  );
}
