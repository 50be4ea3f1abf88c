import type { EventBody } from "../core/journal";
import { appendEvent } from "./journal";
import { openJob } from "./jobs";
import { idOf } from "./demo-units";
import { beginWait } from "./waits";

const MINUTE = 60_000;
const DAY = 86_400_000;

interface OpenJob {
  readonly unit: string;
  readonly actor: string;
  readonly complaint: string;
  /** Minutes ago. */
  readonly opened: number;
  /** What was written, each so many minutes ago. */
  readonly entries: readonly (readonly [number, EventBody])[];
}

/** A moment of today or another day by the clock of the shop, ISO 8601. */
function clock(now: Date, days: number, hour: number): string {
  const at = new Date(now.getTime() + days * DAY);
  at.setHours(hour, 0, 0, 0);
  return at.toISOString();
}

/** Open jobs of a believable day, beside those of the search: what waits, what is promised, whom one drives to. */
const openJobs = (now: Date): readonly OpenJob[] => [
  {
    unit: "school-dishes",
    complaint: "no-drain",
    actor: "Vera",
    opened: 70,
    entries: [
      [68, { type: "promised", at: clock(now, now.getHours() < 13 ? 0 : 1, 16) }],
      [6, { type: "waiting", wait: "hand dry", words: "Pump plug dries", seconds: 1200, care: "locked" }],
    ],
  },
  {
    unit: "ridge-ice",
    complaint: "steady",
    actor: "Jon",
    opened: 60 * 26,
    entries: [
      [60 * 25, { type: "note", text: "Part ordered. The depot rings when it is there." }],
      [60 * 25, { type: "waiting", wait: "hand part", words: "Part on order", seconds: 3 * 86_400, care: "locked" }],
    ],
  },
  {
    unit: "cairn-freezer",
    complaint: "panel-dark",
    actor: "Ida",
    opened: 60 * 5,
    entries: [[60 * 5 - 2, { type: "visit", at: clock(now, 1, 9), minutes: 90 }]],
  },
  {
    unit: "larch-washer",
    complaint: "no-turn",
    actor: "Vera",
    opened: 35,
    entries: [
      [
        8,
        {
          type: "decided",
          piece: "load-plug",
          fault: "X3-1:resistive",
          option: "clean",
          words: "Clean both sides, dry, reseat",
          minutes: 16,
          price: 24,
          temporary: false,
          warranty: "none",
          seals: "none",
        },
      ],
    ],
  },
];

/** Writes the open jobs of the demo's day, once, and a wait that belongs to none. */
export async function seedDay(now: Date): Promise<void> {
  const ago = (minutes: number) => new Date(now.getTime() - minutes * MINUTE);
  for (const { unit, complaint, actor, opened, entries } of openJobs(now)) {
    const job = idOf(`open ${unit}`);
    await openJob({ id: job, unit: idOf(unit), complaint, actor, again: true }, ago(opened));
    for (const [i, [minutes, body]] of entries.entries())
      await appendEvent(job, { id: idOf(`open ${unit} ${i}`), v: 1, actor, body }, ago(minutes));
  }
  const [id, wait] = [idOf("call back"), idOf("call back wait")];
  await beginWait({ id, wait, words: "Call the valley school back", seconds: 5400, care: "leave", actor: "Jon" }, now);
}
