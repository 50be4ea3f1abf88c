import { type Fault, has, isLowVoltage, type Machine, type Part } from "../model";
import { sourcesInOrder, sourcesOff, type WorkCaution, workCautions } from "../safety";
import { accessTo, nodesOf, type OwnPlug } from "./access";
import { functionRowOf } from "./family-functions";
import { causeFirst, handworkOf, type HandStep } from "./handwork";
import { type DeadReading, deadReadings, feeds } from "./loads-dead";
import type { Job } from "../journal";
import { type Difference, matchPart } from "./part-match";
import { type Act, type Procedure, type StageId, STAGES, type WorkStep } from "./work-steps";
import { together } from "./both-boards";
import { railVolts } from "./rail-volts";
import { startsByPlug } from "./starts-by-plug";
import { say } from "#words/core/repair/procedure";

/** What is to be done, and with what. */
export interface Repair {
  readonly assembly: string;
  /** By `optionsFor`; left out: the assembly out and another in, a plug cleaned. */
  readonly option?: string;
  readonly fault?: Fault | null;
  /** What differs in the part in hand. */
  readonly differences?: readonly Difference[];
  /** Plugs moved one at a time from board to board, instead of photographed and labelled. */
  readonly transfer?: boolean;
}

/** The fault of a machine that an id like "K1:welded" names; null where it names none. */
export function faultOf(machine: Machine, id: string | null | undefined): Fault | null {
  const [part, mode] = (id ?? "").split(":");
  return machine.partById.get(part ?? "")?.modes.some((m) => m.id === mode) ? { part: part!, mode: mode! } : null;
}

/** The procedure of a repair as a job's journal has it: what was decided last, and the part in hand. */
export function procedureOfJob(
  machine: Machine,
  job: Pick<Job, "work">,
  { assembly, fault, transfer = false }: { assembly: string; fault: string | null; transfer?: boolean },
): Procedure {
  const decided = job.work.decisions.findLast((d) => d.body.piece === assembly)?.body;
  const inHand = job.work.matches.findLast((m) => m.body.piece === assembly)?.body;
  return procedureFor(machine, {
    assembly,
    transfer,
    fault: faultOf(machine, decided?.fault ?? fault),
    ...(decided ? { option: decided.option } : {}),
    differences: inHand ? matchPart(machine, assembly, inHand.number, inHand.revision).differences : [],
  });
}

/** In which stage a difference of the part in hand is dealt with. */
const DEALT_WITH: Readonly<Record<Difference["kind"], StageId>> = {
  resistor: "prepare",
  snap: "prepare",
  setting: "first-power",
  code: "first-power",
  screws: "in",
  height: "in",
  harness: "in",
  other: "prepare",
};

/** Repairs by which nothing new goes in. */
const SAME_PART = new Set([
  "reseat",
  "clean",
  "make-room",
  "pin",
  "relay",
  "solder",
  "cut-back",
  "capacitors",
  "component",
]);

function usualOption(machine: Machine, assembly: string): string {
  const own = machine.assemblyById.get(assembly);
  if (own?.board) return "maker-board";
  return machine.file.connectors.some((c) => c.piece === assembly) ? "clean" : "replace";
}

/**
 * The procedure of a repair, in the trade's order. Throws a RangeError for an assembly the machine has not. Work for a
 * licensed trade has no stages.
 */
export function procedureFor(machine: Machine, repair: Repair): Procedure {
  const own = machine.assemblyById.get(repair.assembly);
  if (!own) throw new RangeError(say.noAssemblyAssembly(repair.assembly));
  if (own.licensed)
    return {
      assembly: repair.assembly,
      name: own.name,
      minutes: own.minutes,
      stages: [],
      canTransfer: false,
      lacks: [],
    };
  const plan = new Planner(machine, repair).plan();
  if (repair.option !== "both-boards") return plan;
  const others = machine.file.pieces.filter((p) => p.board && !p.licensed && p.id !== repair.assembly);
  const alone = { option: repair.option, fault: null };
  return together([plan, ...others.map((b) => new Planner(machine, { ...alone, assembly: b.id }).plan())]);
}

/** What of the machine one repair touches. */
class Planner {
  private readonly own;
  private readonly option: string;
  private readonly way;
  private readonly access;
  private readonly plugs: readonly OwnPlug[];
  private readonly part: Part | undefined;
  private readonly isBoard: boolean;
  /** Plug by plug from the old board to another one; the same board has nothing to go over to. */
  private readonly canTransfer: boolean;
  private readonly isTransfer: boolean;
  private readonly cautions: readonly WorkCaution[];
  private readonly dead: readonly DeadReading[];
  /** Plugs over which a board only drives loads: they stay off at the first power. */
  private readonly loadPlugs: readonly OwnPlug[];

  constructor(
    private readonly machine: Machine,
    private readonly repair: Repair,
  ) {
    this.own = machine.assemblyById.get(repair.assembly)!;
    this.option = repair.option ?? usualOption(machine, repair.assembly);
    this.way = handworkOf(this.option);
    this.access = accessTo(machine, repair.assembly);
    this.part = repair.fault ? machine.partById.get(repair.fault.part) : undefined;
    const at = this.part ? [...this.part.nodeOf.values()] : [];
    const touched = this.access.plugs.filter(({ connector }) => {
      const nodes = [...nodesOf(machine, connector, "near"), ...nodesOf(machine, connector, "far")];
      return at.some((n) => nodes.includes(n));
    });
    // Of a plug that is cleaned only itself is pulled.
    const isPlug = this.way?.at === "plug";
    this.plugs = isPlug && touched.length === 1 ? touched : this.access.plugs;
    this.isBoard = this.own.board === true;
    this.cautions = workCautions(machine, this.option === "clean");
    this.dead = this.isBoard ? deadReadings(machine, repair.assembly, this.plugs) : [];
    const driven = new Set(this.dead.map((r) => r.plug));
    this.canTransfer = this.isBoard && !SAME_PART.has(this.option);
    this.isTransfer = this.canTransfer && repair.transfer === true;
    this.loadPlugs = this.isTransfer
      ? []
      : this.plugs.filter(
          ({ connector: c }) =>
            driven.has(c.id) && !feeds(machine, c, repair.assembly) && this.startedBy(c.id).length === 0,
        );
  }

  /** What would start by itself with a plug off and a source on. */
  private startedBy(plug: string): readonly string[] {
    return startsByPlug(this.machine).flatMap((s) => (s.plug === plug ? [s.part.toLowerCase()] : []));
  }

  private step(id: string, words: string, more: Partial<WorkStep> = {}): WorkStep {
    return { id, words, details: [], cautions: [], photo: false, ...more };
  }

  private byHand(steps: readonly HandStep[], act?: Act): WorkStep[] {
    return steps.map(({ id, words, ...more }) =>
      this.step(id, words, { ...more, details: more.details ?? [], ...(act ? { act } : {}) }),
    );
  }

  private about(at: WorkCaution["at"]): readonly string[] {
    return this.cautions.filter((c) => c.at === at).map((c) => c.words);
  }

  plan(): Procedure {
    const steps: Record<StageId, readonly WorkStep[]> = {
      match: this.matching(),
      settings: this.settings(),
      "power-down": this.powerDown(),
      open: this.opening(),
      unplug: this.unplugging(),
      "loads-dead": this.loadsDead(),
      out: this.takingOut(),
      prepare: this.preparing(),
      in: this.puttingIn(),
      bonding: this.bonding(),
      "first-power": this.firstPower(),
      "loads-in": this.loadsIn(),
      functions: [
        ...(this.way?.at === "plug" ? [this.step("tried", say.complaintTried, { details: [say.ifGoneNoteIt] })] : []),
        this.step("functions", this.isBoard && functionRowOf(this.machine) ? say.functionsBelow : say.proofBelow),
      ],
      leakage: [this.step("leakage", say.safetyTestBelow)],
      close: this.closing(),
    };
    const covers = this.access.covers.map((id) => this.machine.file.panels.find((p) => p.id === id)!);
    return {
      assembly: this.repair.assembly,
      name: this.own.name,
      minutes: this.own.minutes + covers.reduce((sum, c) => sum + 2 * c.minutes, 0),
      stages: (Object.keys(STAGES) as StageId[])
        .filter((id) => steps[id].length > 0)
        .map((id) => ({ id, name: id === "loads-in" ? this.loadsInName() : STAGES[id], steps: steps[id] })),
      canTransfer: this.canTransfer,
      lacks: this.access.lacks,
    };
  }

  /** What is known and asked before a hand moves: number, cause, how it looks. */
  private matching(): WorkStep[] {
    const isNew = !SAME_PART.has(this.option);
    return [
      ...(isNew && (this.own.number || this.isBoard)
        ? [this.step("number", say.numberRevisionCode, { details: this.own.number ? [this.own.number] : [] })]
        : []),
      ...this.byHand(
        this.part && this.way?.before ? this.way.before(this.machine, this.part, this.repair.fault?.mode ?? "") : [],
      ),
      ...this.byHand(causeFirst(this.part, this.repair.fault ?? null)),
      ...(this.option === "donor-board" ? [this.step("history", say.historyOfTheDonor)] : []),
      this.step("look", say.damageScratchesEarlierRepairsAnd, { photo: true }),
    ];
  }

  private settings(): WorkStep[] {
    if (!this.isBoard) return [];
    return this.machine.file.settings.map((s) =>
      this.step(`setting ${s.id}`, say.recordName(s.name), {
        details: [s.where, ...(s.factory ? [say.factoryFactory(s.factory)] : [])],
      }),
    );
  }

  private powerDown(): WorkStep[] {
    const { machine } = this;
    const charged = machine.parts.filter((p) => has(p, "stores-charge"));
    const nothingAt = machine.sources.flatMap((s) => {
      const pair = [
        s.nodeOf.get("line") ?? s.nodeOf.get("line1") ?? s.nodeOf.get("plus"),
        s.nodeOf.get("neutral") ?? s.nodeOf.get("minus"),
      ];
      const [red, black] = pair.map((n) => [...machine.points.values()].find((p) => p.node === n));
      return red && black ? [`${s.name}: ${red.name} to ${black.name}, 0 V`] : [];
    });
    return [
      this.step("off", sourcesOff(machine), {
        details: this.inOrder(say.offInOrder, sourcesInOrder(machine)),
        cautions: [say.switchedOffIsNotDead, ...this.about("power-down")],
        act: { does: "power off" },
      }),
      ...(charged.length > 0
        ? [this.step("wait", say.waitAMinuteThenProve, { details: charged.slice(0, 5).map((p) => p.name) })]
        : []),
      this.step("prove", say.meterOnVoltsTriedOn, { details: nothingAt, act: { does: "prove dead" } }),
    ];
  }

  private opening(): WorkStep[] {
    const panel = (id: string) => this.machine.file.panels.find((p) => p.id === id)!;
    const sizes = new Set(this.access.covers.flatMap((id) => panel(id).screws.map((s) => s.size)));
    return [
      ...this.access.covers.map((id, i) =>
        this.step(`open ${id}`, say.openPanelName(panel(id).name.toLowerCase()), {
          details: [
            ...(panel(id).tools.length ? [say.toolsTools(panel(id).tools.join(", ").toLowerCase())] : []),
            ...panel(id).screws.map((s) => `${s.count} × ${s.size}, ${s.place}`),
            ...(sizes.size > 1 && panel(id).screws.length > 0 ? [say.theseScrewsInACup] : []),
          ],
          // Said once, at the first cover.
          cautions: i === 0 ? this.about("open") : [],
          act: { does: "open", cover: id },
        }),
      ),
      this.step("overview", say.theWholeAssemblyWithIts, {
        photo: true,
        cautions: this.access.covers.length === 0 ? this.about("open") : [],
      }),
    ];
  }

  private pulled(): WorkStep[] {
    return this.plugs.map(({ connector: c }) =>
      this.step(`unplug ${c.id}`, say.pullByItsHousing(c.name), {
        photo: !this.isTransfer,
        details: [
          say.pinPinText(c.pins[0]!.pin, [c.pins[0]!.colour, c.pins[0]!.signal].filter(Boolean).join(", ")),
          c.pins
            .filter((p) => p.colour)
            .map((p) => `${p.pin} ${p.colour}`)
            .join(", "),
          this.isTransfer ? say.straightOverToOfThe(c.name) : say.aPhotoAndALabel,
        ].filter(Boolean),
        cautions: this.startedBy(c.id).map((part) => say.startsByItself(part)),
        act: { does: "pull", plug: c.id },
      }),
    );
  }

  private unplugging(): WorkStep[] {
    const isLow = this.plugs.some(({ connector: c }) =>
      [...nodesOf(this.machine, c, "near")].some((n) => isLowVoltage(this.machine.domains[n]!.energy)),
    );
    return [
      ...(this.isBoard || (isLow && this.way?.at !== "plug") ? [this.step("static", say.wristStrapOrAHand)] : []),
      ...(this.isTransfer ? [] : this.pulled()),
    ];
  }

  /** What it drives, by ohms and to case, once its plugs are off. */
  private loadsDead(): WorkStep[] {
    return this.isTransfer ? [] : this.dead.map((r) => this.readDead(r));
  }

  private readDead(r: DeadReading): WorkStep {
    return this.step(`dead ${r.load}`, r.words, { act: { does: "measure dead", plug: r.plug } });
  }

  /** Plug by plug from the old board to the new one beside it; what hangs on each is read while it is off. */
  private straightOver(): WorkStep[] {
    return this.pulled().flatMap((s) => {
      const { plug } = s.act as { plug: string };
      return [s, ...this.dead.filter((r) => r.plug === plug).map((r) => this.readDead(r)), this.plugged(s)];
    });
  }

  /** How it is held, as steps: what is undone on the way out. */
  private joints(): WorkStep[] {
    return this.own.joints.map((j, i) =>
      this.step(`joint ${i} ${j.kind}`, say.joints[j.kind](j.count, j.size ?? ""), {
        details: j.tool ? [say.toolsTools(j.tool.toLowerCase())] : [],
        photo: j.kind === "ribbon" || j.kind === "plug" || j.kind === "terminal" || j.kind === "tab",
        ...(j.kind === "terminal" || j.kind === "tab" ? { isWire: true as const } : {}),
      }),
    );
  }

  /** Wires of what hangs in no plug of its own: one at a time, by colour; those of a board are not drawn one by one. */
  private wires(): WorkStep[] {
    if (this.isBoard) {
      const drawn = this.wiresOfOtherPlugs();
      const isBare = drawn.length + this.plugs.length === 0;
      return isBare ? [this.step("wires", say.wiresOffMarked, { photo: true, isWire: true })] : drawn;
    }
    if (this.plugs.length > 0) return [];
    const parts = this.machine.parts.filter((p) => p.assembly === this.repair.assembly && !has(p, "harness"));
    return parts.flatMap((part) =>
      [...part.nodeOf].flatMap(([terminal, node]) => {
        const pin = this.machine.file.connectors
          .flatMap((c) => c.pins.map((p) => ({ c, p })))
          .find(({ c, p }) => this.machine.points.get(`${c.id}-${p.pin}${c.far.suffix}`)?.node === node);
        return [
          this.step(`wire ${part.id} ${terminal}`, say.wireOff(part.name, terminal, pin?.p.colour ?? ""), {
            details: [pin ? say.comesFrom(pin.c.name, pin.p.pin) : say.markIt],
            isWire: true,
          }),
        ];
      }),
    );
  }

  /** Wires that come to a board from a plug of which it has a part only: that plug stays, its wire comes off. */
  private wiresOfOtherPlugs(): WorkStep[] {
    const own = new Set(this.plugs.map((p) => p.connector.id));
    return this.machine.file.connectors
      .filter((c) => !own.has(c.id))
      .flatMap((c) =>
        c.pins.flatMap((pin) => {
          const contact = `${c.id}-${pin.pin}`;
          const node = this.machine.points.get(`${contact}${c.far.suffix}`)?.node;
          if (node === undefined || !this.isOwnNode(node)) return [];
          return [
            this.step(`wire ${contact}`, say.wireFrom(pin.colour ?? "", pin.signal), {
              details: [say.comesFrom(c.name, pin.pin)],
              photo: true,
              isWire: true,
              act: { does: "wire off", contact, assembly: this.repair.assembly },
            }),
          ];
        }),
      );
  }

  /** What to mind once a hand is on it: said at the first step at which one is. */
  private handCautions(): readonly string[] {
    const own = this.machine.parts.filter((p) => p.assembly === this.repair.assembly);
    return [...new Set([...this.about("swap"), ...own.flatMap((p) => p.kind.safety.cautions ?? [])])];
  }

  private takingOut(): WorkStep[] {
    if (this.way?.at === "plug" && this.option !== "harness") return [];
    return [
      ...this.wires(),
      ...this.joints(),
      this.step("out", this.isTransfer ? say.looseBesideIt(this.own.name) : say.assemblyOut(this.own.name), {
        photo: true,
        cautions: this.handCautions(),
        act: { does: "out", assembly: this.repair.assembly },
      }),
    ];
  }

  private differing(stage: StageId): WorkStep[] {
    return (this.repair.differences ?? [])
      .filter((d) => DEALT_WITH[d.kind] === stage)
      .map((d, i) => this.step(`differs ${d.kind} ${i}`, d.words, { details: [d.todo] }));
  }

  private preparing(): WorkStep[] {
    const act: Act | undefined =
      this.way?.at === "board on the bench" ? { does: "bench", assembly: this.repair.assembly } : undefined;
    const isNew = !SAME_PART.has(this.option);
    const steps = [
      ...this.differing("prepare"),
      ...(this.way ? this.byHand(this.way.steps, act) : []),
      ...(isNew
        ? [
            this.step("compare", say.oldBesideNewNumbersPlugs, { details: this.own.number ? [this.own.number] : [] }),
            ...this.machine.file.settings
              .filter((s) => this.isBoard && s.coding)
              .map((s) => this.step(`switches ${s.id}`, say.setAsTheOld(s.name), { details: [s.where] })),
          ]
        : []),
    ];
    if (this.takingOut().length > 0) return steps;
    return steps.map((s, i) => (i === 0 ? { ...s, cautions: [...this.handCautions(), ...s.cautions] } : s));
  }

  private puttingIn(): WorkStep[] {
    const out = this.takingOut();
    const held = new Set(this.loadPlugs.map((p) => p.connector.id));
    const back = out
      .filter((s) => s.id !== "out")
      .reverse()
      .map((s) =>
        this.step(`back ${s.id}`, say.backAsItWas(s.words), {
          details: s.isWire ? [say.tugEach] : [],
          undoes: s.id,
          ...(s.act?.does === "wire off" ? { act: { ...s.act, does: "wire on" as const } } : {}),
        }),
      );
    const plugs = [...this.pulled()]
      .reverse()
      .filter((s) => !held.has((s.act as { plug: string }).plug))
      .map((s) => this.plugged(s));
    return [
      ...(out.length > 0 ? [this.step("fit", say.dryFitItSitsEvery)] : []),
      ...this.differing("in"),
      ...(this.isTransfer ? this.straightOver() : []),
      ...(out.length > 0
        ? [
            this.step("in", say.assemblyIn(this.own.name), {
              undoes: "out",
              act: { does: "in", assembly: this.repair.assembly },
            }),
            ...back,
          ]
        : []),
      ...(this.isTransfer ? [] : plugs),
    ];
  }

  private plugged(s: WorkStep): WorkStep {
    const { plug } = s.act as { plug: string };
    const { name } = this.machine.file.connectors.find((c) => c.id === plug)!;
    return this.step(s.id.replace("unplug", "plug"), say.reconnectUntilItLatches(name), {
      undoes: s.id,
      act: { does: "plug", plug },
      ...(this.isTransfer ? { isOnNew: true } : {}),
    });
  }

  private bonding(): WorkStep[] {
    const hasEarth = this.machine.sources.some((s) => s.nodeOf.has("earth"));
    return hasEarth && this.takingOut().length > 0
      ? [this.step("bonding", say.earthBackBonded), this.step("insulation", say.insulationBeforePower)]
      : [];
  }

  private firstPower(): WorkStep[] {
    const { machine } = this;
    if (!this.isBoard) return [];
    const isMains = machine.sources.some((s) => s.nodeOf.has("line") || s.nodeOf.has("line1"));
    const loads = this.loadPlugs;
    const rails = [...machine.points.values()].filter((p) => /\d\s*V/.test(p.name) && this.isOwnNode(p.node));
    return [
      this.step("first power", isMains ? say.behindAnRcd : say.limitedSupply, {
        details: [
          ...(loads.length > 0 ? loads.map(({ connector }) => say.staysOff(connector.name)) : [say.itsLoadsAreOn]),
          ...this.inOrder(say.onInOrder, [...sourcesInOrder(machine)].reverse()),
        ],
        cautions: [
          ...this.plugs.flatMap(({ connector: c }) => this.startedBy(c.id).map((p) => say.inBeforePower(c.name, p))),
          ...(isMains ? [say.bareMainsNobodyNearThe] : []),
          ...this.about("trial"),
        ],
        act: { does: loads.length > 0 ? "power, loads off" : "power" },
      }),
      this.step("rails", say.railsFirst, { details: railVolts(machine, this.repair.assembly, rails.slice(0, 4)) }),
      ...this.differing("first-power"),
      ...(machine.file.menu ? [this.step("code", say.codeOnceItLives)] : []),
    ];
  }

  /** Which source comes when, where there are several. */
  private inOrder(words: (names: string) => string, sources: readonly Part[]): readonly string[] {
    return sources.length > 1 ? [words(sources.map((s) => s.name.toLowerCase()).join(", then "))] : [];
  }

  private isOwnNode(node: number): boolean {
    return this.machine.parts.some((p) => p.assembly === this.repair.assembly && [...p.nodeOf.values()].includes(node));
  }

  /** Where nothing stayed off, it is only switched off again. */
  private loadsInName(): string {
    return this.loadPlugs.length > 0 ? STAGES["loads-in"] : say.offAgain;
  }

  private loadsIn(): WorkStep[] {
    const loads = new Set(this.loadPlugs.map((p) => p.connector.id));
    const pulled = [...this.pulled()].reverse().filter((s) => loads.has((s.act as { plug: string }).plug));
    const powered = this.isBoard;
    return [
      ...(powered ? [this.step("off again", sourcesOff(this.machine), { act: { does: "power off" } })] : []),
      ...(powered && pulled.length > 0
        ? [this.step("prove again", say.meterOnVoltsTriedOn, { act: { does: "prove dead" } })]
        : []),
      ...pulled.map((s) => this.plugged(s)),
    ];
  }

  private closing(): WorkStep[] {
    return [
      ...[...this.opening()]
        .filter((s) => s.act?.does === "open")
        .reverse()
        .map((s) => {
          const { cover } = s.act as { cover: string };
          const { name, screws } = this.machine.file.panels.find((p) => p.id === cover)!;
          return this.step(`close ${cover}`, say.closePanelName(name.toLowerCase()), {
            details: screws.map((x) => `${x.count} × ${x.size}, ${x.place}`),
            undoes: s.id,
            act: { does: "close", cover },
          });
        }),
      this.step("last run", say.lastRunCoversOn, {
        details: this.isBoard ? [] : this.inOrder(say.onInOrder, [...sourcesInOrder(this.machine)].reverse()),
        cautions: this.isBoard ? [] : this.about("trial"),
        act: { does: "power" },
      }),
    ];
  }
}
