// Writes machines/machine-file.schema.json from the Zod schema: npm run machines:schema
import { writeFileSync } from "node:fs";
import { machineJsonSchema } from "../src/core/model";

writeFileSync(
  new URL("../machines/machine-file.schema.json", import.meta.url),
  `${JSON.stringify(machineJsonSchema(), null, 1)}\n`,
);
