import { readdirSync, readFileSync } from "node:fs";
import { type Machine, readMachineYaml } from "../../src/core/model";
import { familyFunctions, functionRowOf } from "../../src/core/repair";

type Shown = Machine["file"]["chain"][number];

const folder = new URL("../../machines/", import.meta.url);

const testWords = (machine: Machine, { setup, function: by, red, black }: Shown) =>
  `${machine.setupById.get(setup)!.name}: ${by} ${red} ${black ?? ""}`.trim();

/** docs/functions.md: what each machine must show after a board swap, by which test or by eye. */
export function functionsPage(): string {
  const machines = readdirSync(folder)
    .filter((n) => n.endsWith(".yaml"))
    .map((n) => readMachineYaml(readFileSync(new URL(n, folder), "utf8"), n).machine);
  const rows = machines.flatMap((machine) => {
    const { functions, id } = machine.file;
    const test = (of: string) =>
      functions
        .filter((f) => f.of === of)
        .map((f) => ("eye" in f ? `by eye: ${f.eye}` : testWords(machine, f.shown)))
        .join("; ");
    const usual = familyFunctions(machine);
    const own = functions.filter((f) => !usual.some((u) => u.id === f.of));
    return [
      ...usual.map(
        (f) => `| ${id} | ${f.words} | ${f.minutes} | ${test(f.id) || (f.licensed ? "licensed trade" : "by eye")} |`,
      ),
      ...own.map((f) => `| ${id} | ${f.of} | | ${test(f.of)} |`),
    ];
  });
  const without = machines.filter((m) => functionRowOf(m) === null).map((m) => m.file.id);
  return `# Functions shown after a board swap

Common practice by kind of machine, in order, with minutes; a file may add, and says by which test each is shown. Written by \`npm run docs\`.
${without.length > 0 ? `\nOf no kind: ${without.join(", ")}.\n` : ""}
| machine | function | min | shown by |
| --- | --- | --- | --- |
${rows.join("\n")}
`;
}
