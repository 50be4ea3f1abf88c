"use client";

import { useState } from "react";
import ButtonGroup from "react-bootstrap/ButtonGroup";
import ToggleButton from "react-bootstrap/ToggleButton";
import type { MachineFile } from "../../core/model";
import { wireColour } from "./wire-colours";
import { say } from "#words/ui/machine/ConnectorView";

type Connector = MachineFile["connectors"][number];

/** Plugs as one looks at them: from the wire side, or mirrored from the pin side. */
export function ConnectorView({ connectors }: { connectors: readonly Connector[] }) {
  const [side, setSide] = useState<"wire" | "pin">("wire");
  if (connectors.length === 0) return <p className="quiet">{say.thisFileNamesNoPlugs}</p>;
  return (
    <div>
      <ButtonGroup aria-label={say.seenFrom} className="mb-3">
        {(["wire", "pin"] as const).map((s) => (
          <ToggleButton
            key={s}
            id={`side-${s}`}
            type="radio"
            name="side"
            value={s}
            variant="outline-dark"
            checked={side === s}
            onChange={() => setSide(s)}
          >
            {say.seenFromTheSide(s)}
          </ToggleButton>
        ))}
      </ButtonGroup>
      <div className="connectors">
        {connectors.map((c) => (
          <figure key={c.id} className="connector">
            <figcaption>
              <strong>{c.name}</strong>{" "}
              <span className="quiet">{say.nearWordsToFarWords(c.near.words, c.far.words)}</span>
            </figcaption>
            <ol className={`pins ${side}`}>
              {(side === "wire" ? c.pins : [...c.pins].reverse()).map((p) => (
                <li key={p.pin}>
                  <span className="pin-wire" style={{ background: wireColour(p.colour) }} aria-hidden />
                  <span className="pin-hole" aria-hidden>
                    {p.pin}
                  </span>
                  <span className="pin-words">
                    <span className="visually-hidden">{say.pinPin(p.pin)} </span>
                    {p.signal}
                    {p.colour ? <span className="quiet"> {p.colour}</span> : null}
                  </span>
                </li>
              ))}
            </ol>
          </figure>
        ))}
      </div>
    </div>
  );
}
