"use client";

import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { EventBody } from "../../core/journal";
import { photoAddress } from "../../contract/jobs";
import { say } from "#words/ui/repair/PhotoMarks";

type Photo = Extract<EventBody, { type: "photo" }>;
type Mark = Photo["marks"][number];
type Place = [number, number];

const COLOUR = "#b3261e";
const STEP = 0.02;
const inside = (v: number) => Math.min(1, Math.max(0, v));
const moved = ([x, y]: Place, dx: number, dy: number): Place => [inside(x + dx), inside(y + dy)];

/**
 * A photo with pins and arrows: dragged with a finger or the mouse, or moved with the arrow keys from their line in
 * the list.
 */
export function PhotoMarks({
  photo,
  busy,
  onKeep,
}: {
  photo: Photo;
  busy: boolean;
  onKeep: (caption: string, marks: Mark[]) => Promise<void>;
}) {
  const [marks, setMarks] = useState<Mark[]>(photo.marks);
  const [caption, setCaption] = useState(photo.caption);
  const [image, setImage] = useState<HTMLImageElement | null>(null);
  const [roomWidth, setWidth] = useState(0);
  const room = useRef<HTMLDivElement>(null);
  const drawing = useRef<SVGSVGElement>(null);
  useEffect(() => {
    const picture = new window.Image();
    picture.onload = () => setImage(picture);
    picture.src = photoAddress(photo.hash);
  }, [photo.hash]);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    if (room.current) watch.observe(room.current);
    return () => watch.disconnect();
  }, []);
  // The whole photo is seen at once, its list of marks below it.
  const width = image
    ? Math.min(roomWidth, Math.round((0.55 * window.innerHeight * image.naturalWidth) / image.naturalHeight))
    : 0;
  const height = image ? Math.round((width * image.naturalHeight) / image.naturalWidth) : 0;
  const put = (i: number, mark: Mark) => setMarks((all) => all.map((m, k) => (k === i ? mark : m)));
  /** Moves a mark, or one end of an arrow, with the pointer that holds it. */
  const drag = (i: number, end: number) => (event: PointerEvent<SVGCircleElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId) || !drawing.current) return;
    const room = drawing.current.getBoundingClientRect();
    const at: Place = [
      inside((event.clientX - room.left) / room.width),
      inside((event.clientY - room.top) / room.height),
    ];
    const mark = marks[i]!;
    if (mark.kind === "pin") put(i, { ...mark, at });
    else put(i, end === 0 ? { ...mark, from: at } : { ...mark, to: at });
  };
  const alt = `${caption || say.thePhoto}, ${marks.length === 1 ? "1 mark" : `${marks.length} marks`}`;
  const nudge = (i: number) => (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key];
    if (!step) return;
    event.preventDefault();
    const [dx, dy] = step as Place;
    const mark = marks[i]!;
    put(i, shifted(mark, dx, dy, event));
  };
  return (
    <div className="photo-marks">
      <div ref={room} className="photo-room">
        {image && width > 0 ? (
          <svg ref={drawing} className="photo-drawing" width={width} height={height} role="img" aria-label={alt}>
            <defs>
              <marker id="mark-head" markerWidth="4" markerHeight="4" refX="3" refY="2" orient="auto">
                <path d="M0 0 L4 2 L0 4 Z" fill={COLOUR} />
              </marker>
            </defs>
            <image href={image.src} width={width} height={height} />
            {marks.map((m, i) =>
              m.kind === "arrow" ? (
                <line
                  key={`a${i}`}
                  x1={m.from[0] * width}
                  y1={m.from[1] * height}
                  x2={m.to[0] * width}
                  y2={m.to[1] * height}
                  stroke={COLOUR}
                  strokeWidth={4}
                  markerEnd="url(#mark-head)"
                />
              ) : null,
            )}
            {marks.flatMap((m, i) =>
              (m.kind === "pin" ? [m.at] : [m.from, m.to]).map((at, k) => (
                <circle
                  key={`h${i}-${k}`}
                  className="photo-handle"
                  cx={at[0] * width}
                  cy={at[1] * height}
                  r={m.kind === "pin" ? 13 : 9}
                  fill={m.kind === "pin" ? COLOUR : "#ffffffcc"}
                  stroke={m.kind === "pin" ? "#fff" : COLOUR}
                  strokeWidth={3}
                  onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
                  onPointerMove={drag(i, k)}
                />
              )),
            )}
            {marks.map((m, i) => {
              const at = m.kind === "pin" ? m.at : m.from;
              return (
                <text
                  key={`t${i}`}
                  className="photo-words"
                  x={at[0] * width + (m.kind === "pin" ? -4 : 12)}
                  y={at[1] * height + 5}
                  fill={m.kind === "pin" ? "#fff" : COLOUR}
                >
                  {m.kind === "pin" ? String(i + 1) : `${i + 1} ${m.words}`}
                </text>
              );
            })}
          </svg>
        ) : (
          <p role="status">{say.openingThePhoto}</p>
        )}
      </div>
      <div className="d-flex gap-2 flex-wrap my-2">
        <Button variant="outline-dark" onClick={() => setMarks([...marks, { kind: "pin", at: [0.5, 0.5], words: "" }])}>
          <i className="bi bi-geo-alt" aria-hidden /> {say.pin}
        </Button>
        <Button
          variant="outline-dark"
          onClick={() => setMarks([...marks, { kind: "arrow", from: [0.3, 0.3], to: [0.5, 0.5], words: "" }])}
        >
          <i className="bi bi-arrow-down-right" aria-hidden /> {say.arrow}
        </Button>
      </div>
      <ol className="mark-list">
        {marks.map((m, i) => (
          <li key={i}>
            <button
              type="button"
              className="btn btn-outline-dark"
              aria-label={say.moveWithTheArrowKeys(m.kind, i + 1, m.kind === "arrow" ? say.itsTailWithShift : "")}
              onKeyDown={nudge(i)}
            >
              <i className="bi bi-arrows-move" aria-hidden />
            </button>
            <Form.Control
              aria-label={say.whatKindIShows(m.kind, i + 1)}
              value={m.words}
              maxLength={60}
              onChange={(e) => put(i, { ...m, words: e.target.value })}
            />
            <Button
              variant="link"
              aria-label={say.removeKindI(m.kind, i + 1)}
              onClick={() => setMarks(marks.filter((_, k) => k !== i))}
            >
              <i className="bi bi-x-lg" aria-hidden />
            </Button>
          </li>
        ))}
      </ol>
      <Form.Group controlId="caption" className="mb-2">
        <Form.Label>{say.whatItShows}</Form.Label>
        <Form.Control value={caption} maxLength={200} onChange={(e) => setCaption(e.target.value)} />
      </Form.Group>
      <Button size="lg" disabled={busy} onClick={() => void onKeep(caption.trim(), marks)}>
        {say.save}
      </Button>
    </div>
  );
}

function shifted(
  mark:
    | { kind: "pin"; at: [number, number]; words: string }
    | { kind: "arrow"; from: [number, number]; to: [number, number]; words: string },
  dx: number,
  dy: number,
  event: KeyboardEvent<Element>,
): Mark {
  if (mark.kind === "pin") return { ...mark, at: moved(mark.at, dx, dy) };
  if (event.shiftKey) return { ...mark, from: moved(mark.from, dx, dy) };
  return { ...mark, to: moved(mark.to, dx, dy) };
}
