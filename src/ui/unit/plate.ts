import { say } from "#words/ui/unit";

/** A serial number as it is shown. */
export function serialWords(serial: string | null): string {
  return serial ?? say.noSerialNumber;
}
