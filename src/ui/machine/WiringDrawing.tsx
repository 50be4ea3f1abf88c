"use client";

import { useRef, useState } from "react";
import Button from "react-bootstrap/Button";
import type { Machine } from "../../core/model";
import { Problem } from "../engine/Problem";
import { useWiring } from "./useWiring";
import { say } from "#words/ui/machine/WiringDrawing";

/** How many times the fitted size it can be drawn. */
const SIZES = [1, 1.5, 2.2, 3.2, 4.5] as const;
/** Share of the window that the fitted drawing is high. */
const HIGH = 66;

/** The wiring of a machine, drawn from its file. Mains lines are heavy, low-voltage lines thin, earth dashed. */
export function WiringDrawing({
  machine,
  hash = null,
  chosen,
  onChoose,
}: {
  machine: Machine | null;
  /** Names its file, where it is a kept one. */
  hash?: string | null;
  chosen?: string | null;
  onChoose?: (part: string) => void;
}) {
  const { wiring, problem } = useWiring(machine, hash);
  const scroll = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(0);
  if (problem) return <Problem words={problem} />;
  if (!wiring)
    return (
      <p className="quiet" role="status">
        {say.drawingTheWiring}
      </p>
    );
  const scale = SIZES[size]!;
  return (
    <div className="wiring">
      <div className="wiring-head">
        <ul className="legend">
          <li>
            <span className="line-key mains" aria-hidden />
            {say.mains}
          </li>
          <li>
            <span className="line-key low" aria-hidden />
            {say.lowVoltage}
          </li>
          <li>
            <span className="line-key other" aria-hidden />
            {say.earth}
          </li>
        </ul>
        <Button size="sm" variant="outline-dark" disabled={size === 0} onClick={() => setSize(0)}>
          {say.fit}
        </Button>
        <Button
          size="sm"
          variant="outline-dark"
          onClick={() => setSize((s) => Math.max(0, s - 1))}
          aria-label={say.smaller}
        >
          <i className="bi bi-zoom-out" aria-hidden />
        </Button>
        <Button
          size="sm"
          variant="outline-dark"
          onClick={() => setSize((s) => Math.min(SIZES.length - 1, s + 1))}
          aria-label={say.larger}
        >
          <i className="bi bi-zoom-in" aria-hidden />
        </Button>
      </div>
      <div
        ref={scroll}
        className={`wiring-scroll ${size > 0 ? "can-pan" : ""}`}
        tabIndex={0}
        role="region"
        aria-label={say.wiringDrawing}
        onPointerMove={(e) => {
          // A mouse drags the sheet; a finger scrolls it by itself.
          if (e.buttons === 1 && e.pointerType === "mouse") scroll.current?.scrollBy(-e.movementX, -e.movementY);
        }}
      >
        <svg
          style={{ width: `${100 * scale}%`, height: `${HIGH * scale}vh` }}
          viewBox={`0 0 ${wiring.width} ${wiring.height}`}
          role="img"
          aria-label={say.wiringPartsAndPlugs(wiring.boxes.length)}
        >
          {wiring.lines.map((line) => (
            <polyline
              key={line.id}
              className={`wire-line ${line.energy}`}
              points={line.points.map((p) => p.join(",")).join(" ")}
            />
          ))}
          {wiring.lines.map((line) =>
            line.label ? (
              <text key={`label ${line.id}`} className="wire-label" x={line.label.x} y={line.label.y + 11}>
                {line.label.words}
              </text>
            ) : null,
          )}
          {wiring.boxes.map((box) => (
            <g
              key={box.id}
              className={`wire-box ${box.isPlug ? "plug" : ""} ${chosen === box.id ? "is-chosen" : ""}`}
              transform={`translate(${box.x} ${box.y})`}
              onClick={onChoose ? () => onChoose(box.id) : undefined}
            >
              <title>
                {box.words}
                {box.isPlug ? ", plug" : ""}
              </title>
              <rect width={box.width} height={box.height} rx={box.isPlug ? 14 : 3} />
              <text x={box.width / 2} y={box.height / 2}>
                {box.words}
              </text>
            </g>
          ))}
        </svg>
      </div>
    </div>
  );
}
