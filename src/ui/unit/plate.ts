/** A serial number as it is shown. */
export function serialWords(serial: string | null): string {
  return serial ?? "no serial number";
}
