import { z } from "zod";
import { machineFileSchema } from "../schema";

/**
 * JSON Schema 2020-12 of a machine file as it is written (numbers may be numbers or text), made from the Zod schema.
 */
export function machineJsonSchema(): object {
  return {
    ...z.toJSONSchema(machineFileSchema, {
      io: "input",
      target: "draft-2020-12",
      unrepresentable: "any",
      reused: "ref",
    }),
    title: "Machine file, format 1",
  };
}
