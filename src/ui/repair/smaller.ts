/** Longest side kept of a photo, pixels: enough to read a part number. */
const LONGEST = 1600;

/**
 * A photo made small enough to send from a cellar; one that the browser cannot open is sent as it is, and refused or
 * kept by the server. `longest`: its longer side then, pixels.
 */
export async function smaller(file: File, longest = LONGEST): Promise<Blob> {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) return file;
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  canvas.getContext("2d")!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve) => canvas.toBlob((blob) => resolve(blob ?? file), "image/jpeg", 0.85));
}
