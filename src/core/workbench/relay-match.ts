import { quantityText } from "../quantity";
import { Refused, type Given, type Sheet, type Table, type Tool } from "./tool";
import { ratings } from "../model";
import { say } from "#words/core/workbench/relay-match";

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
  "double make": [say.doubleMake],
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
    const [result, why] = known ? judge(a, b) : (["check", say.notKnownOfBothRead] as const);
    list.push({ what, old: a === undefined ? "–" : text(a), next: b === undefined ? "–" : text(b), result, why });
  };
  compare(
    say.coilVolts,
    old.coilVolts,
    next.coilVolts,
    (v) => quantityText(v, "volts"),
    (a, b) =>
      Math.abs(b / a - 1) < 0.02 ? ["fits", say.theSame] : ["misfit", b > a ? say.itWillNotPullIn : say.itWillOverheat],
  );
  compare(
    say.coilOhms,
    old.coilOhms,
    next.coilOhms,
    (v) => quantityText(v, "ohms"),
    (a, b) => {
      if (!(b >= 0.9 * a)) return ["misfit", say.theDriverHasToCarry(quantityText(a / b, "plain"))];
      return b > 2 * a ? ["check", say.drawsFarLessDoesWhat] : ["fits", say.theDriverCarriesNoMore];
    },
  );
  compare(
    say.contactForm,
    old.form,
    next.form,
    (v) => v,
    (a, b) => {
      if (a === b) return ["fits", say.theSame];
      return FORMS[a]?.includes(b) ? ["check", say.hasAPinMoreWhere] : ["misfit", say.anotherForm];
    },
  );
  compare(
    say.contactAmperes,
    old.contactAmps,
    next.contactAmps,
    (v) => quantityText(v, "amperes"),
    (a, b) => {
      if (!(b >= a)) return ["misfit", say.lessThanTheOldOne];
      return b > 3 * a ? ["check", "a heavy contact may fail on a small signal current"] : ["fits", say.asMuchOrMore];
    },
  );
  compare(
    say.contactVolts,
    old.contactVolts,
    next.contactVolts,
    (v) => quantityText(v, "volts"),
    (a, b) => (b >= a ? ["fits", say.asMuchOrMoreDirect] : ["misfit", say.lessThanTheOldOne]),
  );
  compare(
    say.footprintAndPinOut,
    old.footprint,
    next.footprint,
    (v) => v,
    (a, b) =>
      a.trim().toLowerCase() === b.trim().toLowerCase()
        ? ["check", say.theSameNameLayThe]
        : ["misfit", say.anotherFootprint],
  );
  compare(
    "Height",
    old.height,
    next.height,
    (v) => quantityText(v, "millimetres"),
    (a, b) =>
      b <= (room ?? a)
        ? ["fits", say.thereIsRoom]
        : [
            room === undefined ? "check" : "misfit",
            room === undefined ? say.tallerIsThereRoomUnder : say.tooTallForTheRoom,
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
  if (Object.keys(old).length < 2 || Object.keys(next).length < 2) throw new Refused(say.typeWhatBothPrintsSay);
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
        ? { kind: "bad", words: say.doesNotFit(bad.map((m) => m.what.toLowerCase()).join(", ")) }
        : {
            kind: "unsure",
            words: say.nothingSpeaksAgainstItSo(
              checks.map((m) => m.what.toLowerCase()).join(", ") || say.itsPinsOnTheHoles,
            ),
          },
    table: { head: ["", "Old", "New", "", "Why"], rows },
    cautions: [],
    notes: [say.aRelayWhoseJointBurnt],
  };
}

const side = (name: "old" | "new", under: string) => [
  { key: `${name}CoilVolts`, label: say.coilVolts, quantity: "volts" as const, under, min: 0 },
  { key: `${name}CoilOhms`, label: say.coilOhms, quantity: "ohms" as const, under },
  { key: `${name}ContactAmps`, label: say.contactAmperes, quantity: "amperes" as const, under },
  { key: `${name}ContactVolts`, label: say.contactVolts, quantity: "volts" as const, under, min: 0 },
  {
    key: `${name}Form`,
    label: say.contactForm,
    choices: [
      ["", "–"],
      ["make", "make"],
      ["break", "break"],
      ["changeover", "changeover"],
      [say.doubleMake, say.doubleMake],
    ] as const,
    preset: "",
    under,
  },
  { key: `${name}Footprint`, label: say.footprint, under, hint: say.asItsDataSheetNames },
  { key: `${name}Height`, label: say.height, quantity: "millimetres" as const, under },
];

/** Does this relay replace that one. */
export const relayMatchTool: Tool = {
  id: "relay-match",
  name: say.replacementRelay,
  group: "boards",
  words: say.doesItFitATable,
  fields: [
    ...side("old", say.theOldOne),
    ...side("new", say.theNewOne),
    { key: "room", label: say.roomForItsHeight, quantity: "millimetres", under: "Room" },
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
