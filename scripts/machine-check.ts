// Tries machine files by hand: what can be told apart, and where the search ends for every single fault.
// npm run machines:check [-- name]
import { readdirSync, readFileSync } from "node:fs";
import { ORDINARY_METER } from "../src/core/instrument";
import { readMachineYaml } from "../src/core/model";
import { FaultDictionary, faultGroups, fileDoubts, unmeetableProofs } from "../src/core/diagnose";
import { accessTo } from "../src/core/repair";
import { testKey } from "../src/core/simulate";
import { search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

const folder = new URL("../machines/", import.meta.url);
const wanted = process.argv.slice(2);
for (const name of readdirSync(folder).filter(
  (n) => n.endsWith(".yaml") && (wanted.length === 0 || wanted.some((w) => n.includes(w))),
)) {
  const { machine } = readMachineYaml(readFileSync(new URL(name, folder), "utf8"), name);
  const dictionary = FaultDictionary.of(machine, ORDINARY_METER);
  let start = performance.now();
  dictionary.build();
  const built = performance.now() - start;
  const faults = dictionary.hypotheses.filter((h) => h.kind === "fault");
  const groups = faultGroups(dictionary).filter((g) => g.length > 1);
  const together = new Set(groups.flat());
  const alone = faults.filter((h) => !together.has(h.id)).length;
  console.log(
    `${name}: ${machine.nets.length} nets, ${faults.length} faults, ${machine.file.setups.length} setups, ${dictionary.candidates.length} tests, ${built.toFixed(0)} ms; ${((100 * alone) / faults.length).toFixed(0)} % stand alone`,
  );
  for (const g of groups) console.log(`   together: ${g.join(", ")}`);
  for (const doubt of fileDoubts(machine)) console.log(`   ${doubt}`);
  for (const { id } of machine.file.pieces) for (const words of accessTo(machine, id).lacks) console.log(`   ${words}`);
  for (const u of unmeetableProofs(dictionary))
    console.log(`   ${u.fault} (${u.assembly}) cannot be proven: ${u.words}`);
  start = performance.now();
  const random = randomSource(7);
  let readings = 0;
  for (const h of faults) {
    const unit = new UnitOnTheBench(machine, [h.fault], randomValues(machine, random), random);
    const run = search(dictionary, unit, "advice");
    readings += run.readings;
    const group = groups.find((g) => g.includes(h.id)) ?? [h.id];
    const allowed = new Set(group.map((id) => dictionary.hypotheses.find((x) => x.id === id)!.assembly));
    if (!run.assemblies.includes(h.assembly) || run.assemblies.some((p) => !allowed.has(p)))
      console.log(
        `   WRONG ${h.id} (${h.assembly}) ended at ${run.assemblies.join(", ")} after ${run.tests.map((t, i) => `${testKey(t)}=${JSON.stringify(unit.read(run.tests[i]!)).slice(8, 60)}`).join(" ; ")}`,
      );
  }
  console.log(
    `   ${(readings / faults.length).toFixed(1)} readings on average, ${(performance.now() - start).toFixed(0)} ms`,
  );
}
