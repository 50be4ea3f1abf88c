"use client";

import type { Part } from "../../core/model";

/** The icon that stands for what is seen of a part. */
const ICONS: Readonly<Record<string, string>> = {
  fan: "fan",
  compressor: "snow",
  "cooling unit": "snow",
  flame: "fire",
  lamp: "lightbulb",
  motor: "gear-wide-connected",
  engine: "gear-wide-connected",
  drive: "arrow-repeat",
  pump: "moisture",
  valve: "droplet",
  solenoid: "magnet",
  "door lock": "lock",
  buzzer: "volume-up",
  "module lamp": "credit-card",
};
const TURNING = new Set(["fan", "motor", "engine", "drive"]);

/** A load of the simulated machine: what it is as a picture, what it does in a word; still or at work. */
export function LoadFigure({ part, label }: { readonly part: Part; readonly label: string }) {
  const [working] = part.labels ?? [];
  const what = part.kind.observed?.observable?.(part.fields).what ?? "";
  const state = label === working || label === "turns backwards" ? "at-work" : "at-rest";
  return (
    <li className={`load ${state} ${label === "hums" || label === "dim" ? "is-odd" : ""}`}>
      <i
        className={`bi bi-${ICONS[what] ?? "app"} ${TURNING.has(what) && state === "at-work" ? "is-turning" : ""}`}
        aria-hidden
      />
      <span>{part.name}</span>
      <strong>{label}</strong>
    </li>
  );
}
