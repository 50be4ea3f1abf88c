import { type LampReading, LampWatch, readLamp, type Spot } from "../core/lamp";

/** What the pictures say so far. */
export interface LampSeen {
  readonly spot: Spot | null;
  readonly reading: LampReading | null;
  readonly seconds: number;
  /** Light on and off as bars: from and to, as shares of the seconds. */
  readonly bars: readonly (readonly [number, number])[];
}

/** Pictures are looked at in this size. */
const [WIDTH, HEIGHT] = [128, 96];
/** Seconds between two readings. */
const READ_EVERY = 0.4;

/** Reads a lamp from the pictures of a camera. Lives in a worker; no picture leaves the device. */
export class LampDesk {
  private readonly watch = new LampWatch();
  private readonly canvas = new OffscreenCanvas(WIDTH, HEIGHT);
  private readonly drawing = this.canvas.getContext("2d", { willReadFrequently: true });
  private lastRead = -Infinity;
  private lastTime = -Infinity;

  /** Takes a picture at a moment (seconds); what is seen, now and then, else null. */
  frame(picture: ImageBitmap, time: number): LampSeen | null {
    if (!this.drawing || time <= this.lastTime) {
      picture.close();
      return null;
    }
    this.lastTime = time;
    this.drawing.drawImage(picture, 0, 0, WIDTH, HEIGHT);
    picture.close();
    this.watch.add({ width: WIDTH, height: HEIGHT, data: this.drawing.getImageData(0, 0, WIDTH, HEIGHT).data, time });
    if (time - this.lastRead < READ_EVERY) return null;
    this.lastRead = time;
    return this.seen();
  }

  /** Points at the lamp, as shares of the picture; null: find it. */
  choose(spot: { readonly x: number; readonly y: number } | null): void {
    this.watch.choose(spot);
    this.lastRead = -Infinity;
  }

  /** Begins anew. */
  clear(): void {
    this.watch.clear();
    this.lastRead = -Infinity;
    this.lastTime = -Infinity;
  }

  private seen(): LampSeen {
    const watched = this.watch.watched();
    const seconds = this.watch.seconds;
    if (!watched) return { spot: this.watch.spot(), reading: null, seconds, bars: [] };
    const share = (t: number) => (seconds > 0 ? (t - watched.start) / seconds : 0);
    return {
      spot: this.watch.spot(),
      reading: readLamp(watched),
      seconds,
      bars: watched.flashes.map((f) => [share(f.from), share(f.to ?? watched.end)] as const),
    };
  }
}
