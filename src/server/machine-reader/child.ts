import { MachineYamlError, readMachineYaml } from "../../core/model";

/**
 * Reads machine files in a process of its own: what a hostile file does to a parser (endless work, a stack or a heap
 * run over) ends this process and nothing else. One text in, one answer out, by the channel to the parent.
 */
process.on("message", ({ id, text, name }: { id: number; text: string; name: string }) => {
  try {
    process.send!({ id, file: readMachineYaml(text, name).file });
  } catch (error) {
    if (error instanceof MachineYamlError) process.send!({ id, problems: error.problems });
    else process.send!({ id, fault: error instanceof Error ? error.message : String(error) });
  }
});
// A reader without an application has nothing to read for.
process.on("disconnect", () => process.exit(0));
process.send!({ ready: true });
