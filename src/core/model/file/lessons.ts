import { compileMachine } from "../compile/compile";
import { MachineFileError } from "../compile/problem";
import type { MachineFile } from "../schema";
import { checkedFile } from "./checked-file";
import { compareFiles, type Fact, factAt, takeFacts } from "./three-way";
import { withoutUsual } from "./machine-yaml";

/** Something learned of a machine on one of its units, and the file with it in. */
export interface Lesson {
  readonly id: string;
  /** Throws a RangeError with a sentence where it does not go with the file. */
  grow(file: MachineFile): MachineFile;
}

/** A lesson held against the file as it is now. */
export interface HeldLesson {
  readonly id: string;
  /** What it changes. */
  readonly facts: readonly Fact[];
  /** What it changes that somebody has changed otherwise since; `ours` is how it is now. */
  readonly conflicts: readonly Fact[];
}

const same = (a: unknown, b: unknown) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/**
 * What each lesson changes, one after another from the file that it was learned with; and where that file has gone another
 * way since. `base`: the file that the job was made with; `own`: the one in use now.
 */
export function heldAgainst(base: MachineFile, own: MachineFile, lessons: readonly Lesson[]): readonly HeldLesson[] {
  const now = withoutUsual(own);
  const first = withoutUsual(base);
  let before = base;
  return lessons.map(({ id, grow }) => {
    const after = grow(before);
    const plain = withoutUsual(before);
    const facts = compareFiles(plain, plain, withoutUsual(after)).map((f) => ({ ...f, ours: factAt(now, f.path) }));
    before = after;
    const conflicts = facts.filter(
      (f) => !same(f.ours, f.theirs) && !same(f.ours, f.base) && !same(f.ours, factAt(first, f.path)),
    );
    return { id, facts: facts.filter((f) => !same(f.ours, f.theirs)), conflicts };
  });
}

/**
 * The file with some of these lessons in it. Throws a RangeError with a sentence where one does not go without another, or
 * with what the file has become.
 */
export function withLessons(own: MachineFile, taken: readonly HeldLesson[]): MachineFile {
  const file = checkedFile(taken.reduce<unknown>((file, { facts }) => takeFacts(file, facts), withoutUsual(own)));
  try {
    return compileMachine(file).file;
  } catch (error) {
    if (error instanceof MachineFileError) throw new RangeError(`${error.problems[0]!.sentence}.`);
    throw error;
  }
}
