import { parseReading, plainNumber } from "../../quantity";
import { idOf } from "../id-of";
import { checkedFile } from "../file/checked-file";
import type { MachineFile } from "../schema";
import { UNFED } from "./measured";
import { type PinBoard, pinBoardsOf } from "./pin-boards";
import type { PinFields } from "./pin-fields";
import { say } from "#words/core/model/pins/pin-lines";

type Shape = PinFields["outputs"][string]["shape"];

/** What a line of a pin table says of a pin in a state. */
export type PinValue =
  | {
      readonly kind: "volts";
      readonly volts: number;
      readonly current: "dc" | "ac";
      readonly shape: Shape;
      /** Read with its plug off, or with its load on it; null: the line does not say. */
      readonly load: "off" | "on" | null;
    }
  | { readonly kind: "ohms"; readonly ohms: number }
  /** A contact, open or closed to the pin that the line or the table names. */
  | { readonly kind: "contact"; readonly closed: boolean; readonly to: string | null; readonly shape: Shape };

/** A line as it was typed or pasted, and what it was taken for; `problem` says why not. */
export interface PinLine {
  readonly text: string;
  readonly pin: string;
  readonly colour: string;
  readonly signal: string;
  /** Null: the line names a pin and says nothing of what it gives. */
  readonly value: PinValue | null;
  readonly problem: string | null;
}

const COLOURS = "black|brown|red|orange|yellow|green|blue|violet|purple|grey|gray|white|pink|turquoise";
const COLOUR = new RegExp(`^(?:(?:light|dark)[ -]?)?(?:${COLOURS})(?:[/-](?:${COLOURS}))?$`, "i");
/** A number, with a plug before it or not; letters by themselves in capitals: L, GND. */
const PIN = /^(?:[A-Z]{1,4}|[A-Za-z]{0,4}\d{1,3}(?:[-.]\d{1,3})?)$/;
const PULSED = /\b(?:pulsed?|pulses|pulsing)\b/i;
const HALF_WAVE = /\bhalf[\s-]*wave\b/i;

const PLUG_OFF = /\b(?:plug off|unplugged|unloaded|no load)\b/i;
const PLUG_ON = /\b(?:plug on|loaded|under load)\b/i;

function loadIn(said: string): "off" | "on" | null {
  if (PLUG_OFF.test(said)) return "off";
  return PLUG_ON.test(said) ? "on" : null;
}

function shapeIn(said: string): Shape {
  if (HALF_WAVE.test(said)) return "half wave";
  return PULSED.test(said) ? "pulsed" : "steady";
}
/** Volts from which on a figure without AC or DC leaves that open: low rails are direct, the mains is not. */
const LOW = 30;

/**
 * Reads the lines of a pin table as sheets print them, by commas, tabs, semicolons or blanks: `J2 3 red fan + 13V`,
 * `4, yellow, door, 5V`, `C compressor closed to L`, `1 fan 4.7k`. Empty lines are left out; a line that is not
 * understood keeps its place and says why.
 */
export function readPinLines(text: string): readonly PinLine[] {
  return text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== "" && !/^pin\b.*\bsignal\b/i.test(line))
    .map(readPinLine);
}

function readPinLine(text: string): PinLine {
  const nothing = { text, pin: "", colour: "", signal: "", value: null };
  const words = text.split(/[\t,;]+|\s+/).filter(Boolean);
  // A plug and its pin stand in two columns, or in one.
  const [first = "", second = ""] = words;
  const isPlug = /^[A-Za-z]+\d*$/.test(first) && /^\d{1,3}$/.test(second) && words.length > 2;
  const pin = isPlug ? `${first}-${second}` : first;
  if (!PIN.test(pin) || pin.length > 12) return { ...nothing, problem: say.namesNoPin(first) };
  const rest = words.slice(isPlug ? 2 : 1);
  const colour = rest[0] !== undefined && COLOUR.test(rest[0]) ? rest[0].toLowerCase() : "";
  const said = (colour ? rest.slice(1) : rest).join(" ");
  try {
    const { signal, value } = valueIn(said);
    if (signal === "" && value === null) return { ...nothing, pin, problem: say.saysNothing(pin) };
    return { text, pin, colour, signal, value, problem: null };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...nothing, pin, colour, problem: error.message };
  }
}

/** The signal's name and what stands on it, from the rest of a line. */
function valueIn(whole: string): { readonly signal: string; readonly value: PinValue | null } {
  const shape = shapeIn(whole);
  const load = loadIn(whole);
  const said = [PULSED, HALF_WAVE, PLUG_OFF, PLUG_ON]
    .reduce((text, word) => text.replace(word, ""), whole)
    .replace(/\s+/g, " ")
    .trim();
  const contact = /\b(open|closed)(?:\s+to\s+(\S+))?\s*$/i.exec(said);
  if (contact)
    return {
      signal: said.slice(0, contact.index).trim(),
      value: { kind: "contact", closed: /closed/i.test(contact[1]!), to: contact[2] ?? null, shape },
    };
  const off = /(?:^|\s)(?:off|0\s*v(?:\s*(?:ac|dc))?)\s*$/i.exec(said);
  if (off)
    return {
      signal: said.slice(0, off.index).trim(),
      value: { kind: "volts", volts: 0, current: "dc", shape: "steady", load },
    };
  const figure = /(?:^|\s)(-?\d[\d.]*\s*(?:k|m)?\s*(?:v(?:olts?)?(?:\s*(ac|dc))?|ohms?|Ω|k|k\d+)?)\s*$/i.exec(said);
  if (!figure) return { signal: said, value: null };
  return {
    signal: said.slice(0, figure.index).trim(),
    value: figureOf(figure[1]!, figure[2]?.toLowerCase() as "ac" | "dc" | undefined, { shape, load }),
  };
}

function figureOf(
  text: string,
  current: "ac" | "dc" | undefined,
  how: { readonly shape: Shape; readonly load: "off" | "on" | null },
): PinValue {
  const isVolts = /v(?:olts?)?(?:\s*(?:ac|dc))?$/i.test(text);
  const isOhms = /(?:ohms?|Ω|k|k\d+)$/i.test(text);
  if (!isVolts && !isOhms) throw new RangeError(say.voltsOrOhms(text.trim()));
  const read = parseReading(text.replace(/\s*(?:ac|dc)$/i, ""), isVolts ? "V" : "ohm");
  if (!read.ok || read.shown.kind !== "value") throw new RangeError(say.noSuchFigure(text.trim()));
  const { value } = read.shown;
  if (isOhms) return { kind: "ohms", ohms: value };
  if (current === undefined && Math.abs(value) > LOW) throw new RangeError(say.alternatingOrDirect(plainNumber(value)));
  return { kind: "volts", volts: value, current: current ?? "dc", ...how };
}

/** A line as it was taken, in a few words. */
export function lineWords({ pin, colour, signal, value }: PinLine): string {
  return [pin, colour, signal, value === null ? say.nothingSaid : valueWords(value)].filter(Boolean).join(", ");
}

const shapeWords = (shape: Shape) => (shape === "steady" ? "" : `, ${shape}`);

const loadWords = (load: "off" | "on" | null) => (load === null ? "" : say.plug[load]);

function valueWords(value: PinValue): string {
  switch (value.kind) {
    case "ohms":
      return say.ohms(plainNumber(value.ohms));
    case "contact":
      return value.closed ? say.closed(value.to) + shapeWords(value.shape) : say.open;
    case "volts":
      return (
        say.volts(plainNumber(value.volts), value.current.toUpperCase()) +
        shapeWords(value.shape) +
        loadWords(value.load)
      );
  }
}

/** Where the lines belong: a board, a state of its sheet (or `dead`), and the pin that all is measured against. */
export interface PinTable {
  readonly board: string;
  readonly state: string;
  readonly against: string;
}

/**
 * The file with the lines of a table: pins that it has not yet, each with a point to probe, and what every pin gives in
 * this state. Throws a RangeError with a sentence for a line that does not go with what is there.
 */
export function withPinLines(file: MachineFile, lines: readonly PinLine[], table: PinTable): MachineFile {
  const board = pinBoardsOf(file).find((b) => b.id === table.board);
  if (!board) throw new RangeError(say.noSuchBoard(table.board));
  const bad = lines.find((l) => l.problem !== null);
  if (bad) throw new RangeError(bad.problem!);
  let fields: PinFields = board.fields;
  const fresh = lines.filter((l) => !fields.pins.includes(l.pin));
  const added = [...new Set(fresh.map((l) => l.pin))];
  fields = { ...fields, pins: [...fields.pins, ...added] };
  for (const line of lines) if (line.value !== null) fields = withValue(fields, line, table);
  const net = (pin: string) => `${table.board}-${pin}`;
  const parts = file.parts.map((part) => {
    const { id, at } = part as unknown as { id: string; at: Readonly<Record<string, string>> };
    if (id !== table.board) return part;
    return { ...part, ...fields, at: { ...at, ...Object.fromEntries(added.map((p) => [p, net(p)])) } };
  });
  const points = added.map((pin) => {
    const line = fresh.find((l) => l.pin === pin)!;
    const name = say.pointOf(board.name, pin, line.signal);
    return { id: net(pin), name, net: net(pin), ...(line.colour ? { colour: line.colour } : {}) };
  });
  const made = { ...file, parts, points: [...file.points, ...points] };
  return checkedFile({ ...made, references: withReference(made, board, table.against) });
}

/** What all is measured against is where the black lead goes: a reference of the file from then on. */
function withReference(file: MachineFile, board: PinBoard, pin: string): MachineFile["references"] {
  const part = file.parts.find((p) => (p as unknown as { id: string }).id === board.id);
  const net = (part as unknown as { at: Readonly<Record<string, string>> }).at[pin];
  const point = file.points.find((p) => p.net === net);
  if (!point || file.references.some((r) => r.points.includes(point.id))) return file.references;
  return [...file.references, { name: point.name.toLowerCase(), points: [point.id] }];
}

/** A board's table with what one line says. */
function withValue(f: PinFields, line: PinLine, { state, against }: PinTable): PinFields {
  const { pin, value } = line;
  if (value!.kind === "ohms") {
    if (state !== UNFED) throw new RangeError(say.ohmsAreDead(pin));
    const same = (b: readonly string[]) => b.includes(pin) && b.includes(against);
    return {
      ...f,
      ohms: [...f.ohms.filter((o) => !same(o.between)), { between: [pin, against], ohms: value!.ohms }],
    };
  }
  if (state === UNFED) throw new RangeError(say.voltsAreFed(pin));
  const from = value!.kind === "contact" ? (value!.to ?? f.feed.between[0]) : against;
  if (!f.pins.includes(from)) throw new RangeError(say.noSuchPin(from));
  const [name, known] = Object.entries(f.outputs).find(([, o]) => o.to === pin && o.from === from) ?? [
    freeName(f, line),
    null,
  ];
  const isOn = value!.kind === "contact" ? value!.closed : value!.volts !== 0;
  return { ...f, outputs: { ...f.outputs, [name]: outputWith(known, line, state, isOn, { to: pin, from }) } };
}

type Output = PinFields["outputs"][string];

function outputWith(
  known: Output | null,
  { pin, value }: PinLine,
  state: string,
  isOn: boolean,
  ends: { readonly to: string; readonly from: string },
): Output {
  const without = (list: readonly string[]) => list.filter((s) => s !== state);
  const on = [...without(known?.on ?? []), ...(isOn ? [state] : [])];
  const off = [...without(known?.off ?? []), ...(isOn ? [] : [state])];
  const base = { ...(known ?? { after: 0, shape: "steady" as const, source: "sheet" as const }), ...ends, on, off };
  const shape = value!.kind !== "ohms" && value!.shape !== "steady" ? value!.shape : base.shape;
  if (value!.kind !== "volts" || !isOn) return { ...base, shape };
  const before = known?.gives?.volts;
  const isBeside = before !== undefined && Math.abs(before - value!.volts) > 0.1 * Math.abs(before);
  // With its plug off and with its load on it are two figures of one output: a sound one lies between.
  if (before !== undefined && value!.load !== null)
    return { ...base, shape, gives: { ...known!.gives!, ...between(before, Math.abs(value!.volts)) } };
  if (isBeside) throw new RangeError(say.givesAnother(pin, plainNumber(before)));
  return {
    ...base,
    shape,
    gives: known?.gives ?? { volts: Math.abs(value!.volts), current: value!.current, ohms: 0.3, tolerance: 0.05 },
  };
}

/** Volts half-way between two figures, and the share by which a sound output may lie beside that. */
function between(a: number, b: number): { readonly volts: number; readonly tolerance: number } {
  const volts = (a + b) / 2;
  return { volts, tolerance: Math.min(0.5, Math.max(0.05, Math.abs(a - b) / 2 / volts + 0.02)) };
}

/** A name of its own for an output: by its signal, by its pin where that is taken or no name. */
function freeName(f: PinFields, { signal, pin }: PinLine): string {
  const plain = idOf(signal);
  const named = plain === "" || f.outputs[plain] ? `${plain || "pin"}-${pin}` : plain;
  return f.outputs[named] ? `${named}-${Object.keys(f.outputs).length}` : named;
}
