import { afterAll, beforeAll, expect, it } from "vitest";
import { GET as complaints } from "../../src/app/api/machines/[id]/complaints/route";
import { GET as file } from "../../src/app/api/machines/[id]/file/route";
import { commonShelf } from "../../src/core/model/machine-shelf";
import { changesIn } from "../../src/core/journal/slices/changes";
import { readJob } from "../../src/server/jobs";
import { learnTimesOf } from "../../src/server/learned-times";
import { machineOf } from "../../src/server/machine-store";
import { unitRecord } from "../../src/server/units";
import { asked, at, closeShop, log, newJob, newUnit, NOW, prepareShop } from "../support/shop";

const MACHINE = "velmoor-dw-45";
beforeAll(prepareShop);
afterAll(closeShop);

it("whatever is asked of a machine and its jobs, it is compiled once, and once as a unit differs from its file", async () => {
  const unit = await newUnit(MACHINE);
  const { file: drawn } = (await (await file(asked(), at(MACHINE))).json()) as {
    file: {
      complaints: { id: string }[];
      parts: { id: string; kind: string; watts?: number }[];
      setups: { id: string }[];
    };
  };
  const job = await newJob(unit, drawn.complaints[0]!.id);
  const before = commonShelf().compiled;
  const heater = drawn.parts.find((p) => p.kind === "heater")!;
  await log(job, {
    type: "varied",
    change: { change: "other part", part: heater.id, fields: { watts: heater.watts! / 2 } },
    words: "Another heater",
  });
  for (let i = 0; i < 3; i++) {
    await log(job, { type: "standing", setup: drawn.setups[0]!.id });
    const { events, hash } = await readJob(job);
    const own = await machineOf(hash, changesIn(events));
    expect(own.machine.file).not.toBe(own.file);
    await Promise.all([
      unitRecord(unit),
      learnTimesOf(MACHINE, NOW),
      complaints(asked(), at(MACHINE)),
      file(asked(), at(MACHINE)),
    ]);
  }
  // Drawn it was there already; what differs was compiled when it was first asked for.
  expect(commonShelf().compiled - before).toBe(1);
});
