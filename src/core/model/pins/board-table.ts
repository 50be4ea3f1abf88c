import { quantity } from "../../quantity";
import { type Measured, type Spread, spreadOf, UNFED } from "./measured";
import type { PinFields } from "./pin-fields";
import { say } from "#words/core/model/pins/board-table";

/** Where a value of a board's table is from. */
export type Source = "sheet" | "measured" | "assumed";

/** What stands in one cell of a board's table: between two pins, in one state. */
export interface BoardCell {
  readonly state: string;
  /** What its sheet says, in words; null where it says nothing. */
  readonly said: string | null;
  readonly source: Source | null;
  /** What good units showed; null where nobody has read it. */
  readonly spread: Spread | null;
  /** Why what was read does not go with what is said; empty where it does. */
  readonly against: string;
}

/** Two pins, what they are for, and what stands between them in each state. */
export interface BoardRow {
  readonly name: string;
  readonly between: readonly [string, string];
  readonly function: Measured["function"];
  readonly cells: readonly BoardCell[];
}

/** Share of its volts by which a reading may lie beside what is said, common practice, no source: a tenth. */
const BESIDE = 0.1;

/** A board's table: each output, each input, its link, its ohms; then what somebody has read beside these. */
export function boardTable(f: PinFields): readonly BoardRow[] {
  const states = f.states.map((s) => s.id);
  const cell = (row: Omit<BoardRow, "cells">, state: string, said: number | "open" | "closed" | null): BoardCell => {
    const spread = spreadOf(f.measured, row.between, state);
    return {
      state,
      said: said === null ? null : saidWords(said, row.function),
      source: said === null ? null : "sheet",
      spread,
      against: againstOf(said, spread, row.function),
    };
  };
  const outputs = Object.entries(f.outputs).map(([name, o]): BoardRow => {
    const row = { name, between: [o.to, o.from] as const, function: functionOf(f, name) };
    const cells = states.map((s) => cell(row, s, outputIn(f, name, s)));
    return { ...row, cells: cells.map((c) => (c.said === null ? c : { ...c, source: o.source })) };
  });
  const inputs = Object.entries(f.inputs).map(([name, i]): BoardRow => {
    const row = { name, between: i.between, function: "dcv" as const };
    return { ...row, cells: states.map((s) => cell(row, s, inputIn(f, name, s))) };
  });
  const ohms = f.ohms.map((o): BoardRow => {
    const row = { name: say.deadOhms, between: o.between, function: "ohms" as const };
    return { ...row, cells: [cell(row, UNFED, o.ohms)] };
  });
  const rows = [...outputs, ...inputs, ...ohms];
  return [...rows, ...beside(f, rows)];
}

/** What is measured at an output: what it gives, or across its contact what the board is fed with. */
function functionOf(f: PinFields, name: string): "dcv" | "acv" {
  return (f.outputs[name]!.gives?.current ?? f.feed.current) === "dc" ? "dcv" : "acv";
}

/** What an output's line says of it in a state: its volts, nothing, its contact; null: nothing at all. */
function outputIn(f: PinFields, name: string, state: string): number | "open" | "closed" | null {
  const { on, off, gives } = f.outputs[name]!;
  if (on.includes(state)) return gives ? gives.volts : "closed";
  if (!off.includes(state)) return null;
  return gives ? 0 : "open";
}

/** Volts at an input in a state that is told by it: none where it is closed, its own where it is open. */
function inputIn(f: PinFields, name: string, state: string): number | null {
  const s = f.states.find((x) => x.id === state)!;
  if (s.closed === name) return 0;
  return s.open === name ? f.inputs[name]!.volts : null;
}

/** Pairs that somebody has read and of which the sheet says nothing. */
function beside(f: PinFields, rows: readonly BoardRow[]): readonly BoardRow[] {
  const same = (a: readonly [string, string], b: readonly [string, string]) =>
    (a[0] === b[0] && a[1] === b[1]) || (a[0] === b[1] && a[1] === b[0]);
  const found: BoardRow[] = [];
  for (const m of f.measured) {
    const isOhms = m.function === "ohms";
    if ([...rows, ...found].some((r) => same(r.between, m.between) && (r.function === "ohms") === isOhms)) continue;
    const states = isOhms ? [UNFED] : f.states.map((s) => s.id);
    found.push({
      name: say.besideTheSheet,
      between: m.between,
      function: m.function,
      cells: states.map((state) => ({
        state,
        said: null,
        source: null,
        spread: spreadOf(f.measured, m.between, state),
        against: "",
      })),
    });
  }
  return found;
}

function saidWords(said: number | "open" | "closed", fn: Measured["function"]): string {
  if (said === "open") return say.contactOpen;
  if (said === "closed") return say.contactClosed;
  return quantity(said, UNIT[fn]);
}

const UNIT: Readonly<Record<Measured["function"], string>> = { dcv: "V", acv: "V", ohms: "Ω" };

/** What was read, in words. */
export function spreadWords(spread: Spread, fn: Measured["function"]): string {
  const value = (v: number) => quantity(v, UNIT[fn]);
  switch (spread.kind) {
    case "steady":
      return say.units(
        spread.low === spread.high ? value(spread.low) : say.range(value(spread.low), value(spread.high)),
        spread.units,
      );
    case "pulsed":
      return say.units(say.pulses(value(spread.low), value(spread.high)), spread.units);
    case "two values":
      return say.units(say.either(value(spread.values[0]), value(spread.values[1])), spread.units);
    case "overload":
      return say.units("OL", spread.units);
    case "not comparable":
      return say.severalMeters(spread.meters.join(", "));
  }
}

/** Why what good units show does not go with what the sheet says. */
function againstOf(said: number | "open" | "closed" | null, spread: Spread | null, fn: Measured["function"]): string {
  if (typeof said !== "number" || spread === null || spread.kind === "not comparable") return "";
  // Ohms through chips are one meter's: they say nothing of a sheet that was read on another.
  if (fn === "ohms") return "";
  if (spread.kind === "pulsed") return say.itPulses;
  if (spread.kind === "two values") return say.twoValues;
  if (spread.kind === "overload") return say.isOverload;
  const room = Math.max(0.5, BESIDE * Math.abs(said));
  return spread.low < said - room || spread.high > said + room ? say.besideIt : "";
}

/**
 * What an output gives, and how far sound ones lie beside it: as good units showed it, where they did and it was one
 * value; else as its sheet says. `null`: nobody has read it.
 */
export function measuredVolts(
  f: PinFields,
  name: string,
): { readonly volts: number; readonly tolerance: number } | null {
  const o = f.outputs[name]!;
  if (!o.gives) return null;
  const spreads = o.on.flatMap((s) => {
    const spread = spreadOf(f.measured, [o.to, o.from], s);
    return spread?.kind === "steady" ? [spread] : [];
  });
  if (spreads.length === 0) return null;
  const [low, high] = [Math.min(...spreads.map((s) => s.low)), Math.max(...spreads.map((s) => s.high))];
  const volts = (low + high) / 2;
  if (volts <= 0) return null;
  // A handful of units show less than all there are; one shows nothing of the others.
  const units = Math.max(...spreads.map((s) => s.units));
  const tolerance = Math.max((high - low) / 2 / volts, units > 2 ? 0.03 : o.gives.tolerance);
  return { volts, tolerance };
}
