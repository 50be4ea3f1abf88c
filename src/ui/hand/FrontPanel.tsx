"use client";

import { useEffect, useRef } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import { has, type Machine, type Part } from "../../core/model";
import type { Controls, Doing } from "../../core/simulate";
import { LoadFigure } from "./LoadFigure";
import { lampNow, type HandView } from "./useMachineAtHand";
import { say } from "#words/ui/hand";

interface Props {
  readonly machine: Machine;
  readonly controls: Controls;
  readonly view: HandView;
  readonly act: (doing: Doing) => void;
}

/** The front of the simulated machine: display, lamps, keys, doors, switches, plug, and what its loads do. */
export function FrontPanel({ machine, controls, view, act }: Props) {
  const displays = controls.seen.filter((p) => has(p, "display"));
  const lamps = controls.seen.filter((p) => has(p, "board-lamp"));
  const loads = controls.seen.filter((p) => !displays.includes(p) && !lamps.includes(p));
  const battery = controls.sources[0]?.kind.safety.isolatedBy === "battery lead";
  const one = battery ? "Battery" : "Plug";
  const power = controls.sources.length > 1 ? say.allSources : one;
  return (
    <div className="front">
      <div className={`front-face ${view.isPluggedIn ? "is-fed" : ""}`}>
        {displays.map((p) => (
          <Display key={p.id} part={p} text={view.seen[p.id] ?? ""} />
        ))}
        {lamps.map((p) => (
          <Lamp key={p.id} part={p} label={view.seen[p.id] ?? "dark"} now={view.now} />
        ))}
        {loads.length > 0 ? (
          <ul className="front-loads" aria-label={say.whatItsPartsDo}>
            {loads.map((p) => (
              <LoadFigure key={p.id} part={p} label={view.seen[p.id] ?? ""} />
            ))}
          </ul>
        ) : null}
        {controls.keys.length > 0 ? (
          <div className="front-keys" role="group" aria-label={say.keysOfTheMachine}>
            {controls.keys.map((key, i) => (
              <HeldKey key={key} name={key} digit={i + 1} act={act} />
            ))}
          </div>
        ) : null}
      </div>
      <div className="front-hands">
        <Form.Check
          type="switch"
          id="hand-plug"
          label={`${power} ${battery ? "on" : "in"}`}
          checked={view.isPluggedIn}
          onChange={(e) => act({ do: e.target.checked ? "plug in" : "pull the plug" })}
        />
        {controls.sources.length > 1
          ? controls.sources.map((s) => (
              <Form.Check
                key={s.id}
                type="switch"
                id={`hand-source-${s.id}`}
                label={s.name}
                checked={!view.unitState.off.includes(s.id)}
                onChange={(e) => act({ do: e.target.checked ? "source on" : "source off", part: s.id })}
              />
            ))
          : null}
        {controls.doors.map((d) => (
          <Form.Check
            key={d.id}
            type="switch"
            id={`hand-door-${d.id}`}
            label={`${d.name} open`}
            checked={view.unitState.openDoors.includes(d.id)}
            onChange={(e) => act({ do: e.target.checked ? "open" : "close", door: d.id })}
          />
        ))}
        {controls.switches.map((s) => (
          <Form.Check
            key={s.id}
            type="switch"
            id={`hand-switch-${s.id}`}
            label={`${s.name} made`}
            checked={view.unitState.made.includes(s.id)}
            onChange={(e) => act({ do: e.target.checked ? "make" : "break", part: s.id })}
          />
        ))}
        {controls.magnets.map((m) => (
          <Form.Check
            key={m}
            type="switch"
            id={`hand-magnet-${m}`}
            label={say.placeInPlace(place(m))}
            checked={view.unitState.magnets.includes(m)}
            onChange={(e) => act({ do: e.target.checked ? "magnet on" : "magnet off", place: m })}
          />
        ))}
        {controls.modes.length > 1 ? (
          <Form.Group controlId="hand-mode">
            <Form.Label>{say.mode}</Form.Label>
            <Form.Select value={view.unitState.mode} onChange={(e) => act({ do: "mode", mode: e.target.value })}>
              {controls.modes.map((m) => (
                <option key={m} value={m}>
                  {m}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        ) : null}
        {controls.places.map((p) => (
          <Slider
            key={p.id}
            id={`hand-place-${p.id}`}
            name={place(p.id)}
            unit="°C"
            min={-30}
            max={120}
            step={1}
            value={view.unitState.places[p.id] ?? machine.file.ambient}
            onChange={(v) => act({ do: "place", place: p.id, celsius: v })}
          />
        ))}
        {controls.levels.map((l) => (
          <Slider
            key={l.id}
            id={`hand-level-${l.id}`}
            name={place(l.id)}
            unit="%"
            min={0}
            max={100}
            step={5}
            value={Math.round(100 * (view.unitState.levels[l.id] ?? 0))}
            onChange={(v) => act({ do: "level", place: l.id, level: v / 100 })}
          />
        ))}
      </div>
    </div>
  );
}

const place = (id: string) => (id.charAt(0).toUpperCase() + id.slice(1)).replace(/-/g, " ");

function Display({ part, text }: { part: Part; text: string }) {
  const lit = text !== "dark";
  return (
    <output className={`front-display ${lit ? "" : "is-dark"}`} aria-label={part.name} aria-live="off">
      {digitsShown(text, lit)}
      <span className="visually-hidden">{lit ? "" : "dark"}</span>
    </output>
  );
}

function Lamp({ part, label, now }: { part: Part; label: string; now: number }) {
  let lit: "red" | "white" | "green" | "yellow" | "blue" | null;
  if (label === "flickers") {
    if (Math.floor(now * 7) % 3 !== 0) lit = "white";
    else lit = null;
  } else lit = lampNow(label, now);
  return (
    <span className="front-lamp">
      <span
        className={`bulb ${lit ?? "off"}`}
        role="img"
        aria-label={`${part.name}: ${lit ? `lit ${lit === "white" ? "" : lit}`.trim() : "dark"}`}
      />
      {part.name}
    </span>
  );
}

/**
 * A key that is held for as long as it is pressed: by finger, pointer, the space bar, or its digit, several at once.
 */
function HeldKey({ name, digit, act }: { name: string; digit: number; act: (doing: Doing) => void }) {
  const held = useRef(false);
  const down = () => {
    if (!held.current) {
      held.current = true;
      act({ do: "press", key: name });
    }
  };
  const up = () => {
    if (held.current) {
      held.current = false;
      act({ do: "release", key: name });
    }
  };
  const hands = useRef({ down, up });
  useEffect(() => {
    hands.current = { down, up };
  });
  useEffect(() => {
    const isTyping = (e: KeyboardEvent) =>
      e.target instanceof Element && e.target.closest("input[type=text], input[type=search], textarea") !== null;
    const press = (e: KeyboardEvent) => {
      if (e.key === String(digit) && !e.altKey && !e.ctrlKey && !isTyping(e)) hands.current.down();
    };
    const release = (e: KeyboardEvent) => {
      if (e.key === String(digit)) hands.current.up();
    };
    const lose = () => hands.current.up();
    window.addEventListener("keydown", press);
    window.addEventListener("keyup", release);
    window.addEventListener("blur", lose);
    return () => {
      window.removeEventListener("keydown", press);
      window.removeEventListener("keyup", release);
      window.removeEventListener("blur", lose);
      lose();
    };
  }, [digit]);
  return (
    <Button
      variant="outline-dark"
      size="lg"
      className="held-key"
      // A pointer on one key does not take the focus from another that is held by the keyboard.
      onMouseDown={(e) => e.preventDefault()}
      onPointerDown={(e) => {
        down();
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerUp={up}
      onPointerCancel={up}
      onLostPointerCapture={up}
      onBlur={up}
      onKeyDown={(e) => {
        if (e.key === " " || e.key === "Enter") {
          e.preventDefault();
          down();
        }
      }}
      onKeyUp={(e) => {
        if (e.key === " " || e.key === "Enter") up();
      }}
      onContextMenu={(e) => e.preventDefault()}
    >
      {name} <kbd>{digit}</kbd>
    </Button>
  );
}

function Slider({
  id,
  name,
  unit,
  min,
  max,
  step,
  value,
  onChange,
}: {
  id: string;
  name: string;
  unit: string;
  min: number;
  max: number;
  step: number;
  value: number;
  onChange: (value: number) => void;
}) {
  return (
    <Form.Group controlId={id} className="front-slider">
      <Form.Label>
        {name}{" "}
        <span className="value">
          {value} {unit}
        </span>
      </Form.Label>
      <Form.Range min={min} max={max} step={step} value={value} onChange={(e) => onChange(Number(e.target.value))} />
    </Form.Group>
  );
}

function digitsShown(text: string, lit: boolean): string {
  if (text === "dashes") return "– – –";
  if (text === "lit") return "on";
  if (lit) return text;
  return "";
}
