import type { MachineFile, PartEntry } from "./schema";

/** The assemblies that come out with a board: itself, and what is soldered to it. */
export const withBoard = (file: MachineFile, board: string): ReadonlySet<string> =>
  new Set(file.pieces.filter((p) => p.id === board || p.on === board).map((p) => p.id));

/**
 * A file without a board and what is soldered to it. What the board's copper joined is joined no longer: each plug pin,
 * wire and terminal that ended on it lies by itself.
 */
export function withoutBoard(file: MachineFile, board: string): MachineFile {
  const gone = withBoard(file, board);
  const parts = file.parts as PartEntry[];
  const copper = new Set(parts.filter((p) => gone.has(p.piece)).flatMap((p) => Object.values(p.at)));
  const own = new Own(copper);
  const left = parts.filter((p) => !gone.has(p.piece));
  const counted = [
    ...left.flatMap((p) => Object.values(p.at)),
    ...file.wires.flatMap((w) => [w.from, w.to]),
    ...file.connectors.flatMap((c) => c.pins.map((p) => p.net ?? `${c.id}-${p.pin}${c.near.suffix}`)),
  ];
  for (const net of counted) own.count(net);
  return {
    ...file,
    pieces: file.pieces.filter((p) => !gone.has(p.id)),
    parts: left.map((p) => ({
      ...p,
      at: Object.fromEntries(Object.entries(p.at).map(([t, net]) => [t, own.net(net, `${p.id}.${t}`)])),
    })),
    wires: file.wires.map((w) => ({ ...w, from: own.net(w.from, `${w.id}.from`), to: own.net(w.to, `${w.id}.to`) })),
    connectors: file.connectors.map((c) => ({
      ...c,
      pins: c.pins.map((p) => {
        const near = `${c.id}-${p.pin}${c.near.suffix}`;
        const net = own.net(p.net ?? near, near);
        return net === near ? { ...p, net: undefined } : { ...p, net };
      }),
    })),
  } as MachineFile;
}

/** Gives what ended on the board's copper nets of their own; an end that was alone there keeps its net and its name. */
class Own {
  private readonly ends = new Map<string, number>();
  constructor(private readonly copper: ReadonlySet<string>) {}

  count(net: string): void {
    this.ends.set(net, (this.ends.get(net) ?? 0) + 1);
  }

  net(net: string, own: string): string {
    return this.copper.has(net) && this.ends.get(net)! > 1 ? own : net;
  }
}
