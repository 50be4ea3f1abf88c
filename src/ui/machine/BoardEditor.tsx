"use client";

import { useRef, useState, type MouseEvent } from "react";
import Button from "react-bootstrap/Button";
import Form from "react-bootstrap/Form";
import type { Row } from "./useRows";
import { say } from "#words/ui/machine/BoardEditor";

/** Longest side of a photo kept in a file, pixels, and the quality it is kept at. */
const LONGEST = 900;
const QUALITY = 0.72;
/** Characters a photo may take in a file. */
const MOST_CHARACTERS = 400_000;

interface Props {
  readonly assembly: Row;
  readonly points: readonly string[];
  readonly onChange: (assembly: Row) => void;
}

interface Drawing {
  readonly image?: string;
  readonly ratio?: string;
  readonly pins?: Readonly<Record<string, readonly string[]>>;
  readonly outlines?: readonly unknown[];
}

/** Gives a board a photo and marks its pins on it: choose a point, then click where it is. */
export function BoardEditor({ assembly, points, onChange }: Props) {
  const drawing = (assembly["drawing"] ?? {}) as Drawing;
  const [point, setPoint] = useState(points[0] ?? "");
  const [said, setSaid] = useState("");
  const chooser = useRef<HTMLInputElement>(null);
  const pins = drawing.pins ?? {};
  const ratio = Number(drawing.ratio ?? 1.5) || 1.5;
  const put = (next: Drawing) => onChange({ ...assembly, drawing: { ...drawing, pins, ...next } });

  async function take(file: File | undefined) {
    if (!file) return;
    setSaid("");
    try {
      const { image, ratio } = await smallPhoto(file);
      put({ image, ratio: ratio.toFixed(3) });
    } catch (error) {
      setSaid((error as Error).message);
    }
  }

  function place(event: MouseEvent<HTMLElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    if (!point || event.detail === 0) return;
    const at = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height].map((v) =>
      Math.min(1, Math.max(0, v)).toFixed(3),
    );
    put({ pins: { ...pins, [point]: at } });
    const next = points[points.indexOf(point) + 1];
    if (next) setPoint(next);
  }

  return (
    <section className="board-editor">
      <h2>{String(assembly["name"] ?? assembly["id"])}</h2>
      <div className="board-tools">
        <Button size="sm" variant="outline-dark" onClick={() => chooser.current?.click()}>
          {drawing.image ? say.anotherPhoto : "Photo"}
        </Button>
        <input
          ref={chooser}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          hidden
          aria-label={say.photoOfAssembly(String(assembly["name"]))}
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
        <Form.Select
          size="sm"
          aria-label={say.pointToMarkOn(String(assembly["name"]))}
          value={point}
          onChange={(e) => setPoint(e.target.value)}
        >
          {points.map((p) => (
            <option key={p} value={p}>
              {p}
              {pins[p] ? " (marked)" : ""}
            </option>
          ))}
        </Form.Select>
        <Button
          size="sm"
          variant="outline-dark"
          disabled={!pins[point]}
          onClick={() => put({ pins: Object.fromEntries(Object.entries(pins).filter(([p]) => p !== point)) })}
        >
          {say.takeThisMarkOff}
        </Button>
      </div>
      <p className="quiet mb-1">{say.chooseAPointThenClick}</p>
      {said ? (
        <p className="problem" role="alert">
          {said}
        </p>
      ) : null}
      {/* Marking a spot needs a pointer; the shares can be typed under Text. */}
      <button
        type="button"
        className="board-canvas"
        style={{ aspectRatio: String(ratio) }}
        onClick={place}
        aria-label={say.clickToMark(String(assembly["name"]), point)}
      >
        {drawing.image ? <img src={drawing.image} alt="" /> : null}
        {Object.entries(pins).map(([id, at]) => (
          <span
            key={id}
            className={`board-pin ${id === point ? "is-chosen" : ""}`}
            style={{ left: `${Number(at[0]) * 100}%`, top: `${Number(at[1]) * 100}%` }}
            title={id}
          />
        ))}
      </button>
    </section>
  );
}

/** A photo made small enough to live in a machine file. Throws an Error with a sentence. */
async function smallPhoto(file: File): Promise<{ image: string; ratio: number }> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error(say.thisIsNoPictureThat);
  });
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext("2d")!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  const image = canvas.toDataURL("image/jpeg", QUALITY);
  if (image.length > MOST_CHARACTERS) throw new Error(say.evenMadeSmallThisPhoto);
  return { image, ratio: Math.min(5, Math.max(0.2, canvas.width / canvas.height)) };
}
