import { checkedFile } from "../file/checked-file";
import type { Condition } from "../program/condition";
import type { MachineFile, SetupEntry } from "../schema";
import { type FilePart, joinedNets, logicOf, partsIn, plainWords, withLogic, type LogicPart } from "./file-nets";
import { readLines, type SheetTable } from "./sheet-line";
import { say } from "#words/core/model/sheet/mode-table";

/** A service mode as a sheet lists it. */
export interface ModeRow {
  readonly id: string;
  readonly name: string;
  /** How it is entered, in the sheet's own words. */
  readonly how: string;
  /** The outputs that it asks for, by their names. */
  readonly outputs: readonly string[];
}

/** A step and its name, then how it is entered, behind a colon, a semicolon or a tab. */
const LINE = /^([A-Za-z]{0,8}[ -]?\d{1,3}|[A-Z][A-Z0-9-]{0,7})\b[\s.)]*(.*?)\s*(?:[:;]|\t)\s*(.+)$/;
/** What a mode is called that runs nothing. */
const RUNS_NOTHING = /\b(?:all off|stop|end|codes?|reset|display|version|off)\b/i;

/** Beside a load it leaves open whether that runs or stands still. */
const SAYS_OFF = /\b(?:off|stop(?:ped|s)?|without|no|not)\b/i;

/** An output and the names of what it drives: what lies on its net, and what that switches, over wires and plugs. */
interface Driven {
  readonly output: string;
  readonly names: readonly string[];
}

/** Terminals that a net of one load has at most; a rail or the line has more. */
const OF_ONE_LOAD = 3;

function drivenBy(file: MachineFile, logic: LogicPart): readonly Driven[] {
  const rootOf = joinedNets(file);
  const parts = partsIn(file).filter((p) => p.id !== logic.id);
  const netsOf = (p: FilePart) => [...new Set(Object.values(p.at).map(rootOf))];
  const onNet = new Map<string, FilePart[]>();
  for (const p of parts) for (const net of netsOf(p)) onNet.set(net, [...(onNet.get(net) ?? []), p]);
  const nameOf = (p: FilePart) => plainWords(p.name).replace(/^(?:relay|transistor|driver|triac) (?:for|of) /, "");
  return Object.keys(logic.outputs).map((output) => {
    const own = onNet.get(rootOf(logic.at[output] ?? "")) ?? [];
    const further = own.flatMap(netsOf).flatMap((net) => {
      const there = onNet.get(net)!;
      return there.length <= OF_ONE_LOAD ? there : [];
    });
    return { output, names: [...new Set([...own, ...further].map(nameOf))] };
  });
}

const isOfModes = (c: Condition): boolean => "mode" in c || ("any" in c && c.any.every(isOfModes));
const modesIn = (c: Condition): readonly Condition[] => ("any" in c ? c.any.flatMap(modesIn) : [c]);

/** A condition that holds in these modes too; what else it asks for, a door shut, it asks for in them as well. */
function alsoIn(when: Condition, modes: readonly Condition[]): Condition {
  if (isOfModes(when)) return { any: [...modesIn(when), ...modes] };
  const at = "all" in when ? when.all.findIndex(isOfModes) : -1;
  if (!("all" in when) || at < 0) return { any: [when, ...modes] };
  return { all: when.all.map((c, i) => (i === at ? { any: [...modesIn(c), ...modes] } : c)) };
}

/**
 * A table of service modes with how each is entered: `T3 drain pump: hold START 5 s, press OPTION 3 times`. What a mode
 * runs is what its name names of the board's outputs; a name that names none is not understood, unless it says that
 * nothing runs.
 */
export const modeTable: SheetTable<ModeRow> = {
  read: (text, file) =>
    readLines(text, (line) => {
      const logic = logicOf(file, "", say.noLogic);
      const match = LINE.exec(line);
      if (!match) throw new RangeError(say.modeAndKeys(line.slice(0, 40)));
      const [step, name, how] = [match[1]!, match[2]!, match[3]!];
      const id = step.toLowerCase().replace(/[^a-z0-9]+/g, "-");
      if (file.setups.some((s) => s.id === id) || logic.modes.includes(id)) throw new RangeError(say.isThere(step));
      if (logic.modes.length > 0) throw new RangeError(say.hasModesOfItsOwn);
      const said = ` ${plainWords(name)} `;
      const named = drivenBy(file, logic).filter((d) => d.names.some((n) => n !== "" && said.includes(` ${n} `)));
      if (named.length > 0 && SAYS_OFF.test(name)) throw new RangeError(say.onOrOff(step, name.slice(0, 40)));
      if (named.length === 0 && !RUNS_NOTHING.test(name)) throw new RangeError(say.runsWhat(step, name.slice(0, 40)));
      const outputs = named.map((d) => d.output);
      const words = named.map((d) => d.names.find((n) => n !== "" && said.includes(` ${n} `))!);
      return { item: { id, name: `${step} ${name}`.trim(), how, outputs }, words: say.mode(step, words, how) };
    }),
  apply(file, items, target) {
    const logic = logicOf(file, target, say.noLogic);
    const outputs = Object.fromEntries(
      Object.entries(logic.outputs).map(([name, output]) => {
        const modes = items.filter((i) => i.outputs.includes(name)).map((i) => ({ mode: i.id }));
        return [name, modes.length === 0 ? output : { ...output, when: alsoIn(output.when, modes) }];
      }),
    );
    const setups = items.map(({ id, name, how }): Partial<SetupEntry> => ({
      id,
      name,
      power: "on",
      mode: id,
      how: how.charAt(0).toUpperCase() + how.slice(1),
      minutes: 0.5,
    }));
    const changed = withLogic(file, logic, { outputs }) as MachineFile;
    return checkedFile({ ...changed, setups: [...file.setups, ...setups] });
  },
};
