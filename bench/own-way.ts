import { readFileSync, writeFileSync } from "node:fs";
import { costOf, type Evidence, unitStateAfter, type FaultDictionary, type UnitState } from "../src/core/diagnose";
import { makeTest, type Test } from "../src/core/simulate";
import type { MeterFunction } from "../src/core/instrument";
import { isolationOf } from "../tests/support/fleet";
import { complaintOf, search } from "../tests/support/isolate-unit";
import { randomSource, randomValues, UnitOnTheBench } from "../tests/support/unit-on-the-bench";

/** Units drawn of each truth. */
const DRAWS = Number(process.env.DRAWS ?? 20);

/** Units drawn at most until one fits the complaint of its row. */
const MOST_DRAWN = 500;

/** A complaint, what is broken, and the readings that a practitioner takes to its end, proofs among them. */
interface Row {
  readonly complaint: string;
  readonly machine: string;
  /** The complaint of its file; left out: whichever a unit drawn fits first. Units that do not fit it are drawn again. */
  readonly as?: string;
  /** The complaint where it is one that no unit can be seen to have. */
  readonly said?: string;
  /** By fault, the tests in their order: setup, function, red, black. Common practice, no source. */
  readonly truths: Readonly<Record<string, readonly string[]>>;
}

const PANEL = ["cold-call dcv J2-1.pad J2-3.pad", "cold-call dcv P1-1.pad P1-3.pad"];
const FLAT = ["asleep dcv bat-P bat-M", "running dcv bat-P bat-M", "asleep dcclamp clamp-feed"];
const ABSORPTION = [
  "on-battery dcv FD-in J2-2",
  "on-mains acv FA-in J1-2",
  "on-battery dcv FD-out J2-2",
  "on-mains dcv J3-1 J3-4",
];
const ROWS: readonly Row[] = [
  {
    complaint: "door panel dark",
    machine: "quellmoor-sb-210",
    truths: {
      "H1-1:open": PANEL,
      "panel:dead": PANEL,
      "PS1:dead": [
        "cold-call dcv J2-1.pad J2-3.pad",
        "cold-call acv J1-1.pad J1-2.pad",
        "panel-off-powered dcv J2-1.pad J2-3.pad",
        "cold-call look panel",
      ],
    },
  },
  {
    complaint: "dishwasher panel dead",
    machine: "velmoor-dw-45",
    truths: { "panel:dead": ["idle look lamp", "idle dcv C-1 C-3"] },
  },
  {
    complaint: "washer dead",
    machine: "dornlau-fl-7",
    truths: { "Z1:line-open": ["dead ohms plug-line X1-1", "dead ohms plug-neutral X1-2"] },
  },
  {
    complaint: "gas yes, mains no",
    machine: "murgast-abs-60",
    truths: {
      "FA:blown": ["on-mains acv FA-in J1-2", "on-mains acv FA-out J1-2"],
      "KA:contact-open": ["on-mains acv FA-in J1-2", "on-mains acv FA-out J1-2", "on-mains acv J1-3.pad J1-2.pad"],
      "HA:open": [
        "on-mains acv FA-in J1-2",
        "on-mains acv FA-out J1-2",
        "on-mains acv J1-3.pad J1-2.pad",
        "dead-off ohms J1-3 J1-2",
      ],
    },
  },
  {
    complaint: "absorption refrigerator dead",
    machine: "murgast-abs-60",
    truths: {
      "cut-reset:open": [...ABSORPTION, "dead ohms cut-in cut-out"],
      "display:dead": [...ABSORPTION, "on-mains dcv J4-1 J4-3"],
      "FD:blown": ABSORPTION.slice(0, 3),
      "U1:dead": [...ABSORPTION, "on-mains acv J1-3.pad J1-2.pad", "on-mains dcv J3-2 J3-4"],
    },
  },
  {
    complaint: "vending machine not cold",
    machine: "obwart-dv-8",
    truths: { "KC:contact-open": ["cooling look compressor", "idle look compressor", "cooling acv C-1.pad C-2.pad"] },
  },
  {
    complaint: "battery flat in the morning",
    machine: "hochkar-ip-4",
    said: "flat",
    truths: { "not this unit": FLAT, "alternator:dead": FLAT.slice(0, 2), "KW:welded": FLAT },
  },
  {
    complaint: "winch dead",
    machine: "zirvald-bw-15",
    truths: {
      "DR:dead": ["pulling dcv drive-in P-2.pad", "pulling dcv P-1.pad P-2.pad"],
      "motor:open": ["pulling dcv drive-in P-2.pad", "pulling dcv P-1.pad P-2.pad"],
    },
  },
  {
    complaint: "engine runs on",
    machine: "pfellmar-co-12",
    truths: { "S-1:open": ["utility-on look load", "utility-on acv S-1.pad S-2.pad", "utility-on acv S-1 S-2"] },
  },
  {
    complaint: "ticket machine, three error numbers",
    machine: "perlgrund-tm-3",
    as: "all",
    truths: {
      "H-3:resistive": ["up dcv H-3 H-4", "up dcv H-3 H-2"],
      "H-4:open": ["up dcv H-3 H-4", "up dcv H-3 H-2"],
    },
  },
  {
    complaint: "conveyor folds back",
    machine: "sellrun-lc-24",
    as: "distress",
    truths: {
      "belt:drags": ["dead look motor", "dead look belt"],
      "motor:seized": ["dead look motor", "dead look belt", "dead ohms M-1 M-2"],
    },
  },
  {
    complaint: "trips the RCD, one load leaks",
    machine: "firnau-bf-330",
    as: "trips-defrost",
    truths: {
      "heater:to-case": [
        "unplugged ohms plug-line plug-earth",
        "unplugged ohms J3-2 chassis",
        "compressor-off ohms J3-2 chassis",
      ],
    },
  },
  {
    complaint: "compressor hums",
    machine: "firnau-bf-330",
    truths: {
      "compressor:locked": ["calling acv J3-1 J3-2", "calling look compressor", "unplugged ohms J3-1 J3-2"],
    },
  },
  {
    complaint: "compressor clicks",
    machine: "lawinor-im-90",
    as: "hums",
    truths: {
      "PTS:open": ["freezing clamp clamp-comp", "dead ohms P2-3 comp-S", "dead ohms P2-3 P2-5"],
      "compressor:start-open": ["freezing clamp clamp-comp", "dead ohms P2-3 comp-S", "dead ohms comp-S P2-5"],
    },
  },
  {
    complaint: "dryer cold",
    machine: "brenzik-cd-30",
    truths: { "limit:open": ["dead ohms R-2 burner", "coin acv R-2.pad R-3.pad"] },
  },
];

export interface OwnWay {
  readonly complaint: string;
  readonly machine: string;
  readonly fault: string;
  readonly right: number;
  readonly mean: number;
  readonly most: number;
  readonly theirs: number;
  readonly minutes: number;
  readonly theirMinutes: number;
}

/** Every row: the mean over the draws beside the practitioner's own way, both priced by the same costs. */
export function benchOwnWay(): readonly OwnWay[] {
  const built = new Map<string, FaultDictionary>();
  const dictionaryOf = (name: string) => {
    if (!built.has(name)) built.set(name, isolationOf(name));
    return built.get(name)!;
  };
  return ROWS.flatMap(({ complaint, machine: name, truths, as, said }) =>
    Object.entries(truths).map(([fault, steps]): OwnWay => {
      const dictionary = dictionaryOf(name);
      const { machine } = dictionary;
      const [part, mode] = fault.split(":") as [string, string?];
      const faults = mode === undefined ? [] : [{ part, mode }];
      const random = randomSource(71);
      const runs = Array.from({ length: DRAWS }, () => {
        for (let drawn = 0; drawn < MOST_DRAWN; drawn++) {
          const unit = new UnitOnTheBench(machine, faults, randomValues(machine, random), random);
          const from = said ?? complaintOf(unit);
          const known: Evidence[] = [{ type: "complaint", id: "complaint", complaint: from }];
          if (as === undefined || from === as) return { run: search(dictionary, unit, "advice", { known }), from };
        }
        throw new RangeError(`No unit drawn with ${fault} fits the complaint ${as}.`);
      });
      const truth = mode === undefined ? "no-fault" : machine.partById.get(part)!.assembly;
      const readings = runs.map(({ run }) => run.readings);
      const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
      return {
        complaint,
        machine: name,
        fault,
        right: runs.filter(({ run }) => run.assemblies.length === 1 && run.assemblies[0] === truth).length,
        mean: sum(readings) / DRAWS,
        most: Math.max(...readings),
        theirs: steps.length,
        minutes: sum(runs.map(({ run }) => run.minutes)) / DRAWS,
        theirMinutes: minutesOf(dictionary, runs[0]!.from, steps.map(testOf)),
      };
    }),
  );
}

function testOf(step: string): Test {
  const [setup, fn, red, black] = step.split(" ") as [string, MeterFunction, string, string | undefined];
  return makeTest(setup, fn, red, black);
}

/** What a list of tests takes from the complaint on, minutes. */
function minutesOf({ machine }: FaultDictionary, complaint: string, tests: readonly Test[]): number {
  let state: UnitState = {
    setup: machine.file.complaints.find((c) => c.id === complaint)!.setup,
    openPanels: new Set(),
  };
  return tests.reduce((sum, test) => {
    const { minutes } = costOf(machine, state, test);
    state = unitStateAfter(machine, state, test);
    return sum + minutes;
  }, 0);
}

/** Writes docs/performance-own-way.md. */
export function writeOwnWay(
  run: { readonly machine: string; readonly node: string; readonly commit: string; readonly at: string },
  rows: readonly OwnWay[],
): void {
  const within = rows.filter((r) => r.mean <= r.theirs + 1).length;
  const bounded = rows.filter((r) => r.most <= r.theirs + 2).length;
  const table = rows.map(
    (r) =>
      `| ${r.complaint} | ${r.fault} | ${r.theirs} | ${r.mean.toFixed(1)} | ${r.most} | ${r.right} of ${DRAWS} | ${r.theirMinutes.toFixed(0)} | ${r.minutes.toFixed(0)} |`,
  );
  const outside = JSON.parse(
    readFileSync(new URL("../tests/outside/dialogues.json", import.meta.url), "utf8"),
  ) as readonly unknown[];
  writeFileSync(
    new URL("../docs/performance-own-way.md", import.meta.url),
    `# Beside the practitioner's own way

One run of \`npm run bench -- own-way\`: commit ${run.commit}, ${run.at.slice(0, 10)}. All readings to the end are counted, proofs and repeats too; ${DRAWS} units of each truth, part values, mains and room drawn; for the RCD only units that trip it, which a mild leak does not. Their readings are common practice, no source; both are
priced by Unzo's own minutes. Not more than theirs plus one on average: ${within} of ${rows.length}. No run over theirs plus two: ${bounded} of ${rows.length}.

| complaint | broken | their readings | ours, mean | ours, most | right assembly | their minutes | our minutes |
| --- | --- | --- | --- | --- | --- | --- | --- |
${table.join("\n")}

Answered by a circuit simulator with device models of its own (only the wiring of the file is shared; what the controllers do is a table, made by running their programs with the same fault): ${outside.length} searches in \`tests/outside\`, run with every \`npm test\`, which prints how many end at the broken assembly and fails if a sound part is blamed.
`,
  );
}
