import { z } from "zod";
import type { Fault, Machine } from "../core/model";
import { makeTest, nominalValues, NoOperatingPoint, observe, Simulator } from "../core/simulate";
import { ORDINARY_METER } from "../core/instrument";
import { DeviceRefusal, Meters } from "../devices/meters";
import { readJob } from "./jobs";
import { changesIn } from "../core/journal";
import { machineOf, newestMachine } from "./machine-store";
import { Refusal } from "./refusal";
import type { readSchema, standInSchema } from "../contract/meters";
import { env } from "../env";
import { say } from "#words/server";

// Routes are bundled apart, but the sockets belong to the process.
const shelf = globalThis as { unzoMeters?: Promise<Meters> };

/** The devices of this process; opened when they are first asked for. */
export function meters(): Promise<Meters> {
  shelf.unzoMeters ??= Meters.open(
    {
      meters: env().UNZO_METERS,
      supplies: env().UNZO_SUPPLIES,
      standIns: env().UNZO_STAND_INS !== "0",
    },
    Math.random,
    () => Date.now(),
  );
  return shelf.unzoMeters;
}

/** One reading of a meter, or the current of a supply. */
export async function readDevice(
  id: string,
  asked: z.output<typeof readSchema>,
): Promise<{ readonly shown: { readonly kind: string; readonly value?: number } }> {
  try {
    const all = await meters();
    if (!asked.function) return { shown: { kind: "value", value: await all.current(id) } };
    return { shown: await all.read(id, asked.function, asked) };
  } catch (error) {
    if (error instanceof DeviceRefusal) throw new Refusal(statusOf(error), error.message);
    throw error;
  }
}

/** What lies on the stand-in's bench, so that it is not simulated anew at every touch of the leads. */
let placed = "";

/** Puts a machine or the unit of a job on the stand-in's bench and lays the leads. */
export async function wireStandIn(asked: z.output<typeof standInSchema>): Promise<{ readonly card: boolean }> {
  const all = await meters();
  if (asked.leads === null) {
    all.lay(null);
    return { card: false };
  }
  const { machine, complaint, key } = await unitOf(asked);
  const next = `${key} ${asked.fault}`;
  if (placed !== next) {
    all.place(machine, faultOf(machine, asked.fault, complaint, key));
    placed = next;
  }
  try {
    all.lay(asked.leads);
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(400, error.message);
    throw error;
  }
  return { card: true };
}

async function unitOf(
  asked: z.output<typeof standInSchema>,
): Promise<{ machine: Machine; complaint: string | null; key: string }> {
  if (asked.job) {
    const { events, hash } = await readJob(asked.job);
    const changes = changesIn(events);
    const first = events[0]!.body;
    return {
      machine: (await machineOf(hash, changes)).machine,
      complaint: first.type === "opened" ? (first.complaint ?? null) : null,
      key: `${asked.job} ${changes.length}`,
    };
  }
  if (!asked.machine) throw new Refusal(400, say.nameAJobOrA);
  const { machine, hash } = await newestMachine(asked.machine);
  return { machine, complaint: null, key: hash };
}

/** The fault of the stand-in: none, a named one, or one that goes with the complaint and stays the same for the job. */
function faultOf(machine: Machine, wanted: string, complaint: string | null, key: string): Fault[] {
  const all = machine.parts.flatMap((p) => p.modes.map((m): Fault => ({ part: p.id, mode: m.id })));
  if (wanted === "sound") return [];
  if (wanted !== "hidden") {
    const named = all.find((f) => `${f.part}:${f.mode}` === wanted);
    if (!named) throw new Refusal(400, say.thisMachineHasNoFault(wanted));
    return [named];
  }
  const from = [...key].reduce((h, c) => (h * 31 + c.charCodeAt(0)) >>> 0, 7) % all.length;
  const entry = machine.file.complaints.find((c) => c.id === complaint);
  const simulator = new Simulator(machine);
  for (let i = 0; i < all.length; i++) {
    const fault = all[(from + i) % all.length]!;
    if (!entry || agrees(simulator, machine, entry, fault)) return [fault];
  }
  return [];
}

function agrees(
  simulator: Simulator,
  machine: Machine,
  complaint: Machine["file"]["complaints"][number],
  fault: Fault,
): boolean {
  try {
    const state = simulator.energise(machine.setupById.get(complaint.setup)!, [fault], nominalValues(machine));
    return Object.entries(complaint.sees).every(([part, label]) => {
      const shown = observe(simulator, state, makeTest(complaint.setup, "look", part), ORDINARY_METER);
      return shown.kind === "label" && shown.label === label;
    });
  } catch (error) {
    if (error instanceof NoOperatingPoint) return false;
    throw error;
  }
}

/** The status an error of a meter is answered with. */
function statusOf(error: DeviceRefusal): 404 | 502 | 409 {
  if (error.reason === "unknown") return 404;
  if (error.reason === "lost") return 502;
  return 409;
}
