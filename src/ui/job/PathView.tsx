"use client";

import { useEffect, useRef } from "react";
import { forbidden } from "../../core/safety";
import { likeliness } from "../../core/diagnose";
import type { Job, TrailReading } from "../../core/journal";
import type { Machine, PathEntry, Point } from "../../core/model";
import { makeTest, type Test } from "../../core/simulate";
import { VERDICT_WORDS } from "#words/job";
import { say } from "#words/ui/job/PathView";

/** Boxes and points that stand side by side on a desk's screen without running into each other. */
const MOST_SIDE_BY_SIDE = 16;

interface Props {
  readonly machine: Machine;
  readonly path: PathEntry;
  readonly job: Job;
  readonly doubt: Readonly<Record<string, number>>;
  readonly test: Test | null;
  readonly numbers: boolean;
  readonly onChoose: (test: Test) => void;
  /** A point is looked at, by hovering or the keyboard; null: no longer. */
  readonly onLook: (test: Test | null) => void;
}

/** The path from plug to the dead thing: two conductors, boxes on the way, points to measure between them. */
export function PathView({ machine, path, job, doubt, test, numbers, onChoose, onLook }: Props) {
  const list = useRef<HTMLOListElement>(null);
  const isLong = path.stages.length > MOST_SIDE_BY_SIDE;
  // A long path is pulled along sideways; where one measures is brought into it, the page stays where it is.
  useEffect(() => {
    const here = list.current?.querySelector<HTMLElement>(".is-next");
    if (isLong && list.current && here) list.current.scrollLeft = here.offsetLeft - list.current.clientWidth / 2;
  }, [isLong, test]);
  return (
    <ol className={`path ${isLong ? "is-long" : ""}`} aria-label={path.name} ref={list}>
      {path.stages.map((stage, i) =>
        "at" in stage ? (
          <Stop key={i} machine={machine} at={stage.at} job={job} test={test} onChoose={onChoose} onLook={onLook} />
        ) : (
          <Box
            key={i}
            name={stage.box}
            rooms={stage.rooms}
            parts={stage.parts}
            doubt={doubt}
            numbers={numbers}
            cover={machine.file.panels.find((p) => p.id === stage.panel)?.name}
            coverOff={stage.panel ? job.openPanels.includes(stage.panel) : true}
          />
        ),
      )}
    </ol>
  );
}

/** Doubt steps by which a box is shaded: nothing, some, much, most. */
function shade(probability: number): number {
  if (probability >= 0.5) return 3;
  if (probability >= 0.2) return 2;
  return probability >= 0.03 ? 1 : 0;
}

function Box({
  name,
  parts,
  rooms,
  doubt,
  numbers,
  cover,
  coverOff,
}: {
  name: string;
  parts: readonly string[];
  rooms: readonly { name: string; parts: readonly string[] }[];
  doubt: Readonly<Record<string, number>>;
  numbers: boolean;
  cover: string | undefined;
  coverOff: boolean;
}) {
  const sum = (ids: readonly string[]) => ids.reduce((total, id) => total + (doubt[id] ?? 0), 0);
  const p = sum(parts);
  return (
    <li className={`box shade-${shade(p)} ${rooms.length > 0 ? "wide" : ""}`}>
      <span className="box-name">{name}</span>
      {rooms.length > 0 ? (
        <span className="rooms">
          {rooms.map((room) => (
            <span key={room.name} className={`room shade-${shade(sum(room.parts))}`}>
              {room.name}
            </span>
          ))}
        </span>
      ) : null}
      {p >= 0.03 ? <span className="box-doubt">{numbers ? `${Math.round(p * 100)} %` : likeliness(p)}</span> : null}
      {cover ? <span className="box-cover">{coverOff ? say.coverOff : cover.toLowerCase()}</span> : null}
    </li>
  );
}

function Stop({
  machine,
  at,
  job,
  test,
  onChoose,
  onLook,
}: {
  machine: Machine;
  at: readonly [string, string];
  job: Job;
  test: Test | null;
  onChoose: (test: Test) => void;
  onLook: (test: Test | null) => void;
}) {
  const [top, bottom] = at.map((id) => machine.points.get(id)!) as [Point, Point];
  const touches = (t: Test | null, node: number) =>
    t !== null && [t.red, t.black].some((id) => id !== undefined && machine.points.get(id)?.node === node);
  const isNext = test !== null && touches(test, top.node) && touches(test, bottom.node);
  const reading = lastReading(machine, job, top.node, bottom.node);
  const here = (): Test => {
    const live = machine.setupById.get(job.setup)!.power === "on";
    let fn: "ohms" | "dcv" | "acv";
    if (!live) fn = "ohms";
    else fn = machine.usual[top.node] === "dc" ? "dcv" : "acv";
    const wanted = makeTest(job.setup, fn, top.id, bottom.id);
    return forbidden(machine, machine.setupById.get(job.setup)!, wanted)
      ? makeTest(job.setup, "dcv", top.id, bottom.id)
      : wanted;
  };
  let mark: "open" | "fits" | "misfit" | "next";
  if (isNext) mark = "next";
  else if (reading) {
    if (reading.body.as.verdict === "not judged") mark = "open";
    else mark = reading.body.as.verdict === "fits" ? "fits" : "misfit";
  } else mark = "open";
  const words = `${top.id} to ${bottom.id}: ${stateWords(isNext, reading)}`;
  return (
    <li className={`stop ${isNext ? "is-next" : ""}`}>
      <button
        type="button"
        onClick={() => onChoose(here())}
        onMouseEnter={() => onLook(here())}
        onMouseLeave={() => onLook(null)}
        onFocus={() => onLook(here())}
        onBlur={() => onLook(null)}
        aria-label={words}
        title={words}
      >
        <PointName point={top} />
        <span className={`mark ${touches(test, top.node) && !isNext ? "next" : mark}`} aria-hidden />
        <span className="point-reading">{shownAt(isNext, reading)}</span>
        <span className={`mark ${touches(test, bottom.node) && !isNext ? "next" : mark}`} aria-hidden />
        <PointName point={bottom} />
      </button>
    </li>
  );
}

/** A point by its own name, and at a plug on which side of it: two points bear no one name. */
function PointName({ point }: { readonly point: Point }) {
  return (
    <span className="point-name">
      {point.connector ? `${point.connector}-${point.pin}` : point.id.replace("plug-", "")}
      {point.connector && point.where ? (
        <span className="point-side">{point.where.replace(/ (side|half)$/, "")}</span>
      ) : null}
    </span>
  );
}

function lastReading(machine: Machine, job: Job, a: number, b: number): TrailReading | undefined {
  return [...job.readings].reverse().find((r) => {
    if (r.struck || !r.body.test.black) return false;
    const nodes = [machine.points.get(r.body.test.red)?.node, machine.points.get(r.body.test.black)?.node];
    return nodes.includes(a) && nodes.includes(b);
  });
}

function stateWords(isNext: boolean, reading: TrailReading | undefined): string {
  if (isNext) return say.measureHere;
  if (reading) return `${reading.body.as.shown}, ${VERDICT_WORDS[reading.body.as.verdict]}`;
  return say.notMeasured;
}

function shownAt(isNext: boolean, reading: TrailReading | undefined): string {
  if (isNext && !reading) return "here";
  if (reading) return reading.body.as.shown;
  return "";
}
