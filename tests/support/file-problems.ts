import { MachineYamlError, type PlacedProblem, readMachineYaml } from "../../src/core/model/file/machine-yaml";

/** What is wrong with a machine file, as its reader says; nothing for a good one. */
export function problemsOf(text: string): readonly PlacedProblem[] {
  try {
    readMachineYaml(text, "test.yaml");
  } catch (error) {
    if (error instanceof MachineYamlError) return error.problems;
    throw error;
  }
  return [];
}

/** The line, counted from 1, in which a text first stands. */
export const lineOf = (text: string, needle: string) => text.slice(0, text.indexOf(needle)).split("\n").length;
