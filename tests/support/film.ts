import { writeFileSync } from "node:fs";
import { litAt, type LampPattern } from "../../src/core/lamp/lamp-pattern";

/**
 * Writes a film of a lamp as YUV4MPEG2, for the camera of a browser: a dim scene with noise, a lamp at a spot. Lasts
 * whole rounds, so that it can be shown over and over.
 */
export function writeFilm(
  file: string,
  pattern: LampPattern,
  {
    seconds,
    rate = 30,
    width = 160,
    height = 120,
    x = 0.62,
    y = 0.4,
  }: { seconds: number; rate?: number; width?: number; height?: number; x?: number; y?: number },
): void {
  const chunks: Buffer[] = [Buffer.from(`YUV4MPEG2 W${width} H${height} F${rate}:1 Ip A1:1 C420jpeg\n`)];
  let noise = 12345;
  const random = () => {
    noise = (Math.imul(noise, 1664525) + 1013904223) >>> 0;
    return noise / 4294967296;
  };
  for (let f = 0; f < Math.round(seconds * rate); f++) {
    const lit = litAt(pattern, f / rate) !== null;
    const luma = Buffer.alloc(width * height);
    for (let i = 0; i < luma.length; i++) {
      const d = Math.hypot((i % width) - x * width, Math.floor(i / width) - y * height);
      luma[i] = 60 + Math.floor(8 * random()) + (lit && d < 7 ? 150 : 0);
    }
    chunks.push(Buffer.from("FRAME\n"), luma, Buffer.alloc((width * height) / 2, 128));
  }
  writeFileSync(file, Buffer.concat(chunks));
}
