import { z } from "zod";
import { machineFileSchema } from "../schema";
import { NEW_NAMES } from "./format-2";
import { say } from "#words/core/model/file";

/**
 * JSON Schema 2020-12 of a machine file in format 2 as it is written (numbers may be numbers or text), made from the
 * Zod schema.
 */
export function machineJsonSchema(): object {
  const schema = z.toJSONSchema(machineFileSchema.unwrap(), {
    io: "input",
    target: "draft-2020-12",
    unrepresentable: "any",
    reused: "ref",
  });
  const renamed = withNewNames(schema) as { readonly properties: object };
  return {
    ...renamed,
    properties: { ...renamed.properties, format: { enum: ["2", 2] } },
    title: say.machineFileFormat2,
  };
}

/** A schema whose `properties` and `required` bear the names of format 2. */
function withNewNames(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(withNewNames);
  if (schema === null || typeof schema !== "object") return schema;
  return Object.fromEntries(
    Object.entries(schema).map(([key, value]: [string, unknown]) => {
      if (key === "required" && Array.isArray(value)) return [key, value.map((n: string) => NEW_NAMES.get(n) ?? n)];
      if (key !== "properties") return [key, withNewNames(value)];
      const fields = Object.entries(value as object).map(([n, v]) => [NEW_NAMES.get(n) ?? n, withNewNames(v)]);
      return [key, Object.fromEntries(fields)];
    }),
  );
}
