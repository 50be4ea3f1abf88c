import { type Job, type JobKind, PURPOSES } from "../journal";
import { has, type Machine, plainFields, ratings } from "../model";
import { quantityText } from "../quantity";
import { earlierRepairSteps } from "./earlier-repair";
import type { ProofStep } from "./proof-step";
import { say } from "#words/core/repair/look-over";

/** What a job without a fault is for. */
export interface JobPurpose {
  readonly kind: JobKind;
  readonly purpose?: string | undefined;
  /** Settings that were changed, with the value each is to show. */
  readonly set?: readonly { readonly name: string; readonly words: string }[];
}

/** What a job is for, with the settings that were changed in it. */
export function purposeOf(machine: Machine, job: Job): JobPurpose {
  const { kind, purpose } = job.opened;
  const set = machine.file.settings.flatMap((s) => {
    const last = job.answers.findLast(({ body }) => body.type === "setting" && body.setting === s.id)?.body;
    return last?.type === "setting" && last.moment === "set" ? [{ name: s.name, words: last.value }] : [];
  });
  return { kind, ...(purpose === undefined ? {} : { purpose }), set };
}

/**
 * What is gone through by eye before anything is tried, for a job that is no repair: a unit that somebody else had
 * open, one that is put away or taken into use, settings that were changed. Common practice, no source.
 */
export function lookOver(machine: Machine, { kind, purpose, set = [] }: JobPurpose): readonly ProofStep[] {
  switch (kind) {
    case "check":
      return [...checkedOver(machine), ...(purpose === PURPOSES.check[2] ? [] : earlierRepairSteps(machine))];
    case "lay up":
      return byFamily(machine, purpose === PURPOSES["lay up"][0] ? say.intoService : say.laidUp);
    case "setting":
      return set.map(({ name, words }) => look(`setting ${name}`, name, say.readItAgain, say.shows(words)));
    case "fit":
      return [look("loads", say.nothingElseChanged, say.whatRanBefore, say.asBefore)];
    default:
      return [];
  }
}

const look = (id: string, words: string, how: string, expected: string): ProofStep => ({
  id: `look ${id}`,
  group: "look",
  words,
  how,
  expected,
  cautions: [],
});

function byFamily(machine: Machine, rows: typeof say.laidUp): readonly ProofStep[] {
  return rows[machine.file.family].map(([words, expected], i) => look(`family ${i}`, words, "", expected));
}

/** What another may have left behind in a machine, piece by piece, from its file. */
function checkedOver(machine: Machine): readonly ProofStep[] {
  const { file, parts } = machine;
  const fuses = parts.filter((p) => has(p, "over-current") && ratings(p).amps !== undefined);
  const bridged = parts.filter(
    (p) => has(p, "often-bridged", "interlock") || (has(p, "protects") && !fuses.includes(p)),
  );
  const screws = file.panels.flatMap((p) =>
    p.screws.length > 0 ? [`${p.name}: ${p.screws.map((s) => `${s.count} × ${s.size}`).join(", ")}`] : [],
  );
  const boards = file.pieces.filter((p) => p.board);
  const cutOffs = bridged.flatMap((p) => {
    const opens = plainFields(p).find(([field]) => field === "opensAbove");
    return opens ? [`${p.name} ${String(opens[1])} °C`] : [];
  });
  return [
    look("plate", say.plate, say.plateLegible, say.asTheFile(`${file.maker} ${file.model}`)),
    ...(parts.some((p) => has(p, "supply-cord")) ? [look("cord", say.cord, say.cordWhole, say.whole)] : []),
    look("covers", say.coversAndScrews, screws.join("; ") || say.everyCover, say.allThere),
    ...fuses.map((f) => look(`fuse ${f.id}`, f.name, say.readItsPrint, quantityText(ratings(f).amps!, "amperes"))),
    ...(bridged.length > 0
      ? [look("bridged", say.nothingBridged, bridged.map((p) => p.name).join(", "), say.noneBridged)]
      : []),
    ...(cutOffs.length > 0 ? [look("cut-offs", say.rightCutOffs, say.readItsPrint, cutOffs.join(", "))] : []),
    ...boards.map((b) =>
      look(`board ${b.id}`, b.name, say.jointsAndCoating, b.number ? say.numberAndSound(b.number) : say.sound),
    ),
    ...(file.connectors.length > 0
      ? [look("plugs", say.plugs(file.connectors.map((c) => c.name).join(", ")), say.latchedAndHeld, say.allLatched)]
      : []),
    look("wires", say.wires, say.noEdgeNoHeat, say.held),
  ];
}
