import type { JobKind } from "../../core/journal";

/** Where a job goes on: at its search, at its work where it is no repair, at its record once it is closed. */
export function jobAddress({
  id,
  kind,
  open,
}: {
  readonly id: string;
  readonly kind: JobKind;
  readonly open: boolean;
}) {
  if (!open) return `/jobs/${id}/record`;
  return kind === "repair" ? `/jobs/${id}` : `/jobs/${id}/repair`;
}
