import { readFileSync } from "node:fs";
import { advise, type Evidence, FaultDictionary } from "../../src/core/diagnose";
import { ORDINARY_METER } from "../../src/core/instrument";
import { readMachineYaml } from "../../src/core/model";
import { nominalValues, observe, Simulator } from "../../src/core/simulate";

/** What the example shows after each entry: what was asked and read, and the suspects with their chances. */
export interface ExampleStep {
  readonly asked: string;
  readonly shown: string;
  readonly suspects: readonly { readonly name: string; readonly percent: number }[];
}

const MACHINE = new URL("../../machines/kaldruun-uc-80.yaml", import.meta.url);
const MOST = 3;

/** An under-counter refrigerator, warm inside, its compressor silent: the wire to the compressor is broken. */
export function workedExample(): readonly ExampleStep[] {
  const { machine, file } = readMachineYaml(readFileSync(MACHINE, "utf8"), "example");
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  dictionary.build();
  const complaint = file.complaints.find((c) => c.id === "warm")!;
  const evidence: Evidence[] = [{ type: "complaint", id: "c", complaint: complaint.id }];
  const simulator = new Simulator(machine);
  const steps: ExampleStep[] = [];
  let [setup, asked, shown] = [complaint.setup, "The complaint", complaint.words];
  for (let i = 0; i <= MOST; i++) {
    const advice = advise(dictionary, evidence, { setup, openPanels: new Set() });
    steps.push({
      asked,
      shown,
      suspects: advice.suspects
        .slice(0, 4)
        .map((s) => ({ name: s.name, percent: Math.round(1000 * s.probability) / 10 })),
    });
    if (!advice.next) break;
    const { test, title } = advice.next;
    setup = test.setup;
    const unit = simulator.energise(
      machine.setupById.get(setup)!,
      [{ part: "W1", mode: "open" }],
      nominalValues(machine),
    );
    const reading = observe(simulator, unit, test, ORDINARY_METER);
    [asked, shown] = [title, reading.kind === "value" ? `${reading.value.toPrecision(3)} Ω` : "OL"];
    evidence.push({ type: "reading", id: `r${i}`, test, shown: reading });
  }
  return steps;
}

/** The example as bars, a column an entry. */
export function exampleDrawing(steps: readonly ExampleStep[]): string {
  const [wide, high, row] = [300, 190, 36];
  const columns = steps.map((step, i) => {
    const bars = step.suspects.map(({ name, percent }, k) => {
      const y = 46 + k * row;
      return (
        `<text x="${i * wide + 12}" y="${y}">${name}</text><text class="n" x="${i * wide + wide - 24}" y="${y}">${percent} %</text>` +
        `<rect x="${i * wide + 12}" y="${y + 5}" width="${(percent / 100) * (wide - 36)}" height="9"/>`
      );
    });
    return `<text class="h" x="${i * wide + 12}" y="20">${i === 0 ? step.asked : step.shown}</text>${bars.join("")}`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${steps.length * wide} ${high}" role="img" aria-label="Suspects after each reading">`,
    "<style>text{font:15px sans-serif;fill:#14242b}.h{font-weight:700}.n{text-anchor:end}rect{fill:#8f420b}</style>",
    `<rect x="0" y="0" width="${steps.length * wide}" height="${high}" style="fill:#fff"/>`,
    ...columns,
    "</svg>\n",
  ].join("\n");
}
