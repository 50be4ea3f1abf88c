import { ORDINARY_METER } from "../core/instrument";
import { FaultDictionary } from "../core/diagnose";
import { type EventBody, jobOn } from "../core/journal";
import { playRepair, playSearch } from "./demo-play";
import { DEMO_UNITS, idOf } from "./demo-units";
import { inTransaction } from "./db";
import { appendEvent } from "./journal";
import { eventsOf } from "./journals";
import { openJob } from "./jobs";
import { newestMachine } from "./machine-store";
import { registerUnit } from "./units";

const MACHINE = "quellmoor-sb-210";

/**
 * Units and three jobs: one untouched, one half-way, one repaired, proven and closed. Readings come from the
 * simulated unit.
 */
export async function seedDemo(now: Date): Promise<void> {
  const minutesAgo = (m: number) => new Date(now.getTime() - m * 60_000);
  for (const { key, site, serial, machine } of DEMO_UNITS)
    await inTransaction((tx) =>
      registerUnit(
        tx,
        { id: idOf(key), site, serial, machine, productCode: null, productIndex: null },
        "Ida",
        minutesAgo(60 * 24),
      ),
    );
  await openJob(
    { id: idOf("job untouched"), unit: idOf("larch"), complaint: "panel-dark", actor: "Ida" },
    minutesAgo(20),
  );

  const halfway = await openJob(
    { id: idOf("job half-way"), unit: idOf("saddle"), complaint: "panel-dark", actor: "Ida" },
    minutesAgo(95),
  );
  const closed = await openJob(
    { id: idOf("job closed"), unit: idOf("school"), complaint: "all-dead", actor: "Jon" },
    minutesAgo(60 * 22),
  );
  if ((await eventsOf(closed.id)).length > 1) return;
  const { machine } = await newestMachine(MACHINE);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  const played = (job: string, actor: string, start: Date) => {
    let clock = start.getTime();
    let count = 0;
    return {
      log: (body: EventBody) =>
        appendEvent(job, { id: idOf(`${job} event ${count++}`), v: 1, actor, body }, new Date((clock += 150_000))),
      now: async () => jobOn(machine, await eventsOf(job)),
    };
  };
  await playSearch(dictionary, { part: "W4", mode: "open" }, played(halfway.id, "Ida", minutesAgo(90)), 3);
  const dead = { part: "PS1", mode: "dead" };
  const school = played(closed.id, "Jon", minutesAgo(60 * 22 - 5));
  await playSearch(dictionary, dead, school, 40);
  const despite = "Without its supply the sensor says nothing.";
  await playRepair(dictionary, dead, school, { called: { despite } });
}
