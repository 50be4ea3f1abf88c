/** One thing wrong in a machine file: where, and a sentence. */
export interface FileProblem {
  readonly path: readonly (string | number)[];
  readonly sentence: string;
}

/** Thrown by `compileMachine` when a file is well formed but contradicts itself. */
export class MachineFileError extends Error {
  constructor(readonly problems: readonly FileProblem[]) {
    super(problems.map((p) => `${p.path.join(".")}: ${p.sentence}`).join("\n"));
    this.name = "MachineFileError";
  }
}

/** Takes down one thing that is wrong, and where. */
export type Report = (path: (string | number)[], sentence: string) => void;
