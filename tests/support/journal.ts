import { type EventBody, type Job, jobOn } from "../../src/core/journal";
import type { JobKind } from "../../src/core/journal";
import type { Machine } from "../../src/core/model";

type Opened = Extract<EventBody, { type: "opened" }>;

/** A job begun on a machine, for a complaint or without one, and what was written after it, an entry a minute. */
export function jobWith(
  machine: Machine,
  opened: { readonly complaint?: string; readonly kind?: JobKind; readonly purpose?: string },
  ...bodies: readonly EventBody[]
): Job {
  const first: Opened = {
    type: "opened",
    kind: "repair",
    machine: machine.file.id,
    machineHash: "0".repeat(64),
    site: "Larch Pass Hut",
    serial: "1",
    ...opened,
  };
  return jobOn(
    machine,
    [first, ...bodies].map((body, i) => ({
      id: `00000000-0000-4000-8000-${String(i).padStart(12, "0")}`,
      job: "00000000-0000-4000-8000-0000000000ff",
      seq: i + 1,
      at: new Date(Date.UTC(2026, 0, 5, 8, i)).toISOString(),
      actor: "Ida",
      v: 1,
      body,
    })),
  );
}
