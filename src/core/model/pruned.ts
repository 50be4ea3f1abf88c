import type { MachineFile, PartEntry } from "./schema";
import { say } from "#words/core/model/as-found";

type TestIn = MachineFile["chain"][number];

/** What a file still has, by name. */
class Left {
  readonly parts: ReadonlySet<string>;
  readonly nets: ReadonlySet<string>;
  readonly points: ReadonlySet<string>;
  readonly clamps: ReadonlySet<string>;
  readonly pieces: ReadonlySet<string>;

  constructor(readonly file: MachineFile) {
    const pins = file.connectors.flatMap((c) => c.pins.map((p) => ({ c, id: `${c.id}-${p.pin}`, net: p.net })));
    this.parts = new Set([
      ...(file.parts as PartEntry[]).map((p) => p.id),
      ...file.wires.map((w) => w.id),
      ...pins.map((p) => p.id),
    ]);
    this.nets = new Set(endsOf(file).map((e) => e.net));
    this.points = new Set([
      ...file.points.filter((p) => this.nets.has(p.net)).map((p) => p.id),
      ...pins.flatMap(({ c, id }) => [`${id}${c.near.suffix}`, `${id}${c.far.suffix}`]),
    ]);
    this.clamps = new Set(file.clamps.filter((c) => this.parts.has(c.part)).map((c) => c.id));
    this.pieces = new Set(file.pieces.map((p) => p.id));
  }

  isPoint = (id: string) => this.points.has(id);
  isPart = (id: string) => this.parts.has(id);

  /** Whether a test can still be made. */
  isTest = (t: TestIn) => {
    if (t.function === "look") return this.parts.has(t.red);
    if (t.black === undefined) return this.clamps.has(t.red);
    return this.isPoint(t.red) && this.isPoint(t.black);
  };
}

/** Where something ends on a net. */
interface End {
  readonly net: string;
  /** As a person would call it. */
  readonly words: string;
}

/** Every end of a part, a wire or a pin, and the net it lies on. */
export function endsOf(file: MachineFile): readonly End[] {
  return [
    ...(file.parts as PartEntry[]).flatMap((p) =>
      Object.entries(p.at).map(([t, net]) => ({ net, words: say.terminalOf(p.name, t) })),
    ),
    ...file.wires.flatMap((w) => [w.from, w.to].map((net) => ({ net, words: say.endOfWire(w.colour, w.name) }))),
    ...file.connectors.flatMap((c) =>
      c.pins.flatMap((p) => {
        const id = `${c.id}-${p.pin}`;
        return [p.net ?? `${id}${c.near.suffix}`, `${id}${c.far.suffix}`].map((net) => ({
          net,
          words: say.pinOf(c.name, p.pin),
        }));
      }),
    ),
  ];
}

/**
 * A file of which parts, wires or boards were taken away, without what named them: paths, complaints, proofs, setups
 * and questions go on about what is left. An end that now lies alone becomes a point, so that it can be seen.
 */
export function pruned(file: MachineFile): MachineFile {
  const left = new Left(file);
  const { isPart, isPoint } = left;
  const firstPath = pathsLeft(left)[0];
  const pathIds = new Set(pathsLeft(left).map((p) => p.id));
  return {
    ...file,
    pieces: file.pieces.map((p) => ({
      ...p,
      proofs: p.proofs.flatMap((proof) => {
        const any = proof.any.filter(left.isTest);
        return any.length > 0 ? [{ ...proof, any }] : [];
      }),
      ...(p.drawing
        ? {
            drawing: {
              ...p.drawing,
              pins: Object.fromEntries(Object.entries(p.drawing.pins).filter(([id]) => isPoint(id))),
            },
          }
        : {}),
    })),
    points: [...file.points.filter((p) => left.nets.has(p.net)), ...looseEnds(file)],
    clamps: file.clamps.filter((c) => isPart(c.part)),
    references: file.references
      .map((r) => ({ ...r, points: r.points.filter(isPoint) }))
      .filter((r) => r.points.length > 0),
    paths: pathsLeft(left),
    complaints: file.complaints.map((c) => ({
      ...c,
      path: pathIds.has(c.path) ? c.path : (firstPath?.id ?? c.path),
      sees: Object.fromEntries(Object.entries(c.sees).filter(([p]) => isPart(p))),
      from: c.from.filter((cause) => isPart(cause.split(":")[0]!)),
    })),
    // A question about nothing but what is gone is no longer asked.
    firsts: file.firsts.flatMap((f) => {
      const parts = f.parts.filter(isPart);
      return f.parts.length > 0 && parts.length === 0 ? [] : [{ ...f, parts }];
    }),
    causes: file.causes.filter((c) => isPart(c.part) && isPart(c.then.part)),
    setups: file.setups.map((s) => setupLeft(s, left)),
    chain: file.chain.filter(left.isTest),
    functions: file.functions.filter((f) => "eye" in f || left.isTest(f.shown)),
    plates: file.plates.map((p) => ({
      ...p,
      numbers: Object.fromEntries(Object.entries(p.numbers).filter(([piece]) => left.pieces.has(piece))),
    })),
    ...(file.menu && !left.pieces.has(file.menu.piece) ? { menu: undefined } : {}),
    ...(file.sleep?.clamp !== undefined && !left.clamps.has(file.sleep.clamp)
      ? { sleep: { ...file.sleep, clamp: undefined } }
      : {}),
  };
}

function setupLeft(s: MachineFile["setups"][number], { isPart, isPoint }: Left): MachineFile["setups"][number] {
  return {
    ...s,
    off: s.off.filter(isPart),
    lifted: s.lifted.filter(isPart),
    lamps: s.lamps.filter(isPart),
    good: s.good.filter(isPart),
    made: s.made.filter(isPart),
    jumpers: s.jumpers.filter(([a, b]) => isPoint(a) && isPoint(b)),
    feeds: s.feeds.filter((f) => isPoint(f.plus) && isPoint(f.minus)),
  };
}

function pathsLeft({ file, isPart, isPoint }: Left): MachineFile["paths"] {
  return file.paths
    .map((path) => ({
      ...path,
      stages: path.stages
        .map((s) =>
          "at" in s
            ? s
            : {
                ...s,
                parts: s.parts.filter(isPart),
                rooms: s.rooms.map((r) => ({ ...r, parts: r.parts.filter(isPart) })).filter((r) => r.parts.length > 0),
              },
        )
        .filter((s) => ("at" in s ? s.at.every(isPoint) : s.parts.length > 0)),
    }))
    .filter((path) => path.stages.length >= 2);
}

/** A point for every end that lies alone on its net, where the file has none. */
function looseEnds(file: MachineFile): MachineFile["points"] {
  const ends = new Map<string, End[]>();
  for (const end of endsOf(file)) ends.set(end.net, [...(ends.get(end.net) ?? []), end]);
  const seen = new Set([
    ...file.points.map((p) => p.net),
    ...file.connectors.flatMap((c) =>
      c.pins.flatMap((p) => {
        const id = `${c.id}-${p.pin}`;
        return [
          ...(c.near.hidden ? [] : [p.net ?? `${id}${c.near.suffix}`]),
          ...(c.far.hidden ? [] : [`${id}${c.far.suffix}`]),
        ];
      }),
    ),
  ]);
  return [...ends].flatMap(([net, [end, another]]) =>
    another === undefined && !seen.has(net) ? [{ id: `${net}.end`, name: say.freeEnd(end!.words), net }] : [],
  );
}
