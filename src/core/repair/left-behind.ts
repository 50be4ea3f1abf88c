import { type Machine, modeName } from "../model";
import type { Job } from "../journal";
import { inSentence } from "../quantity";
import { programOf } from "../simulate";

/** Something changed on the unit that is not as it was found. */
export interface LeftBehind {
  /** By which it is put back: "cover back", "jumper J1-3 J1-5". */
  readonly item: string;
  readonly words: string;
  /** What puts it back, as a short order. */
  readonly undo: string;
  /** Known from how the unit stands; what was noted by hand is not. */
  readonly derived: boolean;
}

/** Whether saying so puts it back; a setting is set back, and a failed proof is made again. */
export function canBePutBack({ item }: LeftBehind): boolean {
  return !item.startsWith("setting ") && !item.startsWith("proof ");
}

/**
 * Everything that was changed on a unit and not put back: what the setup it stands in says (jumpers, lifted leads,
 * bench feeds, lamps, known-good parts, plugs apart, a service mode, sources off), covers, what was noted by hand,
 * settings moved and not carried back, proofs that failed. Kept by itself from the journal.
 */
export function leftBehind(machine: Machine, job: Job): readonly LeftBehind[] {
  const setup = machine.setupById.get(job.setup);
  const name = (part: string) => inSentence(machine.partById.get(part)?.name ?? part);
  const point = (id: string) => machine.points.get(id)?.name ?? id;
  const derived = (item: string, words: string, undo: string): LeftBehind => ({ item, words, undo, derived: true });
  const list: LeftBehind[] = [];
  if (setup) {
    const program = programOf(machine);
    for (const [a, b] of setup.jumpers)
      list.push(derived(`jumper ${a} ${b}`, `Jumper from ${point(a)} to ${point(b)}`, "Take the jumper out"));
    for (const p of setup.lifted) list.push(derived(`lifted ${p}`, `Lead lifted: ${name(p)}`, "Put the lead back"));
    for (const f of setup.feeds)
      list.push(derived(`feed ${f.plus} ${f.minus}`, `Bench supply at ${point(f.plus)}`, "Take the bench supply off"));
    for (const p of setup.lamps) list.push(derived(`lamp ${p}`, `Lamp in place of ${name(p)}`, "Put the load back"));
    for (const p of setup.good)
      list.push(derived(`good ${p}`, `Known-good part in place of ${name(p)}`, "Put in the part that stays"));
    for (const c of setup.apart)
      list.push(
        derived(
          `apart ${c}`,
          `Unplugged: ${machine.file.connectors.find((x) => x.id === c)?.name ?? c}`,
          "Reconnect it until it latches",
        ),
      );
    for (const place of setup.magnets)
      list.push(derived(`magnet ${place}`, `Magnet at ${place}`, "Take the magnet away"));
    if (setup.mode !== "run" && setup.mode !== program?.modes[0])
      list.push(
        derived(
          "mode",
          `In ${program ? inSentence(modeName(program, setup.mode)) : setup.mode}`,
          "Leave the mode; some come back after a power cycle",
        ),
      );
    if (setup.power === "on" && setup.off.length > 0)
      for (const s of setup.off) list.push(derived(`off ${s}`, `Source off: ${name(s)}`, "Switch it on again"));
  }
  for (const id of job.openPanels)
    list.push(
      derived(
        `cover ${id}`,
        `Cover off: ${inSentence(machine.file.panels.find((p) => p.id === id)?.name ?? id)}`,
        "Close it with its own screws",
      ),
    );
  for (const { body } of job.work.changed)
    list.push({ item: body.item, words: body.words, undo: "Put it back", derived: false });
  for (const s of machine.file.settings) {
    const own = job.answers.flatMap(({ body }) => (body.type === "setting" && body.setting === s.id ? [body] : []));
    const found = own.findLast((b) => b.moment === "found");
    const set = own.findLast((b) => b.moment === "set");
    if (found && set && set.value !== found.value)
      list.push(
        derived(
          `setting ${s.id}`,
          `${s.name}: found ${found.value}, left at ${set.value}`,
          "Set it back, or say why it stays",
        ),
      );
  }
  for (const { body } of job.work.proved)
    if (!body.passed)
      list.push(
        derived(`proof ${body.step}`, `Proof failed: ${body.words}`, "Repair it, or say why it is handed over so"),
      );
  const back = new Set(job.restored);
  return list.filter((l) => !l.derived || !canBePutBack(l) || !back.has(l.item));
}
