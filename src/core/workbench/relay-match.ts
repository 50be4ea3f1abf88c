import { quantityText } from "../quantity";
import { Refused, type Given, type Sheet, type Table, type Tool } from "./tool";
import { ratings } from "../model";

/** One line of a comparison: it fits, does not, or has to be checked by eye. */
export interface Match {
  readonly what: string;
  readonly old: string;
  readonly next: string;
  readonly result: "fits" | "misfit" | "check";
  readonly why: string;
}

/** A relay by its print. What is unknown is left out. */
export interface RelayPrint {
  readonly coilVolts?: number;
  readonly coilOhms?: number;
  readonly contactAmps?: number;
  readonly contactVolts?: number;
  readonly form?: string;
  readonly footprint?: string;
  readonly height?: number;
}

const FORMS: Readonly<Record<string, readonly string[]>> = {
  make: ["make", "changeover"],
  break: ["break", "changeover"],
  changeover: ["changeover"],
  "double make": ["double make"],
};

/**
 * Whether a relay replaces another, line by line; never a bare yes: footprint, pin-out and height are checked by eye.
 * Heights in millimetres.
 */
export function matchRelays(old: RelayPrint, next: RelayPrint, room?: number): Match[] {
  const list: Match[] = [];
  const compare = <T>(
    what: string,
    a: T | undefined,
    b: T | undefined,
    text: (v: T) => string,
    judge: (a: T, b: T) => readonly [Match["result"], string],
  ) => {
    const known = a !== undefined && b !== undefined;
    const [result, why] = known ? judge(a, b) : (["check", "not known of both: read both prints"] as const);
    list.push({ what, old: a === undefined ? "–" : text(a), next: b === undefined ? "–" : text(b), result, why });
  };
  compare(
    "Coil volts",
    old.coilVolts,
    next.coilVolts,
    (v) => quantityText(v, "volts"),
    (a, b) =>
      Math.abs(b / a - 1) < 0.02
        ? ["fits", "the same"]
        : ["misfit", b > a ? "it will not pull in" : "it will overheat"],
  );
  compare(
    "Coil ohms",
    old.coilOhms,
    next.coilOhms,
    (v) => quantityText(v, "ohms"),
    (a, b) => {
      if (!(b >= 0.9 * a)) return ["misfit", `the driver has to carry ${quantityText(a / b, "plain")} times as much`];
      return b > 2 * a
        ? ["check", "draws far less: does what watches the coil mind?"]
        : ["fits", "the driver carries no more than before"];
    },
  );
  compare(
    "Contact form",
    old.form,
    next.form,
    (v) => v,
    (a, b) => {
      if (a === b) return ["fits", "the same"];
      return FORMS[a]?.includes(b) ? ["check", "has a pin more: where does it go?"] : ["misfit", "another form"];
    },
  );
  compare(
    "Contact amperes",
    old.contactAmps,
    next.contactAmps,
    (v) => quantityText(v, "amperes"),
    (a, b) => {
      if (!(b >= a)) return ["misfit", "less than the old one"];
      return b > 3 * a ? ["check", "a heavy contact may fail on a small signal current"] : ["fits", "as much or more"];
    },
  );
  compare(
    "Contact volts",
    old.contactVolts,
    next.contactVolts,
    (v) => quantityText(v, "volts"),
    (a, b) =>
      b >= a ? ["fits", "as much or more; direct current has its own figure"] : ["misfit", "less than the old one"],
  );
  compare(
    "Footprint and pin-out",
    old.footprint,
    next.footprint,
    (v) => v,
    (a, b) =>
      a.trim().toLowerCase() === b.trim().toLowerCase()
        ? ["check", "the same name: lay the pins on the holes all the same, coil pins first"]
        : ["misfit", "another footprint"],
  );
  compare(
    "Height",
    old.height,
    next.height,
    (v) => quantityText(v, "millimetres"),
    (a, b) =>
      b <= (room ?? a)
        ? ["fits", "there is room"]
        : [
            room === undefined ? "check" : "misfit",
            room === undefined ? "taller: is there room under the cover?" : "too tall for the room there is",
          ],
  );
  return list;
}

function printOf(given: Given, side: "old" | "new"): RelayPrint {
  const number = (key: string) => {
    const v = given.number(`${side}${key}`);
    return v === undefined ? {} : { [key.charAt(0).toLowerCase() + key.slice(1)]: v };
  };
  const text = (key: string) => {
    const v = given.text(`${side}${key}`);
    return v === "" ? {} : { [key.toLowerCase()]: v };
  };
  return {
    ...number("CoilVolts"),
    ...number("CoilOhms"),
    ...number("ContactAmps"),
    ...number("ContactVolts"),
    ...number("Height"),
    ...text("Form"),
    ...text("Footprint"),
  };
}

function work(given: Given): Sheet {
  const [old, next] = [printOf(given, "old"), printOf(given, "new")];
  if (Object.keys(old).length < 2 || Object.keys(next).length < 2)
    throw new Refused("Type what both prints say: coil and contact at least.");
  const list = matchRelays(old, next, given.number("room"));
  const rows: Table["rows"] = list.map((m) => ({
    cells: [m.what, m.old, m.next, resultWords(m), m.why],
    mark: m.result,
  }));
  const bad = list.filter((m) => m.result === "misfit");
  const checks = list.filter((m) => m.result === "check");
  return {
    lines: [],
    verdict:
      bad.length > 0
        ? { kind: "bad", words: `Does not fit: ${bad.map((m) => m.what.toLowerCase()).join(", ")}.` }
        : {
            kind: "unsure",
            words:
              "Nothing speaks against it so far. To check by eye: " +
              `${checks.map((m) => m.what.toLowerCase()).join(", ") || "its pins on the holes"}.`,
          },
    table: { head: ["", "Old", "New", "", "Why"], rows },
    cautions: [],
    notes: ["A relay whose joint burnt is tired: replace it, do not only solder it again."],
  };
}

const side = (name: "old" | "new", under: string) => [
  { key: `${name}CoilVolts`, label: "Coil volts", quantity: "volts" as const, under, min: 0 },
  { key: `${name}CoilOhms`, label: "Coil ohms", quantity: "ohms" as const, under },
  { key: `${name}ContactAmps`, label: "Contact amperes", quantity: "amperes" as const, under },
  { key: `${name}ContactVolts`, label: "Contact volts", quantity: "volts" as const, under, min: 0 },
  {
    key: `${name}Form`,
    label: "Contact form",
    choices: [
      ["", "–"],
      ["make", "make"],
      ["break", "break"],
      ["changeover", "changeover"],
      ["double make", "double make"],
    ] as const,
    preset: "",
    under,
  },
  { key: `${name}Footprint`, label: "Footprint", under, hint: "as its data sheet names it" },
  { key: `${name}Height`, label: "Height", quantity: "millimetres" as const, under },
];

/** Does this relay replace that one. */
export const relayMatchTool: Tool = {
  id: "relay-match",
  name: "Replacement relay",
  group: "Boards",
  words: "Does it fit: a table, never a bare yes",
  fields: [
    ...side("old", "The old one"),
    ...side("new", "The new one"),
    { key: "room", label: "Room for its height", quantity: "millimetres", under: "Room" },
  ],
  work,
  fill(part): Record<string, string> {
    const f = ratings(part);
    return f.coilVolts === undefined
      ? {}
      : {
          oldCoilVolts: String(f.coilVolts),
          oldCoilOhms: String(f.coilOhms),
          oldContactAmps: String(f.contactAmps),
          oldForm: "make",
        };
  },
};

function resultWords(m: Match): "check" | "fits" | "does not fit" {
  if (m.result === "fits") return "fits";
  if (m.result === "misfit") return "does not fit";
  return "check";
}
