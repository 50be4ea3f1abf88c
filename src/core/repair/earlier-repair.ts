import { has, type Machine, type Part, ratings } from "../model";
import { quantityText } from "../quantity";
import type { ProofStep } from "./proof-step";
import { say } from "#words/core/repair/earlier-repair";

/**
 * What an earlier repair is judged by, board by board, from the file: what was touched, what it should be, and what
 * comes of it where it is not. Common practice, no source. Each may be shown by a photo.
 */
export function earlierRepairSteps(machine: Machine): readonly ProofStep[] {
  const boards = machine.file.pieces.filter((p) => p.board && !p.licensed);
  return [
    ...boards.flatMap((board) => {
      const own = machine.parts.filter((p) => p.assembly === board.id);
      const of = (id: string) => ({ id: `${id} ${board.id}`, name: board.name });
      const screws = board.joints.filter((j) => j.kind === "screw" || j.kind === "stand-off");
      const held = screws.map((j) => `${j.count} × ${j.kind}${j.size ? `, ${j.size}` : ""}`).join("; ");
      return [
        judged(of("joints"), say.joints),
        judged(of("coating"), say.coating),
        judged(of("scratches"), say.scratches),
        ...ratedOn(own).map((r) => judged({ id: `rating ${r.id}`, name: r.name }, say.rating, r.words)),
        ...lampsOn(own, board, of("lamps")),
        ...sharedOn(machine, own, of("shared")),
        ...(held === "" ? [] : [judged(of("screws"), say.screws, held)]),
      ];
    }),
    ...machine.file.panels.map((p) => judged({ id: `seal ${p.id}`, name: p.name }, say.seal)),
  ];
}

interface Item {
  readonly id: string;
  readonly name: string;
}

/** One thing to look at: what to look for, what it should be, what comes of it where it is not so. */
function judged({ id, name }: Item, row: (typeof say)["joints"], expected: string = row.expected): ProofStep {
  return {
    id: `look ${id}`.slice(0, 80),
    group: "look",
    words: `${name}: ${row.what}`,
    how: row.how,
    expected,
    consequence: row.consequence,
    cautions: [],
  };
}

/** Parts of a board whose rating is printed on them, and that somebody may have renewed by another. */
function ratedOn(own: readonly Part[]): readonly (Item & { readonly words: string })[] {
  return own.flatMap((part) => {
    const { contactAmps, coilVolts, amps, farads, volts } = ratings(part);
    const isRenewed = contactAmps !== undefined || farads !== undefined || has(part, "over-current");
    if (!isRenewed) return [];
    const words = [
      contactAmps === undefined ? "" : quantityText(contactAmps, "amperes"),
      coilVolts === undefined ? "" : say.coil(quantityText(coilVolts, "volts")),
      amps === undefined ? "" : quantityText(amps, "amperes"),
      farads === undefined ? "" : quantityText(farads, "farads"),
      farads === undefined || volts === undefined ? "" : quantityText(volts, "volts"),
    ].filter(Boolean);
    return [{ id: part.id, name: part.name, words: words.join(", ") }];
  });
}

/** Its lamps, where it has any: a renewed one of another colour or resistor is misread. */
function lampsOn(own: readonly Part[], board: { readonly name: string }, item: Item): readonly ProofStep[] {
  const lamps = own.filter((p) => has(p, "board-lamp", "light"));
  if (lamps.length === 0) return [];
  return [judged({ ...item, name: board.name }, say.lamps, lamps.map((l) => l.name).join(", "))];
}

/** A resistor that feeds several lamps: one lamp changed changes them all. */
function sharedOn(machine: Machine, own: readonly Part[], item: Item): readonly ProofStep[] {
  const lamps = machine.parts.filter((p) => has(p, "light", "board-lamp"));
  const shared = own.filter((p) => {
    if (ratings(p).ohms === undefined || p.nodeOf.size !== 2 || p.kind.electrical.load || lamps.includes(p))
      return false;
    const nodes = [...p.nodeOf.values()];
    return lamps.filter((l) => [...l.nodeOf.values()].some((n) => nodes.includes(n))).length > 1;
  });
  return shared.map((r) =>
    judged({ id: `${item.id} ${r.id}`, name: r.name }, say.shared, quantityText(ratings(r).ohms ?? NaN, "ohms")),
  );
}
