import { MOST_BYTES } from "../../../core/model";
import { importSchema } from "../../../contract/machines";
import { prepareDictionary } from "../../../server/isolation";
import { readMachineText } from "../../../server/machine-reader/reader";
import { keepMachineFile } from "../../../server/machines";
import { answer, jsonBody } from "../answer";

/** Takes a machine file as text (YAML or JSON). */
export function POST(request: Request) {
  return answer(request, async () => {
    const { name, text } = importSchema.parse(await jsonBody(request, 2 * MOST_BYTES));
    const file = await readMachineText(text, name);
    const hash = await keepMachineFile(file, "imported", new Date());
    prepareDictionary(hash);
    return { id: file.id, hash };
  });
}
