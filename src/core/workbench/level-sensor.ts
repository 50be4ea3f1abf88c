import { quantityText } from "../quantity";
import { formula, readList, Refused, type Given, type Line, type Sheet, type Tool, type Verdict } from "./tool";

/** A potentiometer swept from end to end: ohms from the wiper to one end, in the order turned. */
export interface Sweep {
  /** Places (1 is the first reading) at which it goes dead. */
  readonly dead: readonly number[];
  /** Places at which it steps back. */
  readonly backward: readonly number[];
  readonly least: number;
  readonly most: number;
}

/**
 * Judges a sweep: dead where it opens or leaps more than a quarter of its range beyond the usual step; backward where
 * it turns round.
 */
export function judgeSweep(ohms: readonly number[]): Sweep {
  if (ohms.length < 3) throw new Refused("Type three readings at least, from end to end.", "sweep");
  const finite = ohms.filter(Number.isFinite);
  const [least, most] = [Math.min(...finite), Math.max(...finite)];
  const range = most - least;
  const rises = (finite[finite.length - 1] ?? 0) >= (finite[0] ?? 0);
  const dead = ohms.flatMap((v, i) =>
    !Number.isFinite(v) ||
    (i > 0 && Number.isFinite(ohms[i - 1]!) && Math.abs(v - ohms[i - 1]!) > 0.25 * range + range / (ohms.length - 1))
      ? [i + 1]
      : [],
  );
  const backward = ohms.flatMap((v, i) =>
    i > 0 &&
    Number.isFinite(v) &&
    Number.isFinite(ohms[i - 1]!) &&
    (rises ? v < ohms[i - 1]! - 0.02 * range : v > ohms[i - 1]! + 0.02 * range) &&
    !dead.includes(i + 1)
      ? [i + 1]
      : [],
  );
  return { dead, backward, least, most };
}

function work(given: Given): Sheet {
  const sort = given.text("sort");
  const lines: Line[] = [];
  let verdict: Verdict | undefined;
  const need = (key: string, words: string) => {
    const v = given.number(key);
    if (v === undefined) throw new Refused(words, key);
    return v;
  };
  if (sort === "hall" || sort === "reed") {
    const rail = need("rail", "Type the rail the sensor is fed with, measured at its own plug.");
    const wanted = given.number("railWanted") ?? 5;
    const [without, withMagnet] = [
      need("away", "Type its output without the magnet."),
      need("near", "Type its output with the magnet held to it."),
    ];
    const switches = Math.abs(without - withMagnet) > 0.5 * rail;
    lines.push({
      label: "Rail",
      text: Math.abs(rail / wanted - 1) <= 0.1 ? "As it should be." : "Wrong: the sensor is not to blame yet.",
      source: "within 10 %, common practice, no source",
    });
    lines.push({
      label: "Output moves by",
      text: quantityText(Math.abs(without - withMagnet), "volts"),
      big: true,
      formula: formula(
        "|V without - V with|",
        `${quantityText(without, "volts")} - ${quantityText(withMagnet, "volts")}`,
        quantityText(Math.abs(without - withMagnet), "volts"),
      ),
      source: "half the rail at least, common practice, no source",
    });
    if (Math.abs(rail / wanted - 1) > 0.1)
      verdict = { kind: "unsure", words: "No verdict without its rail: follow the feed first." };
    else if (switches) verdict = { kind: "good", words: "It follows the magnet." };
    else
      verdict = {
        kind: "bad",
        words:
          without > rail / 2
            ? "Stays high: sensor, or its ground."
            : "Stays low: sensor, pull-up, or the magnet's wrong pole.",
        mode: sort === "reed" ? "open" : "dead",
      };
  } else if (sort === "switch") {
    const [rest, acted] = [
      need("rest", "Type its ohms at rest."),
      need("acted", "Type its ohms when pressed, sucked or lifted."),
    ];
    const closed = (v: number) => v < 5;
    lines.push({
      label: "At rest, acted on",
      text: `${closed(rest) ? "closed" : "open"}, ${closed(acted) ? "closed" : "open"}`,
      big: true,
      source: "closed below 5 Ω, common practice, no source",
    });
    if (closed(rest) === closed(acted))
      verdict = {
        kind: "bad",
        words: closed(rest) ? "Stays closed: welded or stuck." : "Stays open.",
        mode: closed(rest) ? "stuck-closed" : "open",
      };
    else if ([rest, acted].some((v) => v > 0.5 && v < 1e5))
      verdict = { kind: "unsure", words: "It switches, but a contact is poor." };
    else verdict = { kind: "good", words: "It switches cleanly." };
  } else {
    const list = readList(given.text("sweep"), "ohms", given.liked, "sweep");
    const sweep = judgeSweep(list);
    lines.push({
      label: "From end to end",
      text: `${quantityText(sweep.least, "ohms")} to ${quantityText(sweep.most, "ohms")}`,
      big: true,
    });
    const print = given.number("print");
    const off = print !== undefined && Math.abs(sweep.most / print - 1) > 0.2;
    if (print !== undefined)
      lines.push({
        label: "Against its print",
        text: quantityText(sweep.most / print - 1, "share"),
        formula: formula(
          "R / print - 1",
          `${quantityText(sweep.most, "ohms")} / ${quantityText(print, "ohms")} - 1`,
          quantityText(sweep.most / print - 1, "share"),
        ),
        source: "20 % is usual, from memory",
      });
    if (sweep.dead.length > 0)
      verdict = { kind: "bad", words: `Dead spot at reading ${sweep.dead.join(", ")}.`, mode: "dead-spot" };
    else if (sweep.backward.length > 0)
      verdict = {
        kind: "unsure",
        words: `Turns back at reading ${sweep.backward.join(", ")}: sweep it again, slowly.`,
      };
    else if (off) verdict = { kind: "bad", words: "Even, but not its print." };
    else verdict = { kind: "good", words: "Even from end to end." };
  }
  return {
    lines,
    verdict,
    cautions:
      sort === "hall" || sort === "reed"
        ? ["Powered, low voltage: a slipped probe can kill the board. Place the leads with the power off."]
        : ["Dead, its plug off."],
    notes:
      sort === "switch"
        ? ["Move it by what it senses: blow gently, raise the water, lift the float; a finger proves only the contact."]
        : [],
  };
}

/** Sensors that say where something is: Hall, reed, pressure, float, potentiometer. */
export const levelSensorTool: Tool = {
  id: "position",
  name: "Position and level",
  group: "Sensors",
  words: "Hall, reed, pressure, float, potentiometer",
  fields: [
    {
      key: "sort",
      label: "It is",
      choices: [
        ["hall", "a Hall sensor"],
        ["reed", "a reed with pull-up"],
        ["switch", "a pressure or float switch"],
        ["pot", "a potentiometer"],
      ],
      preset: "hall",
    },
    { key: "rail", label: "Rail at its plug", quantity: "volts", under: "Hall, reed", min: 0 },
    { key: "railWanted", label: "Rail wanted", quantity: "volts", under: "Hall, reed", hint: "5", min: 0.5 },
    { key: "away", label: "Output, no magnet", quantity: "volts", under: "Hall, reed" },
    { key: "near", label: "Output, magnet near", quantity: "volts", under: "Hall, reed" },
    { key: "rest", label: "Ohms at rest", quantity: "ohms", under: "Switch" },
    { key: "acted", label: "Ohms acted on", quantity: "ohms", under: "Switch" },
    { key: "sweep", label: "Ohms, end to end", under: "Potentiometer", hint: "0.2 210 430 640 850 1.05k" },
    { key: "print", label: "Its print", quantity: "ohms", under: "Potentiometer" },
  ],
  work,
  fill(part): Record<string, string> {
    const sort = part.kind.service.level;
    return sort ? { sort } : {};
  },
};
