import { imageSize } from "image-size";
import { type Job, jobOn, seenAssembly } from "../core/journal";
import {
  factKey,
  heldAgainst,
  type HeldLesson,
  type Lesson,
  type Machine,
  type MachineFile,
  seenByTests,
  variantOf,
  withDrawing,
  withLessons,
  withSeen,
} from "../core/model";
import type { z } from "zod";
import type { JobLessons, LessonRow, takeLessonsSchema } from "../contract/jobs";
import { readJob } from "./jobs";
import { newestMachine } from "./machine-store";
import { keepMachineFile } from "./machines";
import { readPhoto } from "./photos";
import { Refusal } from "./refusal";
import { say } from "#words/server";

/** A picture in a file is at most so many bytes: it goes in as text. */
const MOST_PICTURE_BYTES = 290_000;

/** Something learned, with who saw it, when, in words. */
interface Told extends Lesson {
  readonly words: string;
  readonly by: string;
  readonly at: string;
}

/** Width over height of a picture; null for one that only begins like a picture. */
function ratioOf(bytes: Uint8Array): number | null {
  try {
    const { width, height } = imageSize(bytes);
    return width > 0 && height > 0 ? Math.min(5, Math.max(0.2, width / height)) : null;
  } catch {
    return null;
  }
}

/** What a job learned of its machine: what was found on the unit, what was before one's eyes, pictures of assemblies. */
async function toldBy(job: Job, file: MachineFile, machine: Machine): Promise<readonly Told[]> {
  const changes = job.changes.map((c): Told => ({
    id: c.id,
    words: c.body.words,
    by: c.actor,
    at: c.at,
    grow: (f) => variantOf(f, [c.body.change]).file,
  }));
  const pictures = await Promise.all(
    job.work.photos.map(async ({ actor, at, body }): Promise<readonly Told[]> => {
      const assembly = file.pieces.find((p) => p.id === seenAssembly(body.stage));
      if (!assembly) return [];
      const { bytes, type } = await readPhoto(body.hash);
      const ratio = ratioOf(bytes);
      if (bytes.length > MOST_PICTURE_BYTES || ratio === null) return [];
      const image = `data:${type};base64,${Buffer.from(bytes).toString("base64")}`;
      const marks = body.marks.flatMap((m) =>
        m.kind === "pin" ? [{ words: m.words, at: m.at }] : [{ words: m.words, at: m.to }],
      );
      const grow = (f: MachineFile) => withDrawing(f, assembly.id, { image, ratio, marks });
      return [{ id: `photo-${body.hash}`, words: say.pictureOf(assembly.name, marks.length), by: actor, at, grow }];
    }),
  );
  const tests = job.readings.filter((r) => !r.struck);
  const seen = seenByTests(
    machine,
    tests.map((r) => r.body.test),
  );
  const last = tests.at(-1);
  return [
    ...changes,
    ...pictures.flat(),
    ...(seen.length > 0 && last
      ? [
          {
            id: "seen",
            words: say.seenOnTheJob(seen.map((s) => s.name)),
            by: last.actor,
            at: last.at,
            grow: (f: MachineFile) =>
              withSeen(
                f,
                seen.map((s) => s.id),
              ),
          },
        ]
      : []),
  ];
}

/** The lessons of a job, each held against the file in use now. Throws a `Refusal` for a job that there is not. */
async function heldLessons(id: string) {
  const { events, file, machine } = await readJob(id);
  const job = jobOn(machine, events);
  const { hash, machine: newest } = await newestMachine(file.id);
  const told = await toldBy(job, file, machine);
  return { told, held: heldAgainst(file, newest.file, told), own: newest.file, hash };
}

const rowOf = ({ id, words, by, at }: Told, { facts, conflicts }: HeldLesson): LessonRow => ({
  id,
  words,
  by,
  at,
  isKnown: facts.length === 0,
  conflicts: conflicts.map((f) => ({ key: factKey(f.path), was: f.base, now: f.ours, found: f.theirs })),
});

export async function jobLessons(id: string): Promise<JobLessons> {
  const { told, held, own, hash } = await heldLessons(id);
  return {
    job: id,
    machine: { id: own.id, name: `${own.maker} ${own.model}`, revision: own.revision, hash },
    lessons: told.map((t, i) => rowOf(t, held[i]!)),
  };
}

/** Puts lessons of a job into its machine's file, as a new version that says who learned them. Throws a `Refusal`. */
export async function takeLessons(
  id: string,
  { own: looked, take, actor }: z.output<typeof takeLessonsSchema>,
  now: Date,
): Promise<{ readonly id: string; readonly hash: string }> {
  const { told, held, own, hash } = await heldLessons(id);
  if (hash !== looked) throw new Refusal(409, say.theFileOrTheOffer);
  const chosen = held.filter((h) => take.includes(h.id) && h.facts.length > 0);
  if (chosen.length === 0) throw new Refusal(409, say.nothingWasFoundOnThis);
  const learned = told
    .filter((t) => chosen.some((h) => h.id === t.id))
    .map(({ words, by, at }) => ({ words: words.slice(0, 2000), by, at }));
  const revision = `${Number.parseInt(own.revision, 10) + 1 || `${own.revision}+`}`.slice(0, 20);
  try {
    const file = { ...withLessons(own, chosen), revision };
    return {
      id: own.id,
      hash: await keepMachineFile(file, "found", now, { actor, own: hash, told: { job: id, learned } }),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new Refusal(409, say.theFileHasChangedSince(error.message));
    throw error;
  }
}
