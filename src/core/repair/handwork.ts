import { has, type Fault, type Machine, type Part } from "../model";
import { joinedTo } from "./loads-dead";
import { say } from "#words/core/repair/handwork";

/** One thing done by hand, beyond taking out and putting in. `measured`: with the meter, nothing live. */
export interface HandStep {
  readonly id: string;
  readonly words: string;
  readonly details?: readonly string[];
  readonly cautions?: readonly string[];
  readonly photo?: boolean;
  /** What has to dry, set or cool: started as a timer, as the label says. */
  readonly waits?: boolean;
}

/** Where the hands work: on a board on the bench, on the two halves of a plug, or on a part where it sits. */
export type HandWork = "board on the bench" | "plug" | "in place";

/** How each repair is made by hand: where, and in which steps. A whole part out and in needs none of its own. */
interface Way {
  readonly at: HandWork;
  readonly steps: readonly HandStep[];
  /** What is looked at before it: what made it fail, so that the new one does not follow the old. */
  readonly before?: (machine: Machine, part: Part, mode: string) => readonly HandStep[];
}

const one = (id: string, words: string, more: Omit<HandStep, "id" | "words"> = {}): HandStep => ({
  id,
  words,
  ...more,
});

/** What a relay's contacts carry: the loads it feeds. */
function loadsOf(machine: Machine, relay: Part): string {
  const fed = relay.nodeOf.get("make") ?? relay.nodeOf.get("nc");
  if (fed === undefined) return "";
  const reached = joinedTo(machine, fed, relay.assembly);
  return machine.parts
    .filter((p) => p.kind.electrical.load && [...p.nodeOf.values()].some((n) => reached.has(n)))
    .map((load) => load.name)
    .join(", ");
}

const WHY_CONTACT = (machine: Machine, part: Part, mode: string): readonly HandStep[] =>
  mode.includes("contact") || mode === "welded"
    ? [
        one("why contact", say.whyTheContactFailed, {
          details: [say.itsLoad(loadsOf(machine, part)), say.currentDriverSuppression],
        }),
      ]
    : [one("why coil", say.whyTheCoilFailed)];

const SOLDERED: readonly HandStep[] = [
  one("inspect joints", say.inspectEachJoint, { details: [say.goodJoint], photo: true }),
];

const clean: Way = {
  at: "plug",
  before: () => [one("read first", say.feedAndReturnReadLoaded, { details: [say.cleaningDestroysEvidence] })],
  steps: [
    one("cover", say.whatMustNotBeWettedCovered),
    one("wipe", say.bothHalvesWiped, { details: [say.tensionOfEachSocket] }),
    one("dry", say.dryAsTheLabelSays, { waits: true }),
  ],
};

const capacitors: Way = {
  at: "board on the bench",
  steps: [
    one("discharged", say.underFiveVoltsProven, { cautions: [say.dischargeByResistor] }),
    one("polarity", say.polarityVoltsTemperature, { photo: true }),
    one("esr", say.esrOfTheOldAndTheNew),
    one("height", say.heightAndClearanceOfTheNew),
    ...SOLDERED,
  ],
};

const relay: Way = {
  at: "board on the bench",
  before: WHY_CONTACT,
  steps: [
    one("old joint", say.lookAtTheOldJoint, { photo: true, details: [say.crackedOrCharred] }),
    one("desolder", say.pumpOrBraid),
    one("fit relay", say.orientationHeightClearance, { details: [say.sameCoilSameContact] }),
    ...SOLDERED,
    one("measure relay", say.coilAndContactDead, { details: [say.coilContactExpected] }),
  ],
};

const component: Way = {
  at: "board on the bench",
  steps: [
    one("discharged", say.underFiveVoltsProven, { cautions: [say.dischargeByResistor] }),
    one("what burnt it", say.whatBurntIt, { details: [say.readAroundIt] }),
    one("old joint", say.lookAtTheOldJoint, { photo: true, details: [say.crackedOrCharred] }),
    one("desolder", say.pumpOrBraid),
    one("fit component", say.orientationHeightClearance, { details: [say.sameRatings] }),
    ...SOLDERED,
    one("measure component", say.measuredDeadInPlace),
  ],
};

const solder: Way = {
  at: "board on the bench",
  steps: [
    one("old joint", say.lookAtTheOldJoint, { photo: true, details: [say.crackedOrCharred] }),
    one("stop if charred", say.charredStopHere),
    one("resolder", say.oldSolderOffFluxNew),
    ...SOLDERED,
    one("measure joint", say.acrossTheJointDead),
  ],
};

const cutBack: Way = {
  at: "board on the bench",
  steps: [
    one("old joint", say.lookAtTheOldJoint, { photo: true }),
    one("cut back", say.cutToSoundMaterial, { details: [say.charConducts], cautions: [say.dustOfLaminate] }),
    one("bridge", say.bridgeWithWire),
    ...SOLDERED,
    one("insulation of the cut", say.insulationAcrossTheCut),
  ],
};

const pin: Way = {
  at: "plug",
  steps: [
    one("terminal", say.rightTerminalRightTool),
    one("crimp", say.crimpBothBarrels),
    one("tug", say.tugIt),
    one("insert", say.insertUntilItClicks),
  ],
};

const makeRoom: Way = {
  at: "plug",
  steps: [
    one("low voltage only", say.onlyLowVoltageRibs, { cautions: [say.neverWhereMainsClearances] }),
    one("rib", say.takeTheRibOff),
    one("clearance", say.clearanceCheckedAfter),
    one("seat", say.seatFully),
  ],
};

const harness: Way = {
  at: "plug",
  steps: [one("compare harness", say.newHarnessBesideOld, { photo: true }), one("route", say.routedAsTheOld)],
};

const reseat: Way = { at: "plug", steps: [one("reseat", say.outAndInThreeTimes)] };

/** By option. */
const WAYS: Readonly<Record<string, Way>> = {
  reseat,
  clean,
  "make-room": makeRoom,
  pin,
  harness,
  capacitors,
  component,
  relay,
  solder,
  "cut-back": cutBack,
};

/** How an option is made by hand; null for one that is a whole part out and another in. */
export const handworkOf = (option: string): Way | null => WAYS[option] ?? null;

/** What is found out before a new one goes in where the old one was made to open: fuses and cut-offs never come first. */
export function causeFirst(part: Part | undefined, fault: Fault | null): readonly HandStep[] {
  if (!part || !fault || !part.modes.find((m) => m.id === fault.mode)?.protective) return [];
  if (has(part, "interlock"))
    return [
      one("why tripped", say.whyTheCutOffOpened, {
        details: [say.levelVentsStainHeater],
        cautions: [say.neverBridged],
      }),
    ];
  return [
    one("why blown", say.whyTheFuseBlew, { details: [say.shortLookedForDead], cautions: [say.seriesLampNotAFuse] }),
  ];
}
