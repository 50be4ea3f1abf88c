"use client";

import { useMemo, useState } from "react";
import Form from "react-bootstrap/Form";
import { exitsOf, guideTo, keyMarks, type Machine, menuOf, type Program, waySeconds } from "../../core/model";
import type { Desk } from "../engine/useEngine";
import { Guide } from "./Guide";
import { MenuMap } from "./MenuMap";
import { say } from "#words/ui/modes";

interface Props {
  readonly machine: Machine;
  readonly program: Program;
  readonly desk: Desk | null;
  /** The mode it is in to begin with; the first one if it is not known. */
  readonly start?: string;
  readonly onShowed?: (mode: string, label: string) => void;
  readonly onArrived?: (mode: string) => void;
}

/** Where one is, where one wants to be, the fewest keys between, and a guide that counts along. */
export function Modes({ machine, program, desk, start, onShowed, onArrived }: Props) {
  const menu = useMemo(() => menuOf(program), [program]);
  const [here, setHere] = useState(start !== undefined && program.modes.includes(start) ? start : program.modes[0]!);
  const [goal, setGoal] = useState<{ from: string; to: string; n: number } | null>(null);
  const legs = useMemo(() => (goal ? guideTo(program, goal.from, goal.to) : null), [program, goal]);
  const go = (to: string) => setGoal((g) => ({ from: here, to, n: (g?.n ?? 0) + 1 }));
  const keys = legs ? keyMarks(legs.flatMap((l) => (l.gesture ? [l.gesture] : []))) : [];
  return (
    <div className="modes">
      <section aria-labelledby="modes-map">
        <div className="panel-head">
          <h2 id="modes-map">{say.whereTo}</h2>
          <Form.Select
            size="sm"
            aria-label={say.theMachineIsNowIn}
            value={here}
            onChange={(e) => {
              setHere(e.target.value);
              setGoal(null);
            }}
          >
            {menu.map((m) => (
              <option key={m.mode} value={m.mode}>
                {say.nowName(m.name)}
              </option>
            ))}
          </Form.Select>
        </div>
        <MenuMap menu={menu} here={here} to={goal?.to ?? null} onTo={go} />
      </section>
      <section aria-label={say.theWay} className={`modes-way ${goal ? "" : "is-idle"}`}>
        {!goal ? (
          <p className="quiet">{say.chooseAModeOnThe(program.hidden.length > 0 ? say.hiddenOnesAreUnlockedOn : "")}</p>
        ) : null}
        {goal && !legs ? (
          <p className="problem" role="alert">
            {say.noKeysLeadThereFrom}
          </p>
        ) : null}
        {goal && legs ? (
          <>
            <p className="way-keys" aria-label={say.keysKeys(keys.join(", "))}>
              {legs[0]?.gesture === null ? <span className="key-mark">{say.powerOffOn}</span> : null}
              {keys.map((k, i) => (
                <span key={i} className="key-mark">
                  {k}
                </span>
              ))}
              <span className="quiet">{say.aboutWaySecondsS(Math.round(waySeconds(legs)))}</span>
            </p>
            <Guide
              key={goal.n}
              machine={machine}
              desk={desk}
              legs={legs}
              exits={exitsOf(program, goal.to)}
              onArrived={(mode) => {
                setHere(mode);
                onArrived?.(mode);
              }}
              {...(onShowed ? { onShowed } : {})}
            />
          </>
        ) : null}
      </section>
    </div>
  );
}
