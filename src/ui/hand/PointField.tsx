"use client";

import ButtonGroup from "react-bootstrap/ButtonGroup";
import ToggleButton from "react-bootstrap/ToggleButton";
import type { Machine, Point } from "../../core/model";
import { wireColour } from "../machine/wire-colours";
import { say } from "#words/ui/hand";

/** One of the two leads of the meter. */
export type Lead = "red" | "black";

interface Props {
  readonly machine: Machine;
  /** The point each lead is on; empty: on none. */
  readonly red: string;
  readonly black: string;
  /** What the meter shows. */
  readonly reading: string;
  /** The lead that goes on the next point touched. */
  readonly inHand: Lead;
  readonly onTake: (lead: Lead) => void;
  readonly onTouch: (point: string) => void;
}

/** Every plug and point of the machine as one finds it, to put a lead on by touching it. */
export function PointField({ machine, red, black, reading, inHand, onTake, onTouch }: Props) {
  const points = [...machine.points.values()];
  const spot = (point: Point, words: string) => (
    <button
      key={point.id}
      type="button"
      className={["spot", point.id === red ? "has-red" : "", point.id === black ? "has-black" : ""].join(" ")}
      aria-label={[
        point.where ? `${point.name}, ${point.where}` : point.name,
        point.id === red ? say.redIsOnIt : "",
        point.id === black ? say.blackIsOnIt : "",
      ]
        .filter(Boolean)
        .join(", ")}
      onClick={() => onTouch(point.id)}
    >
      {words}
    </button>
  );
  const plugs = machine.file.connectors.map((connector) => ({
    connector,
    pins: connector.pins.map((pin) => ({
      pin,
      points: points.filter((p) => p.connector === connector.id && p.pin === String(pin.pin)),
    })),
  }));
  const loose = points.filter((p) => p.connector === undefined);
  return (
    <section className="point-field" aria-label={say.pointsOfTheMachine}>
      <div className="point-field-head">
        <h2>{say.putALeadOnAPoint}</h2>
        {/* The meter itself may be out of sight while one touches. */}
        <span className="point-field-reading value" aria-hidden>
          {reading}
        </span>
        <ButtonGroup aria-label={say.leadInHand}>
          {(["red", "black"] as const).map((lead) => (
            <ToggleButton
              key={lead}
              id={`in-hand-${lead}`}
              type="radio"
              name="in-hand"
              value={lead}
              variant="outline-dark"
              checked={inHand === lead}
              onChange={() => onTake(lead)}
            >
              <span className={`probe ${lead}`} aria-hidden /> {lead === "red" ? say.redNext : say.blackNext}
            </ToggleButton>
          ))}
        </ButtonGroup>
      </div>
      <div className="point-cards">
        {plugs.map(({ connector, pins }) => (
          <fieldset key={connector.id} className="point-card">
            <legend>{connector.name}</legend>
            {pins.map(({ pin, points: sides }) => (
              <div key={pin.pin} className="point-row">
                <span className="pin-stripe" style={{ background: wireColour(pin.colour) }} aria-hidden />
                <span className="point-words">
                  {pin.pin} {pin.signal}
                </span>
                {sides.map((p) => spot(p, p.where ?? pin.pin))}
              </div>
            ))}
          </fieldset>
        ))}
        {loose.length > 0 ? (
          <fieldset className="point-card is-wide">
            <legend>{say.terminalsAndPads}</legend>
            <div className="loose-points">{loose.map((p) => spot(p, p.name))}</div>
          </fieldset>
        ) : null}
      </div>
    </section>
  );
}
