/** Who may import whom: a name, and the names it knows. */
type Table = Readonly<Record<string, readonly string[]>>;

const [WIDE, HIGH, GAP_X, GAP_Y, MARGIN] = [130, 40, 24, 54, 16];

/**
 * A drawing of a table of layers: each stands above all it knows. An arrow is left out where it follows from others.
 */
export function layersDrawing(table: Table, title: string): string {
  const depth = new Map<string, number>();
  const depthOf = (name: string): number => {
    const known = depth.get(name);
    if (known !== undefined) return known;
    const below = (table[name] ?? []).map(depthOf);
    const own = below.length === 0 ? 0 : 1 + Math.max(...below);
    depth.set(name, own);
    return own;
  };
  const names = Object.keys(table);
  const most = Math.max(...names.map(depthOf));
  const rows = Array.from({ length: most + 1 }, (_, d) => names.filter((n) => depth.get(n) === most - d));
  const widest = Math.max(...rows.map((r) => r.length));
  const width = 2 * MARGIN + widest * WIDE + (widest - 1) * GAP_X;
  const height = 2 * MARGIN + rows.length * HIGH + (rows.length - 1) * GAP_Y;
  const at = new Map<string, readonly [number, number]>();
  rows.forEach((row, r) => {
    const left = (width - row.length * WIDE - (row.length - 1) * GAP_X) / 2;
    row.forEach((n, i) => at.set(n, [left + i * (WIDE + GAP_X), MARGIN + r * (HIGH + GAP_Y)]));
  });
  const lines = names.flatMap((from) =>
    direct(table, from).map((to) => {
      const [[x1, y1], [x2, y2]] = [at.get(from)!, at.get(to)!];
      return `<path d="M${x1 + WIDE / 2} ${y1 + HIGH}L${x2 + WIDE / 2} ${y2}" marker-end="url(#end)"/>`;
    }),
  );
  const boxes = names.map((n) => {
    const [x, y] = at.get(n)!;
    return (
      `<rect x="${x}" y="${y}" width="${WIDE}" height="${HIGH}" rx="5"/>` +
      `<text x="${x + WIDE / 2}" y="${y + HIGH / 2 + 5}">${n}</text>`
    );
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" role="img" aria-label="Layers of ${title}">`,
    "<style>rect{fill:#fbfcfa;stroke:#14242b;stroke-width:1.5}text{font:15px sans-serif;text-anchor:middle;fill:#14242b}" +
      "path{stroke:#46565c;fill:none}</style>",
    '<defs><marker id="end" viewBox="0 0 8 8" refX="8" refY="4" markerWidth="8" markerHeight="8" orient="auto">' +
      '<path d="M0 0L8 4L0 8z" style="fill:#46565c;stroke:none"/></marker></defs>',
    `<rect x="0" y="0" width="${width}" height="${height}" style="fill:#fff;stroke:none"/>`,
    ...lines,
    ...boxes,
    "</svg>\n",
  ].join("\n");
}

/** What a layer knows that it does not know through another. */
function direct(table: Table, name: string): readonly string[] {
  const through = new Set<string>();
  const reach = (n: string) => {
    for (const below of table[n] ?? [])
      if (!through.has(below)) {
        through.add(below);
        reach(below);
      }
  };
  for (const below of table[name] ?? []) reach(below);
  return (table[name] ?? []).filter((n) => !through.has(n));
}
