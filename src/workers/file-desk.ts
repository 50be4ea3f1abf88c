import { type MachineFile, MachineYamlError, type PlacedProblem, readMachineYaml } from "../core/model";

/** What reading a text came to: the file, or what is wrong with it. */
export interface ReadText {
  readonly file: MachineFile | null;
  readonly problems: readonly PlacedProblem[];
}

/** Reads machine files as the server would, in a worker: a large one takes longer than a key press. */
export class FileDesk {
  read(text: string, name: string): ReadText {
    try {
      return { file: readMachineYaml(text, name).file, problems: [] };
    } catch (error) {
      if (error instanceof MachineYamlError) return { file: null, problems: error.problems };
      throw error;
    }
  }
}
