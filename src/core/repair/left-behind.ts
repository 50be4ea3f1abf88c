import { type Machine, modeName, type SetupEntry } from "../model";
import type { Job } from "../journal";
import { inSentence, quantityText } from "../quantity";
import { programOf } from "../simulate";
import { say } from "#words/core/repair/left-behind";

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
  const list = [...leftBySetup(machine, machine.setupById.get(job.setup))];
  for (const id of job.openPanels)
    list.push(
      derived(
        `cover ${id}`,
        say.coverOffName(inSentence(machine.file.panels.find((p) => p.id === id)?.name ?? id)),
        say.closeItWithItsOwn,
      ),
    );
  for (const { body } of job.work.changed)
    list.push({ item: body.item, words: body.words, undo: say.putItBack, derived: false });
  for (const { body } of job.work.abandoned ?? [])
    for (const { item, words } of body.back) list.push(derived(item, words, say.putItBack));
  for (const s of machine.file.settings) {
    const own = job.answers.flatMap(({ body }) => (body.type === "setting" && body.setting === s.id ? [body] : []));
    const found = own.findLast((b) => b.moment === "found");
    const set = own.findLast((b) => b.moment === "set");
    // Where it was to be changed it is as it should be.
    if (found && set && set.value !== found.value && job.opened.kind !== "setting")
      list.push(derived(`setting ${s.id}`, say.foundLeftAt(s.name, found.value, set.value), say.setItBackOrSay));
  }
  for (const { body } of job.work.proved)
    if (!body.passed)
      list.push(derived(`proof ${body.step}`, say.proofFailedBodyWords(body.words), say.repairItOrSayWhy));
  const back = new Set(job.restored);
  return list.filter((l) => !l.derived || !canBePutBack(l) || !back.has(l.item));
}

const derived = (item: string, words: string, undo: string): LeftBehind => ({ item, words, undo, derived: true });

/** What the setup it stands in has changed on it. */
function leftBySetup(machine: Machine, setup: SetupEntry | undefined): readonly LeftBehind[] {
  if (!setup) return [];
  const name = (part: string) => inSentence(machine.partById.get(part)?.name ?? part);
  const point = (id: string) => machine.points.get(id)?.name ?? id;
  // What is driven has no leads: lifted, it is uncoupled.
  const isDriven = (part: string) => machine.partById.get(part)?.kind.failures.jams !== undefined;
  const list: LeftBehind[] = [];
  const program = programOf(machine);
  for (const [a, b, ohms] of setup.jumpers)
    list.push(
      ohms === undefined
        ? derived(`jumper ${a} ${b}`, say.jumperFromTo(point(a), point(b)), say.takeTheJumperOut)
        : derived(
            `jumper ${a} ${b}`,
            say.resistorFromTo(quantityText(ohms, "ohms"), point(a), point(b)),
            say.takeTheResistorOut,
          ),
    );
  for (const p of setup.lifted)
    list.push(
      isDriven(p)
        ? derived(`lifted ${p}`, say.uncoupledName(name(p)), say.coupleItAgain)
        : derived(`lifted ${p}`, say.leadLiftedName(name(p)), say.putTheLeadBack),
    );
  for (const f of setup.feeds)
    list.push(derived(`feed ${f.plus} ${f.minus}`, say.benchSupplyAt(point(f.plus)), say.takeTheBenchSupplyOff));
  for (const p of setup.lamps) list.push(derived(`lamp ${p}`, say.lampInPlaceOf(name(p)), say.putTheLoadBack));
  for (const p of setup.good) list.push(derived(`good ${p}`, say.knownGoodPartInPlace(name(p)), say.putInThePartThat));
  for (const c of setup.apart)
    list.push(
      derived(
        `apart ${c}`,
        say.unpluggedName(machine.file.connectors.find((x) => x.id === c)?.name ?? c),
        say.reconnectItUntilItLatches,
      ),
    );
  for (const place of setup.magnets)
    list.push(derived(`magnet ${place}`, say.magnetAtPlace(place), say.takeTheMagnetAway));
  if (setup.mode !== "run" && setup.mode !== program?.modes[0])
    list.push(
      derived(
        "mode",
        `In ${program ? inSentence(modeName(program, setup.mode)) : setup.mode}`,
        say.leaveTheModeSomeCome,
      ),
    );
  if (setup.power === "on" && setup.off.length > 0)
    for (const s of setup.off) list.push(derived(`off ${s}`, say.sourceOffName(name(s)), say.switchItOnAgain));
  return list;
}
