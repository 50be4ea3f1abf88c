/** A box of the drawing: a part, or a plug with its pins. */
export interface WiringBox {
  readonly id: string;
  readonly words: string;
  /** A plug, or else a part. */
  readonly isPlug: boolean;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
/** A line of the drawing, as corner points. */
export interface WiringLine {
  readonly id: string;
  readonly energy: "mains" | "low" | "other";
  readonly points: readonly (readonly [number, number])[];
  /** The wire's colour and name, where the line is one. */
  readonly label: { readonly words: string; readonly x: number; readonly y: number } | null;
}
export interface Wiring {
  readonly width: number;
  readonly height: number;
  readonly boxes: readonly WiringBox[];
  readonly lines: readonly WiringLine[];
}
