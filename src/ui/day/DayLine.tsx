"use client";

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import Link from "next/link";
import { useState } from "react";
import type { DayJob } from "../../contract/day";
import type { DoneBetween, Placed } from "../../core/plan-day";
import { clockTime } from "../shell/time";
import { JobTimes, WhenWords } from "./JobTimes";
import type { PlannedDay } from "./useDay";
import { RIG_WORDS, say } from "#words/ui/day";

/** A time line is never shorter than so many minutes. */
const LEAST = 60;
/** Nor longer: what lies behind it is said in words. */
const MOST = 720;
/** To the minute it would promise too much: to five of them, milliseconds. */
const NEAR = 300_000;

/** The order of the day as a time line, a unit a row; a row is moved by hand where the person knows better. */
export function DayLine({ day: now, onPin }: { readonly day: PlannedDay; onPin(jobs: readonly string[]): void }) {
  // While a row is in the hand nothing moves under it.
  const [held, setHeld] = useState<PlannedDay | null>(null);
  const day = held ?? now;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // In the order in which hands come to them.
  const withHands = day.plan.placed.filter((p) => p.block.hands > 0);
  const rows = [...new Set([...withHands, ...day.plan.placed].map((p) => p.block.unit))].map((unit) => ({
    unit,
    job: day.jobs[unit]!,
    placed: day.plan.placed.filter((p) => p.block.unit === unit),
    done: day.plan.done[unit]!,
    between: day.between[unit]!,
    heldUp: heldUpWords(day, unit),
    names: day.names,
  }));
  const ids = rows.map((r) => r.job.id);
  const length = Math.min(MOST, Math.max(LEAST, ...day.between.map((b) => b.high)));
  function moved({ active, over }: DragEndEvent) {
    setHeld(null);
    if (!over || active.id === over.id) return;
    const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over.id))];
    // Everything up to the place where it was put is now as the person wants it.
    onPin(arrayMove(ids, from, to).slice(0, Math.max(from, to) + 1));
  }
  return (
    <>
      <p className="quiet mb-1">{say.timeline}</p>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragStart={() => setHeld(now)}
        onDragCancel={() => setHeld(null)}
        onDragEnd={moved}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="day-line" aria-label={say.order}>
            <HourMarks at={day.ahead.at} length={length} />
            {rows.map((row) => (
              <DayRow key={row.job.id} at={day.ahead.at} length={length} {...row} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {day.pins.length > 0 ? (
        <p className="mb-0">
          {say.moved}{" "}
          <button type="button" className="btn btn-outline-dark btn-sm" onClick={() => onPin([])}>
            {say.release}
          </button>
        </p>
      ) : null}
    </>
  );
}

/** The full hours over the time line. */
function HourMarks({ at, length }: { readonly at: string; readonly length: number }) {
  const begin = Date.parse(at);
  const first = new Date(begin);
  first.setMinutes(60, 0, 0);
  const from = (first.getTime() - begin) / 60_000;
  const every = length > 360 ? 120 : 60;
  const marks = Array.from({ length: Math.max(0, Math.ceil((length - from) / every)) }, (_, i) => from + i * every);
  return (
    <li className="day-marks" aria-hidden>
      <span className="day-track" suppressHydrationWarning>
        {marks.map((m) => (
          <span key={m} style={{ left: `${(100 * m) / length}%` }}>
            {clockTime(new Date(begin + 60_000 * m).toISOString())}
          </span>
        ))}
      </span>
    </li>
  );
}

function heldUpWords({ heldUp, jobs }: PlannedDay, unit: number): string {
  const by = heldUp[unit];
  if (!by) return "";
  const holder = jobs[by.unit]!;
  const isAlone = jobs.filter((j) => j.site === holder.site).length === 1;
  return say.heldUp(RIG_WORDS[by.rig] ?? by.rig, isAlone ? holder.site : `${holder.site}, ${holder.machine}`);
}

interface RowProps {
  readonly job: DayJob;
  readonly placed: readonly Placed[];
  /** Minutes from `at` until it is done, and between which it is on four of five days. */
  readonly done: number;
  readonly between: DoneBetween;
  /** What hands will wait for there; empty: for nothing. */
  readonly heldUp: string;
  readonly names: readonly string[];
  readonly at: string;
  /** Minutes of the whole line. */
  readonly length: number;
}

function DayRow({ job, placed, done, between, heldUp, names, at, length }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: job.id });
  const clock = (minutes: number) => {
    const moment = Date.parse(at) + 60_000 * minutes;
    return clockTime(new Date(NEAR * Math.round(moment / NEAR)).toISOString());
  };
  const [soonest, latest] = [clock(between.low), clock(between.high)];
  const hands = [...new Set(placed.filter((p) => p.block.hands > 0).map((p) => names[p.person]))].join(", ");
  // Late is what is done after it was promised, and hands that come after they are expected.
  const first = placed.find((p) => p.block.hands > 0);
  const late = Math.max(
    job.promised === null ? 0 : done - job.promised,
    job.expected === undefined || !first ? 0 : first.start - job.expected,
  );
  const share = (minutes: number) => `${(100 * Math.max(0, Math.min(minutes, length))) / length}%`;
  const span = (from: number, to: number) => ({
    left: share(from),
    width: share(Math.min(to, length) - Math.min(from, length)),
  });
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? "is-moved" : ""}
      style={{ transform: CSS.Translate.toString(transform), transition }}
    >
      <button type="button" className="day-grip" {...attributes} {...listeners} aria-label={say.drag(job.site)}>
        <i className="bi bi-grip-vertical" aria-hidden />
      </button>
      <span className="day-name">
        <Link href={job.place}>{job.site}</Link> <span className="quiet">{job.machine}</span>
        <span className="quiet d-block" suppressHydrationWarning>
          {soonest === latest ? say.ready(soonest) : say.readyBetween(soonest, latest)}
          {late > 1 ? <strong className="day-late"> {say.late(late)}</strong> : null}
          <WhenWords job={job} />
          {job.isRough ? `, ${say.rough}` : ""}
          {hands ? `, ${say.by(hands)}` : ""}
          {heldUp ? `, ${heldUp}` : ""}
        </span>
      </span>
      <JobTimes job={job} />
      <span className="day-track" aria-hidden>
        {placed.map((p) => (
          <span key={p.start}>
            <span className="day-hands" style={span(p.start, p.handsEnd)} />
            <span className="day-waits" style={span(p.handsEnd, p.end)} />
          </span>
        ))}
        <span className="day-between" style={span(between.low, between.high)} />
        {job.promised !== null && job.promised > 0 && job.promised < length ? (
          <span className="day-promised" style={{ left: share(job.promised) }} />
        ) : null}
      </span>
    </li>
  );
}
