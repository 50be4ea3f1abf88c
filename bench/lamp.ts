import { mkdirSync, writeFileSync } from "node:fs";
import { trials, upperBound } from "../tests/support/lamp-trials";

/**
 * Reading lamps against noise and frame rate: what is read, left open, and read wrongly though sure. Writes the chart
 * that docs/lamp-reader.md shows.
 */

const JITTERS = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3] as const;
const RATES = [15, 20, 24, 30, 60] as const;

export interface LampBench {
  readonly rows: readonly {
    readonly jitter: number;
    readonly frames: number;
    readonly trials: number;
    readonly unsure: number;
    readonly wrong: number;
  }[];
  readonly wrongUpperBound: number;
}

export function lampBench(trialsEach: number, chart?: URL): LampBench {
  const rows = RATES.flatMap((frames, f) =>
    JITTERS.map((jitter, j) => {
      const { unsure, wrong } = trials(trialsEach, 100 + f * 10 + j, jitter, () => frames);
      return { jitter, frames, trials: trialsEach, unsure, wrong: wrong.length };
    }),
  );
  const wanted = rows.filter((r) => r.jitter === 0.15);
  if (chart) {
    mkdirSync(new URL(".", chart), { recursive: true });
    writeFileSync(chart, drawn(rows));
  }
  return {
    rows,
    wrongUpperBound: upperBound(
      wanted.reduce((n, r) => n + r.wrong, 0),
      wanted.reduce((n, r) => n + r.trials, 0),
    ),
  };
}

/**
 * Share left open (lines) and share read wrongly though sure (bars at the foot), over the jitter; a line and a dash
 * pattern for each frame rate.
 */
function drawn(rows: LampBench["rows"]): string {
  const [width, height, left, top, plotWidth, plotHeight] = [760, 420, 70, 30, 520, 320];
  const x = (jitter: number) => left + (jitter / 0.3) * plotWidth;
  const y = (share: number) => top + plotHeight * (1 - share);
  const dashes = ["", "9 4", "2 4", "12 4 2 4", "5 5"];
  const colours = ["#14242b", "#8f420b", "#2a6147", "#17577f", "#9c1445"];
  const text = (px: number, py: number, words: string, anchor = "start") =>
    `<text x="${px}" y="${py}" text-anchor="${anchor}">${words}</text>`;
  const lines = RATES.map((frames, i) => {
    const mine = rows.filter((r) => r.frames === frames);
    const points = mine.map((r) => `${x(r.jitter).toFixed(1)},${y(r.unsure / r.trials).toFixed(1)}`).join(" ");
    const wrong = mine
      .map(
        (r) =>
          `<rect x="${(x(r.jitter) - 14 + i * 6).toFixed(1)}" y="${y(r.wrong / r.trials).toFixed(1)}" width="5" height="${((plotHeight * r.wrong) / r.trials).toFixed(1)}" fill="${colours[i]}"/>`,
      )
      .join("");
    const legend = `<line x1="${left + plotWidth + 25}" x2="${left + plotWidth + 65}" y1="${top + 20 + i * 26}" y2="${top + 20 + i * 26}" stroke="${colours[i]}" stroke-width="3" stroke-dasharray="${dashes[i]}"/>${text(left + plotWidth + 72, top + 25 + i * 26, `${frames} a second`)}`;
    return `<polyline points="${points}" fill="none" stroke="${colours[i]}" stroke-width="3" stroke-dasharray="${dashes[i]}"/>${wrong}${legend}`;
  });
  const grid = [0, 0.25, 0.5, 0.75, 1].map(
    (s) =>
      `<line x1="${left}" x2="${left + plotWidth}" y1="${y(s)}" y2="${y(s)}" stroke="#b9c4c2"/>${text(left - 8, y(s) + 5, `${s * 100} %`, "end")}`,
  );
  const ticks = JITTERS.map((j) => text(x(j), top + plotHeight + 22, `${Math.round(j * 100)}`, "middle"));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="14" fill="#14242b"><rect width="${width}" height="${height}" fill="#fbfcfa"/>${grid.join("")}${lines.join("")}${ticks.join("")}${text(left + plotWidth / 2, top + plotHeight + 48, "jitter of each stretch, % of itself (standard deviation)", "middle")}${text(left, top - 10, "left open: it asks for another round (lines); sure but wrong (bars at the foot)")}</svg>\n`;
}
