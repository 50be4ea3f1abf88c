import { has, isLowVoltage, type Machine } from "../model";
import { sourcesOff, type WorkCaution, workCautions } from "../safety";

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

/** How to take a piece out and put another in, from the file's panels and connectors alone. */
export interface SwapPlan {
  readonly piece: string;
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
    if (path.includes(id)) throw new RangeError(`covers lie over each other in a round: ${[...path, id].join(", ")}`);
    for (const over of machine.file.panels.find((p) => p.id === id)!.under) visit(over, [...path, id]);
    order.push(id);
  };
  for (const id of wanted) visit(id, []);
  return order;
}

/** Connectors of which one side belongs to a piece: they are pulled before it comes out. */
export function plugsOf(machine: Machine, piece: string): readonly Machine["file"]["connectors"][number][] {
  const nodes = new Set(
    machine.parts.filter((p) => p.piece === piece && !has(p, "harness")).flatMap((p) => [...p.nodeOf.values()]),
  );
  return machine.file.connectors.filter(
    (c) =>
      c.piece === piece ||
      [...machine.points.values()].some((p) => p.connector === c.id && p.where === c.near.words && nodes.has(p.node)),
  );
}

/**
 * The plan for one piece. `transfer`: plugs moved one at a time from board to board, instead of photographed and
 * labelled. Throws a RangeError for a piece it has not.
 */
export function swapPlan(machine: Machine, piece: string, transfer = false): SwapPlan {
  const own = machine.pieceById.get(piece);
  if (!own) throw new RangeError(`no piece ${piece}`);
  const step = (id: string, words: string, more: Partial<SwapStep> = {}): SwapStep => ({
    id,
    words,
    details: [],
    cautions: [],
    photo: false,
    ...more,
  });
  const plugs = plugsOf(machine, piece);
  const covers = openingOrder(machine, [
    ...new Set(plugs.flatMap((c) => [c.near.panel, c.far.panel]).filter((p) => p !== undefined)),
  ]);
  const panel = (id: string) => machine.file.panels.find((p) => p.id === id)!;
  const sizes = new Set(covers.flatMap((id) => panel(id).screws.map((s) => s.size)));

  const open = covers.map((id, i) =>
    step(`open ${id}`, `Open: ${panel(id).name.toLowerCase()}`, {
      details: [
        ...(panel(id).tools.length ? [`Tools: ${panel(id).tools.join(", ").toLowerCase()}`] : []),
        ...panel(id).screws.map((s) => `${s.count} × ${s.size}, ${s.place}`),
        ...(sizes.size > 1 && panel(id).screws.length > 0
          ? ["These screws in a cup of their own: others are of another size."]
          : []),
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
    step(`unplug ${c.id}`, `Pull ${c.name}, by its housing`, {
      photo: !transfer,
      details: [
        `Pin ${c.pins[0]!.pin}: ${[c.pins[0]!.colour, c.pins[0]!.signal].filter(Boolean).join(", ")}`,
        c.pins
          .filter((p) => p.colour)
          .map((p) => `${p.pin} ${p.colour}`)
          .join(", "),
        ...(transfer
          ? [`Straight over to ${c.name} of the new one, before the next is pulled.`]
          : ["A photo, and a label on the plug."]),
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
    ...new Set(machine.parts.filter((p) => p.piece === piece).flatMap((p) => p.kind.safety.cautions ?? [])),
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
        p.piece !== piece &&
        [...p.nodeOf.values()].some((n) =>
          pins.some((q) => q.node === n || machine.domains[q.node]!.group === machine.domains[n]!.group),
        ),
    );
    return loads.length > 0
      ? [
          step(`dead ${c.id}`, `Ohms at the wire side of ${c.name}: no load and no rail shorted`, {
            details: loads.slice(0, 6).map((l) => `${l.name}: ${l.kind.service.alone ?? "ohms against its rating"}`),
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
      name: "Look before anything is touched",
      steps: [
        step("look", "Damage, scratches, earlier repairs and how well they were made", { photo: true }),
        step("overview", "The whole piece with its plugs, before one is pulled", { photo: true }),
      ],
    },
    ...(machine.file.settings.length > 0 && own.board
      ? [
          {
            id: "settings" as const,
            name: "Settings of the old one",
            steps: machine.file.settings.map((s) =>
              step(`setting ${s.id}`, `Record: ${s.name}`, {
                details: [s.where, ...(s.factory ? [`Factory: ${s.factory}`] : [])],
              }),
            ),
          },
        ]
      : []),
    {
      id: "power-down",
      name: "Power down, and prove it",
      steps: [
        step("off", sourcesOff(machine), {
          cautions: ["Switched off is not dead: boards ahead of the switch stay live.", ...about("power-down")],
        }),
        ...(charged.length > 0
          ? [
              step("wait", "Wait a minute, then prove every capacitor below 60 V", {
                details: charged.slice(0, 5).map((p) => p.name),
              }),
            ]
          : []),
        step("prove", "Meter on volts, tried on something live before and after: nothing at", { details: proofs }),
      ],
    },
    ...(open.length > 0 ? [{ id: "open" as const, name: "Covers", steps: open }] : []),
    ...(unplug.length > 0 && !transfer ? [{ id: "unplug" as const, name: "Plugs", steps: unplug }] : []),
    {
      id: "swap",
      name: own.board ? "The board" : "The part",
      steps: [
        ...(own.board || low
          ? [step("static", "Wrist strap, or a hand on bare metal, before the board is touched; by its edges")]
          : []),
        step("out", `${own.name} out`, { photo: true, cautions: [...about("swap"), ...partCautions] }),
        step("compare", "Old beside new: numbers, plugs, screws, height, pins", {
          details: own.number ? [own.number] : [],
        }),
        step("fit", "Dry fit: it sits, every plug reaches, before anything is shrunk or glued"),
        step("in", `${own.name} in`, { undoes: "out" }),
      ],
    },
    ...(dead.length > 0
      ? [{ id: "loads-dead" as const, name: "Before it is powered: what it will drive, dead", steps: dead }]
      : []),
    ...(unplug.length > 0
      ? [
          {
            id: "plug-in" as const,
            name: transfer ? "Plugs, one at a time" : "Plugs home",
            steps: transfer
              ? unplug
              : reversed(unplug, (s) => ({
                  id: s.id.replace("unplug", "plug"),
                  words: s.words.replace(/^Pull (.*), by its housing$/, "Reconnect $1 until it latches"),
                })),
          },
        ]
      : []),
    {
      id: "trial",
      name: "Trial run before closing",
      steps: [
        step("trial", "Covers still off where that is safe: hands out, power on, the complaint tried", {
          cautions: ["Bare mains: nobody near the open side.", ...about("trial")],
        }),
        step("off-again", sourcesOff(machine)),
      ],
    },
    ...(open.length > 0
      ? [
          {
            id: "close" as const,
            name: "Close up",
            steps: reversed(open, (s) => ({
              id: s.id.replace("open", "close"),
              words: s.words.replace(/^Open:/, "Close:"),
            })),
          },
        ]
      : []),
  ];
  const minutes = own.minutes + covers.reduce((sum, id) => sum + 2 * panel(id).minutes, 0);
  return { piece, name: own.name, minutes, stages };
}
