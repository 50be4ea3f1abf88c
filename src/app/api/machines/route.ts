import { z } from "zod";
import { MachineYamlError, MOST_BYTES, readMachineYaml } from "../../../core/formats/machine-yaml";
import { keepMachineFile, RefusedMachine } from "../../../server/machines";
import { answer, jsonBody } from "../answer";

const importSchema = z.strictObject({ name: z.string().min(1).max(200), text: z.string().min(1).max(MOST_BYTES) });

/** Takes a machine file as text (YAML or JSON). */
export function POST(request: Request) {
  return answer(async () => {
    const { name, text } = importSchema.parse(await jsonBody(request, 2 * MOST_BYTES));
    try {
      const { file } = readMachineYaml(text, name);
      return { id: file.id, hash: await keepMachineFile(file, new Date()) };
    } catch (error) {
      if (error instanceof MachineYamlError) throw new RefusedMachine(error.problems);
      throw error;
    }
  });
}
