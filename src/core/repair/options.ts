import { componentIn, type Fault, has, type Machine, type Part } from "../model";
import { say } from "#words/core/repair/options";

/**
 * Something that can be done about a cause. Money in the shop's coin, minutes of work, `holds` the chance that it
 * lasts.
 */
export interface RepairOption {
  readonly id: string;
  readonly words: string;
  readonly minutes: number;
  readonly parts: number;
  readonly holds: number;
  /** Days until the part is there; 0 when it is in the van. */
  readonly leadDays: number;
  /** To be made good later: it stays on the unit's record. */
  readonly temporary: boolean;
  /** Why one would, or would not: practice differs. */
  readonly school: string;
  /** Where the figures come from. */
  readonly source: "from memory" | "file";
}

/** What minutes, a second visit and a day of waiting cost this shop. */
export interface ShopRates {
  /** Money a minute of work. */
  readonly perMinute: number;
  /** Money for coming back: the way, the time, the name. */
  readonly comeBack: number;
  /** Money a day the machine stands. */
  readonly perDay: number;
}
export const USUAL_RATES: ShopRates = { perMinute: 1, comeBack: 60, perDay: 5 };

/** Shares of a new board's price and chances that they hold; from memory. */
const BOARDS = [
  {
    id: "maker-board",
    words: say.theMakersBoard,
    share: 1,
    holds: 0.97,
    leadDays: 3,
    school: say.costsMostMostCertainMay,
  },
  {
    id: "third-party-board",
    words: say.aThirdPartyBoard,
    share: 0.55,
    holds: 0.88,
    leadDays: 2,
    school: say.checkPlugsSettingsAndWhat,
  },
  {
    id: "rebuilt-board",
    words: say.aRebuiltBoard,
    share: 0.5,
    holds: 0.9,
    leadDays: 4,
    school: say.goodWhereTheRebuilderRenews,
  },
  {
    id: "donor-board",
    words: say.aBoardFromADonor,
    share: 0.15,
    holds: 0.75,
    leadDays: 0,
    school: say.asOldAsTheOne,
  },
] as const;

/** Options that put another board in; the last puts in all of them. */
const BOTH = "both-boards";
export const isBoardOption = (option: string): boolean => option === BOTH || BOARDS.some((b) => b.id === option);
/** Whether an option puts another one in the place of the whole assembly. */
export const replacesWhole = (option: string): boolean => option === "replace" || isBoardOption(option);
/** What a machine is worth to its owner where nobody has said; an order of options hangs on it. */
export const USUAL_WORTH = 400;

/** The possible repairs for a fault, by what failed. Throws a RangeError for a part the machine has not. */
export function optionsFor(machine: Machine, fault: Fault): readonly RepairOption[] {
  const part = machine.partById.get(fault.part);
  if (!part) throw new RangeError(say.noPartPart(fault.part));
  const assembly = machine.assemblyById.get(part.assembly)!;
  const smaller = part.kind.service.repairs;
  const memory = { leadDays: 0, temporary: false, source: "from memory" as const };
  const replace: RepairOption = {
    id: "replace",
    words: assembly.repair,
    minutes: assembly.minutes,
    parts: assembly.price,
    holds: 0.96,
    leadDays: assembly.price > 40 ? 2 : 0,
    temporary: false,
    school: say.whatTheFileNames,
    source: "file",
  };
  const giveUp: RepairOption = {
    ...memory,
    id: "give-up",
    words: say.giveUpNotWorthIt,
    minutes: 5,
    parts: 0,
    holds: 1,
    school: say.whereTheMachineIsWorth,
  };
  if (assembly.licensed)
    return [{ ...replace, id: "hand-over", words: assembly.repair, school: say.workForALicensedTrade }, giveUp];
  if (smaller === "joint") return [...jointOptions(fault), giveUp];
  const board = assembly.board
    ? [
        ...onBoard(machine, part, fault),
        ...BOARDS.map(({ share, ...b }) => ({
          ...memory,
          ...b,
          minutes: assembly.minutes,
          parts: Math.round(assembly.price * share),
        })),
      ]
    : [replace];
  const boards = machine.file.pieces.filter((p) => p.board);
  const both =
    assembly.board && boards.length > 1
      ? [
          {
            ...memory,
            id: BOTH,
            words: say.bothBoards,
            minutes: boards.reduce((s, b) => s + b.minutes, 0),
            parts: boards.reduce((s, b) => s + b.price, 0),
            holds: 0.98,
            leadDays: 3,
            school: say.replaceOneBoardUnlessThe,
          },
        ]
      : [];
  return [...board, ...both, giveUp];
}

const FROM_MEMORY = { leadDays: 0, temporary: false, source: "from memory" as const };

/** A plug's contact. One that is broken or pushed back is not mended by cleaning: then its pin comes first. */
function jointOptions({ mode }: Fault): readonly RepairOption[] {
  const isOpen = mode === "open";
  const option = (id: string, words: string, minutes: number, parts: number, holds: number, school: string) => ({
    ...FROM_MEMORY,
    id,
    words,
    minutes,
    parts,
    holds,
    school,
  });
  return [
    option("reseat", say.reseatThePlug, 4, 0, isOpen ? 0.3 : 0.4, say.quickAndProvesThePlace),
    option("clean", say.cleanBothSidesDryReseat, 16, 1, isOpen ? 0.4 : 0.75, say.mendsThreeContactFaultsIn),
    option("make-room", say.makeRoomForAPlug, 20, 0, isOpen ? 0.35 : 0.5, say.onlyWhereSomethingKeepsIt),
    option("pin", say.renewPinAndSocket, 22, 4, 0.94, say.forAPinThatIs),
    { ...option("harness", say.replaceTheHarness, 40, 35, 0.98, say.whereSeveralContactsAreBad), leadDays: 3 },
  ];
}

/** What can be mended on a board without another board, by what failed on it. */
function onBoard(machine: Machine, part: Part, { mode }: Fault): readonly RepairOption[] {
  const solder = { ...FROM_MEMORY, id: "solder", words: say.solderTheJointAgain, minutes: 18, parts: 0 };
  const relay = { ...FROM_MEMORY, id: "relay", words: say.replaceTheRelayBothJoints, minutes: 28, parts: 7 };
  if (part.kind.service.repairs === "relay")
    return [
      // What welded, or burnt its coil, is not a matter of the joint.
      ...(mode === "contact-open" ? [{ ...solder, holds: 0.5, temporary: true, school: say.aBurntJointMeansA }] : []),
      { ...relay, holds: 0.92, school: say.theDefaultForABurnt },
    ];
  const named = part.modes.find((m) => m.id === mode)?.component;
  const component = componentIn(machine, { part: part.id, mode });
  const change: readonly RepairOption[] = component
    ? [
        {
          ...FROM_MEMORY,
          id: "component",
          words: component.repair,
          minutes: component.minutes,
          parts: component.price,
          holds: 0.85,
          school: say.whereItIsFoundByItself,
        },
      ]
    : [];
  // A supply that is drawn by its stages has its capacitors renewed where it is a capacitor that failed.
  if (named !== undefined && !/capacitor/.test(named)) return change;
  if (part.kind.service.repairs === "capacitors")
    return [
      ...(named === undefined ? [] : change),
      {
        ...FROM_MEMORY,
        id: "capacitors",
        words: say.renewTheSupplysCapacitors,
        minutes: 35,
        parts: 6,
        holds: 0.8,
        school: say.whereItSagsTicksOr,
      },
    ];
  if (has(part, "conductor"))
    return [
      { ...solder, holds: 0.9, school: say.crackedOnCleanLaminate },
      {
        ...FROM_MEMORY,
        id: "cut-back",
        words: say.cutBackAndBridge,
        minutes: 40,
        parts: 2,
        holds: 0.8,
        school: say.charredLaminateConducts,
      },
    ];
  return change;
}

/** One option with what it costs on average, and the one to fall back on when it does not hold. */
export interface Costed {
  readonly option: RepairOption;
  /** Expected money: work, parts, waiting, and with 1 - holds the come-back and the best other option. */
  readonly expected: number;
  /** The chance to hold below which the next best is cheaper; null where nothing else is. */
  readonly breakEven: number | null;
}

/** What a customer pays for an option: parts and work. */
export function priceOf(option: RepairOption, rates: ShopRates): number {
  return option.minutes * rates.perMinute + option.parts;
}

/** What an option costs if it holds, with the days that the machine stands. */
export function outlay(option: RepairOption, rates: ShopRates): number {
  return priceOf(option, rates) + option.leadDays * rates.perDay;
}

/**
 * Expected cost of trying options in an order until one holds: each is paid with the chance that all before it failed,
 * and a come-back besides. What remains after the last costs `lost` (the machine is given up).
 */
export function costOfOrder(order: readonly RepairOption[], rates: ShopRates, lost: number): number {
  let [cost, still] = [0, 1];
  order.forEach((option, i) => {
    cost += still * (outlay(option, rates) + (i > 0 ? rates.comeBack : 0));
    still *= 1 - option.holds;
  });
  return cost + still * (rates.comeBack + lost);
}

/**
 * The options by expected cost, each as the first of its best order of at most three steps (found by trying them all).
 * `lost` is what the machine is worth to its owner: giving up costs that.
 */
export function weighOptions(options: readonly RepairOption[], rates: ShopRates, lost: number): readonly Costed[] {
  const real = options.filter((o) => o.id !== "give-up");
  const best = (first: RepairOption, options_: readonly RepairOption[]) =>
    Math.min(...ordersFrom(first, options_).map((order) => costOfOrder(order, rates, lost)));
  const costed = options
    .map((option) => ({
      option,
      expected: option.id === "give-up" ? outlay(option, rates) + lost : best(option, real),
    }))
    .sort((a, b) => a.expected - b.expected || (a.option.id < b.option.id ? -1 : 1));
  return costed.map(({ option, expected }, i) => {
    const rival = costed.find((c, j) => j !== i);
    if (!rival || option.id === "give-up") return { option, expected, breakEven: null };
    // The rival may fall back on this option, so both are worked out anew for every chance to hold.
    const ahead = (holds: number) => {
      const changed = real.map((o) => (o.id === option.id ? { ...o, holds } : o));
      const cost = (o: RepairOption) =>
        o.id === "give-up"
          ? outlay(o, rates) + lost
          : best(
              changed.find((c) => c.id === o.id)!,
              changed,
            );
      return cost(option) - cost(rival.option);
    };
    return { option, expected, breakEven: ahead(0) > 0 && ahead(1) < 0 ? bisect(ahead) : null };
  });
}

/** Where a function that begins above nothing and ends below it crosses, between 0 and 1. */
function bisect(of: (x: number) => number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (of(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function ordersFrom(first: RepairOption, options: readonly RepairOption[]): RepairOption[][] {
  const others = options.filter((o) => o.id !== first.id);
  const orders: RepairOption[][] = [[first]];
  for (const second of others) {
    orders.push([first, second]);
    for (const third of others) if (third !== second) orders.push([first, second, third]);
  }
  return orders;
}

/** A part counts as cheap beside the work of opening the machine again, in the shop's money; estimate E30. */
const CHEAP = 15;

/**
 * Cheap parts behind the same covers that one changes while it is open, as sentences; parts that only age, from
 * memory.
 */
export function cheapWhileOpen(machine: Machine, assembly: string): readonly string[] {
  const panels = new Set(
    [...machine.points.values()]
      .filter((p) => machine.parts.some((x) => x.assembly === assembly && [...x.nodeOf.values()].includes(p.node)))
      .flatMap((p) => (p.panel ? [p.panel] : [])),
  );
  return machine.file.pieces.flatMap((p) => {
    if (p.id === assembly || p.price <= 0 || p.price > CHEAP || p.licensed) return [];
    const part = machine.parts.find((x) => x.assembly === p.id && has(x, "ages") && !has(x, "protects"));
    if (
      !part ||
      ![...machine.points.values()].some(
        (q) => q.panel && panels.has(q.panel) && [...part.nodeOf.values()].includes(q.node),
      )
    )
      return [];
    return [`${p.name}, ${p.price}, ${p.minutes} min`];
  });
}
