import { type MachineFile, machineFileSchema } from "../schema";
import { saidOfIssue, type SchemaIssue } from "./said-of-issue";

/**
 * A file that was put together from another one, read as one from outside is. Throws a RangeError with a sentence for the
 * first thing that does not fit.
 */
export function checkedFile(made: unknown): MachineFile {
  const parsed = machineFileSchema.safeParse(made);
  if (parsed.success) return parsed.data;
  const { path, sentence } = saidOfIssue(parsed.error.issues[0] as SchemaIssue, made, (at) => String(at.at(-1) ?? ""));
  throw new RangeError(`${path.join(".")}: ${sentence}`);
}
