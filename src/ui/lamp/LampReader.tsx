"use client";

import { useState } from "react";
import Button from "react-bootstrap/Button";
import Tab from "react-bootstrap/Tab";
import Tabs from "react-bootstrap/Tabs";
import { labelOf, type LampPattern, type LampReading, matchOnLamp } from "../../core/lamp";
import { CameraWatch } from "./CameraWatch";
import { TapPad } from "./TapPad";
import { TimeList } from "./TimeList";
import { say } from "#words/ui/lamp";

export interface LampOfMachine {
  readonly part: string;
  readonly name: string;
  readonly labels: readonly string[];
}

interface Props {
  /** The lamp that is read, where the machine is known: a pattern it has not is refused in a sentence. */
  readonly lamp?: LampOfMachine;
  readonly onRead?: (lamp: LampOfMachine, label: string) => Promise<boolean>;
}

/** One decoder, three ways to feed it: the hand, a list of times, the camera. */
export function LampReader({ lamp, onRead }: Props) {
  const [way, setWay] = useState("tap");
  const [reading, setReading] = useState<LampReading | null>(null);
  const [refused, setRefused] = useState("");
  const [logged, setLogged] = useState("");
  const heard = (next: LampReading | null) => {
    setReading(next);
    setRefused("");
    setLogged("");
  };
  async function take(pattern: LampPattern) {
    if (!lamp || !onRead) return;
    const match = matchOnLamp(pattern, lamp.name, lamp.labels);
    if (match.label === null) return setRefused(match.refused);
    if (await onRead(lamp, match.label)) setLogged(match.label);
  }
  return (
    <div className="lamp-reader">
      <div>
        <Tabs
          transition={false}
          activeKey={way}
          onSelect={(k) => {
            setWay(k ?? "tap");
            heard(null);
          }}
          mountOnEnter
          unmountOnExit
        >
          <Tab eventKey="tap" title={say.tapAlong}>
            <TapPad onReading={heard} />
          </Tab>
          <Tab eventKey="camera" title={say.camera}>
            <CameraWatch onReading={heard} />
          </Tab>
          <Tab eventKey="list" title={say.listOfTimes}>
            <TimeList onReading={heard} />
          </Tab>
        </Tabs>
      </div>
      <div className="lamp-outcome">
        <Verdict reading={reading} />
        {refused ? (
          <p className="problem" role="alert">
            {refused}
          </p>
        ) : null}
        {logged ? (
          <p className="sound" role="status">
            {say.loggedLogged(logged)}
          </p>
        ) : null}
        {lamp && onRead && reading?.pattern ? (
          <div className="d-flex flex-wrap gap-2">
            <Button size="lg" disabled={!reading.sure} onClick={() => void take(reading.pattern!)}>
              {say.logItLabelOf(labelOf(reading.pattern))}
            </Button>
            {!reading.sure ? (
              <Button variant="outline-dark" onClick={() => void take(reading.pattern!)}>
                {say.logItAllTheSame}
              </Button>
            ) : null}
          </div>
        ) : null}
      </div>
    </div>
  );
}

/** What was read, large; how sure; what else it may be; what would make it surer. */
function Verdict({ reading }: { reading: LampReading | null }) {
  if (!reading)
    return (
      <div className="lamp-verdict">
        <p className="lamp-sure quiet">{say.whatItReadsWillStand}</p>
      </div>
    );
  return (
    <div
      className={`lamp-verdict ${reading.sure ? "is-sure" : ""}`}
      role="status"
      aria-live="polite"
      data-sure={reading.sure}
    >
      <p className="lamp-words">
        {reading.pattern ? labelOf(reading.pattern) : say.notReadYet}
        {reading.hertz !== null ? <span className="quiet">{say.hertzASecond(reading.hertz.toFixed(1))}</span> : null}
      </p>
      <p className="lamp-sure">
        <i className={`bi ${reading.sure ? "bi-check2-circle" : "bi-question-circle"}`} aria-hidden />{" "}
        {reading.sure ? "sure" : say.notSureYet}
        {reading.rounds > 0 ? `, ${reading.rounds} rounds` : ""}
        {reading.runnerUp && !reading.sure ? `; or ${labelOf(reading.runnerUp.pattern)}` : ""}
      </p>
      {reading.advice ? <p className="mb-0">{reading.advice}</p> : null}
    </div>
  );
}
