import { has, isLowVoltage, type Machine } from "../model";
import { sourcesOff, type WorkCaution, workCautions } from "../safety";
import { say } from "#words/core/repair/swap-plan";

/** One step of a swap. A step with `undoes` is the way back of another, derived and never written down. */
export interface SwapStep {
  readonly id: string;
  readonly words: string;
  /** What to know with it: wire colours, screws, what to see. */
  readonly details: readonly string[];
  readonly cautions: readonly string[];
  readonly photo: boolean;
  readonly undoes?: string;
}

/** A stage is ticked off as a whole. */
export interface SwapStage {
  readonly id:
    "inspect" | "settings" | "power-down" | "open" | "unplug" | "swap" | "loads-dead" | "plug-in" | "trial" | "close";
  readonly name: string;
  readonly steps: readonly SwapStep[];
}

/** How to take an assembly out and put another in, from the file's panels and connectors alone. */
export interface SwapPlan {
  readonly assembly: string;
  readonly name: string;
  readonly minutes: number;
  readonly stages: readonly SwapStage[];
}

/**
 * Covers in an order in which each comes after those that lie over it. Throws a RangeError for covers that lie over
 * each other in a round.
 */
export function openingOrder(machine: Machine, wanted: readonly string[]): readonly string[] {
  const order: string[] = [];
  const visit = (id: string, path: readonly string[]) => {
    if (order.includes(id)) return;
    if (path.includes(id)) throw new RangeError(say.coversLieOverEachOther([...path, id].join(", ")));
    for (const over of machine.file.panels.find((p) => p.id === id)!.under) visit(over, [...path, id]);
    order.push(id);
  };
  for (const id of wanted) visit(id, []);
  return order;
}

/** Connectors of which one side belongs to an assembly: they are pulled before it comes out. */
export function plugsOf(machine: Machine, assembly: string): readonly Machine["file"]["connectors"][number][] {
  const nodes = new Set(
    machine.parts.filter((p) => p.assembly === assembly && !has(p, "harness")).flatMap((p) => [...p.nodeOf.values()]),
  );
  return machine.file.connectors.filter(
    (c) =>
      c.piece === assembly ||
      [...machine.points.values()].some((p) => p.connector === c.id && p.where === c.near.words && nodes.has(p.node)),
  );
}

/**
 * The plan for one assembly. `transfer`: plugs moved one at a time from board to board, instead of photographed and
 * labelled. Throws a RangeError for an assembly it has not.
 */
export function swapPlan(machine: Machine, assembly: string, transfer = false): SwapPlan {
  const own = machine.assemblyById.get(assembly);
  if (!own) throw new RangeError(say.noAssemblyAssembly(assembly));
  const step = (id: string, words: string, more: Partial<SwapStep> = {}): SwapStep => ({
    id,
    words,
    details: [],
    cautions: [],
    photo: false,
    ...more,
  });
  const plugs = plugsOf(machine, assembly);
  const covers = openingOrder(machine, [
    ...new Set(plugs.flatMap((c) => [c.near.panel, c.far.panel]).filter((p) => p !== undefined)),
  ]);
  const panel = (id: string) => machine.file.panels.find((p) => p.id === id)!;
  const sizes = new Set(covers.flatMap((id) => panel(id).screws.map((s) => s.size)));

  const open = covers.map((id, i) =>
    step(`open ${id}`, say.openPanelName(panel(id).name.toLowerCase()), {
      details: [
        ...(panel(id).tools.length ? [say.toolsTools(panel(id).tools.join(", ").toLowerCase())] : []),
        ...panel(id).screws.map((s) => `${s.count} × ${s.size}, ${s.place}`),
        ...(sizes.size > 1 && panel(id).screws.length > 0 ? [say.theseScrewsInACup] : []),
      ],
      // Said once, at the first cover.
      cautions:
        i === 0
          ? workCautions(machine)
              .filter((c) => c.at === "open")
              .map((c) => c.words)
          : [],
    }),
  );
  const unplug = plugs.map((c) =>
    step(`unplug ${c.id}`, say.pullByItsHousing(c.name), {
      photo: !transfer,
      details: [
        say.pinPinText(c.pins[0]!.pin, [c.pins[0]!.colour, c.pins[0]!.signal].filter(Boolean).join(", ")),
        c.pins
          .filter((p) => p.colour)
          .map((p) => `${p.pin} ${p.colour}`)
          .join(", "),
        ...(transfer ? [say.straightOverToOfThe(c.name)] : [say.aPhotoAndALabel]),
      ].filter(Boolean),
    }),
  );
  const reversed = (
    steps: readonly SwapStep[],
    as: (s: SwapStep) => Pick<SwapStep, "id" | "words"> & Partial<SwapStep>,
  ): SwapStep[] => [...steps].reverse().map((s) => ({ ...s, photo: false, cautions: [], ...as(s), undoes: s.id }));

  const cautions = workCautions(machine, plugs.length > 0);
  const about = (at: WorkCaution["at"]) => cautions.filter((c) => c.at === at).map((c) => c.words);
  const partCautions = [
    ...new Set(machine.parts.filter((p) => p.assembly === assembly).flatMap((p) => p.kind.safety.cautions ?? [])),
  ];
  const charged = machine.parts.filter((p) => has(p, "stores-charge"));
  const proofs = machine.sources.flatMap((s) => {
    const [line, neutral] = [
      s.nodeOf.get("line") ?? s.nodeOf.get("line1") ?? s.nodeOf.get("plus"),
      s.nodeOf.get("neutral") ?? s.nodeOf.get("minus"),
    ];
    const at = (n: number | undefined) => [...machine.points.values()].filter((p) => p.node === n);
    const [red, black] = [at(line)[0], at(neutral)[0]];
    return red && black ? [`${s.name}: ${red.name} to ${black.name}, 0 V`] : [];
  });
  const inside = plugs.filter((c) => c.pins.length >= 2);
  const dead = inside.flatMap((c) => {
    const pins = [...machine.points.values()].filter((p) => p.connector === c.id && p.where === c.far.words);
    const loads = machine.parts.filter(
      (p) =>
        p.kind.electrical.load &&
        p.assembly !== assembly &&
        [...p.nodeOf.values()].some((n) =>
          pins.some((q) => q.node === n || machine.domains[q.node]!.group === machine.domains[n]!.group),
        ),
    );
    return loads.length > 0
      ? [
          step(`dead ${c.id}`, say.ohmsAtTheWireSide(c.name), {
            details: loads.slice(0, 6).map((l) => `${l.name}: ${l.kind.service.alone ?? say.ohmsAgainstItsRating}`),
          }),
        ]
      : [];
  });
  const low = plugs.some((c) =>
    [...machine.points.values()].some((p) => p.connector === c.id && isLowVoltage(machine.domains[p.node]!.energy)),
  );

  const stages: SwapStage[] = [
    {
      id: "inspect",
      name: say.lookBeforeAnythingIsTouched,
      steps: [
        step("look", say.damageScratchesEarlierRepairsAnd, { photo: true }),
        step("overview", say.theWholeAssemblyWithIts, { photo: true }),
      ],
    },
    ...(machine.file.settings.length > 0 && own.board
      ? [
          {
            id: "settings" as const,
            name: say.settingsOfTheOldOne,
            steps: machine.file.settings.map((s) =>
              step(`setting ${s.id}`, say.recordName(s.name), {
                details: [s.where, ...(s.factory ? [say.factoryFactory(s.factory)] : [])],
              }),
            ),
          },
        ]
      : []),
    {
      id: "power-down",
      name: say.powerDownAndProveIt,
      steps: [
        step("off", sourcesOff(machine), {
          cautions: [say.switchedOffIsNotDead, ...about("power-down")],
        }),
        ...(charged.length > 0
          ? [
              step("wait", say.waitAMinuteThenProve, {
                details: charged.slice(0, 5).map((p) => p.name),
              }),
            ]
          : []),
        step("prove", say.meterOnVoltsTriedOn, { details: proofs }),
      ],
    },
    ...(open.length > 0 ? [{ id: "open" as const, name: say.covers, steps: open }] : []),
    ...(unplug.length > 0 && !transfer ? [{ id: "unplug" as const, name: say.plugs, steps: unplug }] : []),
    {
      id: "swap",
      name: own.board ? say.theBoard : say.thePart,
      steps: [
        ...(own.board || low ? [step("static", say.wristStrapOrAHand)] : []),
        step("out", `${own.name} out`, { photo: true, cautions: [...about("swap"), ...partCautions] }),
        step("compare", say.oldBesideNewNumbersPlugs, {
          details: own.number ? [own.number] : [],
        }),
        step("fit", say.dryFitItSitsEvery),
        step("in", `${own.name} in`, { undoes: "out" }),
      ],
    },
    ...(dead.length > 0 ? [{ id: "loads-dead" as const, name: say.beforeItIsPoweredWhat, steps: dead }] : []),
    ...(unplug.length > 0
      ? [
          {
            id: "plug-in" as const,
            name: transfer ? say.plugsOneAtATime : say.plugsHome,
            steps: transfer
              ? unplug
              : reversed(unplug, (s) => ({
                  id: s.id.replace("unplug", "plug"),
                  words: say.reconnectUntilItLatches(plugs.find((c) => `unplug ${c.id}` === s.id)!.name),
                })),
          },
        ]
      : []),
    {
      id: "trial",
      name: say.trialRunBeforeClosing,
      steps: [
        step("trial", say.coversStillOffWhereThat, {
          cautions: [say.bareMainsNobodyNearThe, ...about("trial")],
        }),
        step("off-again", sourcesOff(machine)),
      ],
    },
    ...(open.length > 0
      ? [
          {
            id: "close" as const,
            name: say.closeUp,
            steps: reversed(open, (s) => ({
              id: s.id.replace("open", "close"),
              words: s.words.replace(/^Open:/, "Close:"),
            })),
          },
        ]
      : []),
  ];
  const minutes = own.minutes + covers.reduce((sum, id) => sum + 2 * panel(id).minutes, 0);
  return { assembly, name: own.name, minutes, stages };
}
