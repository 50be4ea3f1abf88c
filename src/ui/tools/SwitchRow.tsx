import type { SwitchDrawing } from "../../core/workbench";
import { say } from "#words/ui/tools";

const STEP = 44;

/** Coded switches as they are to stand, as the board sits: turned by half a turn if it sits upside down. */
export function SwitchRow({ drawing }: { drawing: SwitchDrawing }) {
  const { numbers, on, upsideDown, kind, marked, caption } = drawing;
  const width = numbers.length * STEP + 40;
  const order = upsideDown ? [...numbers.keys()].reverse() : [...numbers.keys()];
  const dotLeft = (marked === "left") !== upsideDown;
  const says = numbers.map((n, i) => `${n} ${positionOf(kind, on, i)}`).join(", ");
  return (
    <figure className="switch-row">
      <figcaption>
        {caption}
        {upsideDown ? say.theBoardUpsideDown : ""}
      </figcaption>
      <svg viewBox={`0 0 ${width} 104`} style={{ maxWidth: width }} role="img" aria-label={says}>
        <rect
          x="1"
          y="1"
          width={width - 2}
          height="102"
          rx="6"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <circle cx={dotLeft ? 13 : width - 13} cy={upsideDown ? 90 : 13} r="5" fill="var(--ink)" />
        {order.map((i, place) => {
          const x = 20 + place * STEP;
          const up = on[i] !== upsideDown;
          return (
            <g key={numbers[i]}>
              {kind === "switches" ? (
                <>
                  <rect
                    x={x + 8}
                    y="22"
                    width={STEP - 16}
                    height="52"
                    rx="3"
                    fill="var(--wall)"
                    stroke="var(--quiet)"
                  />
                  <rect x={x + 11} y={up ? 25 : 50} width={STEP - 22} height="21" rx="2" fill="var(--ink)" />
                  <text x={x + STEP / 2} y={up ? 66 : 40} textAnchor="middle" fontSize="12" fill="var(--ink)">
                    {on[i] ? "on" : "off"}
                  </text>
                </>
              ) : (
                <>
                  <line
                    x1={x + STEP / 2}
                    x2={x + STEP / 2}
                    y1="20"
                    y2="76"
                    stroke="var(--quiet)"
                    strokeWidth="2"
                    strokeDasharray={on[i] ? undefined : "14 28"}
                  />
                  {on[i] ? (
                    <rect
                      x={x + 14}
                      y="34"
                      width={STEP - 28}
                      height="28"
                      rx="3"
                      fill="var(--copper-3)"
                      stroke="var(--ink)"
                    />
                  ) : (
                    <text x={x + STEP / 2} y="52" textAnchor="middle" fontSize="12">
                      {say.cut}
                    </text>
                  )}
                </>
              )}
              <text
                x={x + STEP / 2}
                y={upsideDown ? 16 : 95}
                textAnchor="middle"
                fontSize="14"
                fontWeight="700"
                fill="var(--ink)"
              >
                {numbers[i]}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

function positionOf(kind: "switches" | "resistors", on: readonly boolean[], i: number): "on" | "off" | "whole" | "cut" {
  if (kind === "switches") {
    if (on[i]) return "on";
    return "off";
  }
  if (on[i]) return "whole";
  return "cut";
}
