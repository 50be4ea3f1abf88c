import type { FAMILIES } from "../families";
import type { Family, FamilyPlate } from "../family/family";
import { idOf } from "../id-of";
import { assembly } from "../quick/assembly";
import { columnsOf } from "../sheet/sheet-line";
import type { Entry } from "../quick/quick-machine";
import { isMains, type QuickSupply } from "../quick/quick-supply";
import { say } from "#words/core/model/pins/pin-family";

/** Its id beside those of the known families. */
export const BY_PINS = "by-pins";

/** What feeds a board, as it is typed: two pins, volts, watts. */
interface TypedFeed {
  readonly between: readonly [string, string];
  readonly volts: number;
  readonly current: "ac" | "dc";
  readonly watts: number;
}

/** What a board takes where its sheet does not say, watts; from memory. */
const USUAL_WATTS = 3;
const BOARD = "board";

/**
 * A machine of which only its board's table of pins is known: what feeds the board (`L and N, 230 VAC, 4 W`), and the states
 * of its sheet, one a line, each with how it is brought about (`wash: hold START 3 s`). The person brings it there, so the
 * state is the one that was asked for. Pins and loads are added by their lines. `draw` throws a RangeError with a sentence.
 */
export function pinFamily(feed: string, states: string, sort: (typeof FAMILIES)[number]): Family {
  return {
    id: BY_PINS,
    name: say.byItsPins,
    family: sort,
    supplies: ["230", "120", "24 VAC", "24 VDC", "18 V battery"],
    questions: [],
    draw: (plate, _answers, supply) => drawn(plate, supply, sort, readFeed(feed), readStates(states)),
  };
}

/** Reads what feeds a board. Throws a RangeError with a sentence for what leaves something open. */
function readFeed(text: string): TypedFeed {
  const said = text.trim();
  const volts = /(\d+(?:[.,]\d+)?)\s*V\s*(AC|DC)\b/i.exec(said);
  const watts = /(\d+(?:[.,]\d+)?)\s*W\b/i.exec(said);
  const pins = said
    .slice(0, volts?.index ?? 0)
    .split(/\s*(?:,|\band\b|\s)\s*/)
    .filter(Boolean);
  if (!volts || pins.length !== 2 || pins[0] === pins[1]) throw new RangeError(say.twoPinsVolts);
  const number = (t: string) => Number(t.replace(",", "."));
  return {
    between: [pins[0]!, pins[1]!],
    volts: number(volts[1]!),
    current: volts[2]!.toLowerCase() as "ac" | "dc",
    watts: watts ? number(watts[1]!) : USUAL_WATTS,
  };
}

interface TypedState {
  readonly id: string;
  readonly name: string;
  readonly how: string;
}

function readStates(text: string): readonly TypedState[] {
  const states = text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean)
    .map((line): TypedState => {
      const [name = "", ...how] = line.includes(":") ? line.split(":") : columnsOf(line.replace(/\s+/, "\t"));
      const id = idOf(name);
      if (id === "") throw new RangeError(say.nameAState(line.slice(0, 40)));
      const plain = name.trim();
      return { id, name: plain, how: how.join(":").trim() || say.bringItTo(plain) };
    });
  if (states.length === 0) throw new RangeError(say.atLeastOneState);
  const twice = states.find((s, i) => states.findIndex((o) => o.id === s.id) !== i);
  if (twice) throw new RangeError(say.twice(twice.name));
  return states;
}

/** What brings the feed to the board's two pins. */
function sourceOf(supply: QuickSupply): readonly Entry[] {
  const house = { id: "outlet", piece: "house" };
  if (supply.kind === "battery")
    return [
      {
        ...house,
        kind: "battery",
        name: say.battery,
        volts: supply.volts,
        ohms: 0.05,
        at: { plus: "in-1", minus: "in-2" },
      },
    ];
  if (!isMains(supply)) {
    const current = supply.hertz === 0 ? "dc" : "ac";
    const at = { plus: "in-1", minus: "in-2" };
    return [{ ...house, kind: "low-voltage feed", name: say.feed, current, volts: supply.volts, amps: 5, at }];
  }
  const cord = {
    "line-pin": "plug-L",
    "neutral-pin": "plug-N",
    "earth-pin": "plug-E",
    line: "in-1",
    neutral: "in-2",
    earth: "body",
  };
  return [
    { ...house, kind: "outlet", name: say.outlet, at: { line: "plug-L", neutral: "plug-N", earth: "plug-E" } },
    { id: "cord", kind: "cord", name: say.cord, piece: "cord", at: cord },
  ];
}

function assembliesOf(supply: QuickSupply): readonly Entry[] {
  return [
    assembly("house", say.house, say.handOver, 10, 0, isMains(supply) ? { licensed: "yes" } : {}),
    ...(isMains(supply) ? [assembly("cord", say.cord, say.replaceCord, 15, 20)] : []),
    assembly(BOARD, say.board, say.replaceBoard, 25, 150, { board: "yes" }),
  ];
}

/** The board: its feed, and states that the person brings about. */
function boardOf(feed: TypedFeed, states: readonly TypedState[]): Entry {
  const [first, second] = feed.between;
  return {
    id: BOARD,
    kind: "board by its pins",
    name: say.board,
    piece: BOARD,
    pins: feed.between,
    feed: { between: feed.between, current: feed.current, volts: feed.volts, watts: feed.watts },
    states: states.map(({ id, name }) => ({ id, name, mode: id })),
    at: { [first]: "in-1", [second]: "in-2" },
  };
}

/** From its feed to the board. */
const pathOf = (mains: boolean): Entry => ({
  id: "path",
  name: say.path,
  stages: [
    { box: mains ? say.outlet : say.feed, parts: ["outlet"] },
    ...(mains ? [{ at: ["plug-L", "plug-N"] }, { box: say.cord, parts: ["cord"] }] : []),
    { at: ["in-1", "in-2"] },
    { box: say.board, parts: [BOARD], panel: "cover" },
  ],
});

function drawn(
  plate: FamilyPlate,
  supply: QuickSupply,
  sort: (typeof FAMILIES)[number],
  feed: TypedFeed,
  states: readonly TypedState[],
): Entry {
  const mains = isMains(supply);
  const [first, second] = feed.between;
  const plug = mains
    ? [
        ["plug-L", say.plugLine],
        ["plug-N", say.plugNeutral],
        ["body", say.body],
      ]
    : [];
  return {
    format: 1,
    id: plate.id,
    revision: "1",
    maker: plate.maker,
    model: plate.model,
    name: say.byItsPins,
    family: sort,
    supply: { volts: supply.volts, hertz: supply.hertz, percent: 6 },
    cautions: [say.onlyItsPins],
    panels: [{ id: "cover", name: say.cover, minutes: 5, tools: [] }],
    pieces: assembliesOf(supply),
    parts: [...sourceOf(supply), boardOf(feed, states)],
    points: [
      ...plug.map(([id, name]) => ({ id, name, net: id })),
      { id: "in-1", name: say.pinOf(first), net: "in-1", panel: "cover" },
      { id: "in-2", name: say.pinOf(second), net: "in-2", panel: "cover" },
    ],
    references: [
      { name: mains ? "neutral" : say.minus, points: ["in-2"] },
      ...(mains ? [{ name: "body", points: ["body"] }] : []),
    ],
    setups: [
      ...states.map((s) => ({ id: s.id, name: s.name, power: "on", mode: s.id, how: s.how, seconds: 30 })),
      { id: "unplugged", name: say.off, power: "off", how: say.offHow },
    ],
    paths: [pathOf(mains)],
    complaints: [{ id: "check-over", words: say.check, setup: states[0]!.id, path: "path" }],
  };
}
