import type { AssemblyEntry } from "../../core/model";
import { say } from "#words/ui/machine/BoardDrawing";

/** A board as a photo or a drawing, with pins marked; the spots in question stand out by shape and letter. */
export function BoardDrawing({
  assembly,
  red,
  black,
  allPins = false,
}: {
  assembly: AssemblyEntry;
  red?: string | undefined;
  black?: string | undefined;
  allPins?: boolean;
}) {
  const { drawing } = assembly;
  if (!drawing) return null;
  const width = 600;
  const height = width / drawing.ratio;
  const shown = Object.entries(drawing.pins).filter(([id]) => allPins || id === red || id === black);
  return (
    <figure className="board-drawing">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${assembly.name}${red ? say.redLeadAt(red) : ""}${black ? say.blackLeadAt(black) : ""}`}
      >
        {drawing.image ? (
          <image href={drawing.image} width={width} height={height} preserveAspectRatio="none" />
        ) : (
          <rect className="board-face" x={2} y={2} width={width - 4} height={height - 4} rx={8} />
        )}
        {drawing.outlines.map((o) => (
          <g key={o.words}>
            <rect
              className="board-outline"
              x={o.at[0] * width}
              y={o.at[1] * height}
              width={o.at[2] * width}
              height={o.at[3] * height}
              rx={3}
            />
            <text className="board-words" x={(o.at[0] + o.at[2] / 2) * width} y={(o.at[1] + o.at[3] / 2) * height}>
              {o.words}
            </text>
          </g>
        ))}
        {shown.map(([id, [x, y]]) => (
          <g key={id} className={`spot ${leadAt(id, red, black)}`} transform={`translate(${x * width} ${y * height})`}>
            {id === black ? (
              <rect x={-11} y={-11} width={22} height={22} />
            ) : (
              <circle r={allPins && id !== red ? 6 : 12} />
            )}
            {id === red || id === black ? <text dy="0.36em">{id === red ? "R" : "B"}</text> : null}
          </g>
        ))}
      </svg>
      <figcaption>
        {assembly.name}
        {assembly.number ? `, ${assembly.number}` : ""}
      </figcaption>
    </figure>
  );
}

function leadAt(id: string, red: string | undefined, black: string | undefined): "" | "red" | "black" {
  if (id === red) return "red";
  if (id === black) return "black";
  return "";
}
