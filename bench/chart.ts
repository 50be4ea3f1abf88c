/** Plain charts as SVG text, for docs; made from a run of the bench. */

const INK = "#14242b";
const COLOURS = ["#14242b", "#8f420b", "#17577f", "#2a6147", "#9c1445"] as const;
const DASHES = ["", "9 4", "2 4", "12 4 2 4", "5 5"] as const;

/** A shape for each series of dots, so that they are told apart without colour. */
const MARKS: readonly ((x: number, y: number, colour: string) => string)[] = [
  (x, y, c) => `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="3.5" fill="${c}"/>`,
  (x, y, c) =>
    `<rect x="${(x - 3.5).toFixed(1)}" y="${(y - 3.5).toFixed(1)}" width="7" height="7" fill="none" stroke="${c}" stroke-width="1.8"/>`,
  (x, y, c) => `<path d="M${x.toFixed(1)} ${(y - 4.5).toFixed(1)}l4.5 8h-9z" fill="${c}"/>`,
  (x, y, c) => `<path d="M${(x - 4).toFixed(1)} ${(y - 4).toFixed(1)}l8 8m0 -8l-8 8" stroke="${c}" stroke-width="2"/>`,
  (x, y, c) =>
    `<path d="M${x.toFixed(1)} ${(y - 5).toFixed(1)}l5 5l-5 5l-5 -5z" fill="none" stroke="${c}" stroke-width="1.8"/>`,
];

export interface Series {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  /** Dots only. */
  readonly dots?: boolean;
}

export interface Axis {
  readonly words: string;
  readonly low: number;
  readonly high: number;
  readonly ticks: readonly number[];
  readonly log?: boolean;
}

/** Lines or dots over two axes, each series with a dash pattern of its own and named at the right. */
export function lineChart(series: readonly Series[], x: Axis, y: Axis): string {
  const [width, height, left, top, w, h] = [780, 400, 80, 24, 500, 310];
  const place = (axis: Axis, v: number) =>
    axis.log
      ? (Math.log(v) - Math.log(axis.low)) / (Math.log(axis.high) - Math.log(axis.low))
      : (v - axis.low) / (axis.high - axis.low);
  const at = ([px, py]: readonly [number, number]) => [left + w * place(x, px), top + h * (1 - place(y, py))] as const;
  const text = (tx: number, ty: number, words: string, anchor = "start") =>
    `<text x="${tx.toFixed(1)}" y="${ty.toFixed(1)}" text-anchor="${anchor}">${words}</text>`;
  const grid = y.ticks.map((t) => {
    const [, gy] = at([x.low, t]);
    return `<line x1="${left}" x2="${left + w}" y1="${gy.toFixed(1)}" y2="${gy.toFixed(1)}" stroke="#b9c4c2"/>${text(left - 8, gy + 5, String(t), "end")}`;
  });
  const ticks = x.ticks.map((t) => text(at([t, y.low])[0], top + h + 22, String(t), "middle"));
  const drawn = series.map((s, i) => {
    const points = s.points.map(at);
    const [colour, dash] = [COLOURS[i % COLOURS.length]!, DASHES[i % DASHES.length]!];
    const line = s.dots
      ? ""
      : `<polyline points="${points.map(([px, py]) => `${px.toFixed(1)},${py.toFixed(1)}`).join(" ")}" fill="none" stroke="${colour}" stroke-width="2.5" stroke-dasharray="${dash}"/>`;
    const mark = (px: number, py: number) =>
      s.dots
        ? MARKS[i % MARKS.length]!(px, py, colour)
        : `<circle cx="${px.toFixed(1)}" cy="${py.toFixed(1)}" r="3" fill="${colour}"/>`;
    const dots = points.map(([px, py]) => mark(px, py)).join("");
    const ly = top + 16 + i * 24;
    return `${line}${dots}${s.dots ? mark(left + w + 38, ly) : `<line x1="${left + w + 20}" x2="${left + w + 56}" y1="${ly}" y2="${ly}" stroke="${colour}" stroke-width="3" stroke-dasharray="${dash}"/>`}${text(left + w + 62, ly + 5, s.name)}`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="14" fill="${INK}"><rect width="${width}" height="${height}" fill="#fbfcfa"/>${grid.join("")}${drawn.join("")}${ticks.join("")}${text(left + w / 2, top + h + 48, x.words, "middle")}${text(left - 60, top - 8, y.words)}</svg>\n`;
}

/** One row of a waterfall: what came after what, milliseconds from one beginning. */
export interface Fall {
  readonly name: string;
  readonly marks: readonly (readonly [what: string, at: number])[];
}

/** Bars of what came after what, a row a case; each stretch is named by what ends it. */
export function waterfall(rows: readonly Fall[]): string {
  const [left, top, wide, high] = [170, 20, 560, 46];
  const most = Math.max(...rows.flatMap((r) => r.marks.map(([, at]) => at)));
  const x = (ms: number) => left + (wide * ms) / most;
  const drawn = rows.map((row, i) => {
    const y = top + i * high;
    let before = 0;
    const bars = row.marks.map(([what, at], k) => {
      const from = Math.min(before, at);
      before = Math.max(before, at);
      return `<rect x="${x(from).toFixed(1)}" y="${y}" width="${Math.max(1, x(at) - x(from)).toFixed(1)}" height="16" fill="${COLOURS[k % COLOURS.length]}"/><text x="${x(at).toFixed(1)}" y="${y + (k % 2 === 0 ? 28 : -2)}" text-anchor="end">${what} ${at.toFixed(0)}</text>`;
    });
    return `<text x="${left - 10}" y="${y + 13}" text-anchor="end">${row.name}</text>${bars.join("")}`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 780 ${top + rows.length * high + 10}" font-family="sans-serif" font-size="12" fill="${INK}"><rect width="100%" height="100%" fill="#ffffff"/>${drawn.join("")}</svg>`;
}
