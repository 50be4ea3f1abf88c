import { ORDINARY_METER } from "../core/instrument";
import { forbidden } from "../core/safety";
import {
  type CircuitChange,
  compileMachine,
  type Fault,
  type GuardAnswers,
  type GuideLeg,
  type MachineFile,
} from "../core/model";
import {
  type Advice,
  advise,
  type Alive,
  aliveIn,
  type Answers,
  answersFor,
  codeOdds,
  type CodeOdds,
  type Coverage,
  coverageOf,
  fileDoubts,
  type Evidence,
  FaultDictionary,
  fitsSomething,
  type History,
  historyOf,
  insideOf,
  type TestCard,
  describeTest,
  likelyReadings,
  type Look,
  type MachineCode,
  type Equipment,
  type OpenFirst,
  type Reason,
  reasonsFor,
  repairsOf,
  setupShowing,
  simpleCausesFor,
  type UnitState,
  unitStateAfter,
  type Times,
  weigh,
  whatIf,
  type WhatIf,
  type Weighed,
  believe,
} from "../core/diagnose";
import { type JobPurpose, type ModificationProof, proofRun, type ProofStep, proveModification } from "../core/repair";
import { restRule, type RestRule, runSheet, type RunSheet } from "../core/schedule";
import { type Slip, slipsOf, type Test } from "../core/simulate";
import { say } from "#words/workers";

/** How a unit stands, in a form that passes between threads. */
export interface PlainUnitState {
  readonly setup: string;
  readonly openPanels: readonly string[];
  readonly equipment?: Equipment;
  readonly times?: Times;
}

/** What came of laying out a test that a technician chose: the layout, or why it may not be made. */
export type ChosenTest =
  { readonly card: TestCard; readonly refused: null } | { readonly card: null; readonly refused: string };

/** So many different results are thought of ahead. */
const THOUGHTS = 3;

/** The fault dictionary of one machine behind a desk: built once, asked often. Lives in a worker. */
export class IsolationDesk {
  private dictionary: FaultDictionary | null = null;
  /** Whether its dictionary is complete: what is advised from half of it would be wrong. */
  private isBuilt = false;
  /** Worked out once; undefined before that. */
  private restOfMachine: RestRule | null | undefined;
  /** How often advice was asked for; a thought ahead ends when it changes. */
  private asked = 0;

  /**
   * Builds the dictionary; `progress` is told the share done, 0 to 1. What needs no dictionary is answered meanwhile.
   */
  async build(file: MachineFile, progress?: (share: number) => void): Promise<void> {
    const dictionary = FaultDictionary.of(compileMachine(file), ORDINARY_METER);
    this.dictionary = dictionary;
    this.restOfMachine = undefined;
    this.isBuilt = false;
    let steps = 0;
    for (const share of dictionary.buildSteps()) {
      if (++steps % 8 !== 0) continue;
      progress?.(share);
      await new Promise((resolve) => {
        setTimeout(resolve, 0);
      });
    }
    this.isBuilt = true;
    progress?.(1);
  }

  /** Takes a dictionary that was built elsewhere; says false of bytes that are none of this machine. */
  restore(file: MachineFile, bytes: Uint8Array): boolean {
    try {
      this.dictionary = FaultDictionary.restored(compileMachine(file), ORDINARY_METER, bytes);
      this.restOfMachine = undefined;
    } catch (error) {
      if (error instanceof RangeError) return false;
      throw error;
    }
    this.isBuilt = true;
    return true;
  }

  /** The dictionary as bytes, for `restore`. */
  packed(): Uint8Array<ArrayBuffer> {
    return this.whole().packed();
  }

  /** What a machine shows in a setup, sound and with a fault; needs no dictionary. */
  alive(file: MachineFile, setup: string, fault: Fault | null): Alive {
    return aliveIn(compileMachine(file), setup, fault);
  }

  /** What is odd about a file, as sentences; needs no dictionary. */
  doubts(file: MachineFile): readonly string[] {
    return fileDoubts(compileMachine(file));
  }

  advise(evidence: readonly Evidence[], unitState: PlainUnitState): Advice {
    this.asked++;
    return advise(this.whole(), evidence, plain(unitState));
  }

  /** The same with all else that a job screen asks first. */
  answers(evidence: readonly Evidence[], unitState: PlainUnitState, look: Look): Answers {
    this.asked++;
    return answersFor(this.whole(), evidence, plain(unitState), look);
  }

  /** The same for what is still being typed; null for what fits nothing, as most of what is half typed. */
  answersHalf(evidence: readonly Evidence[], unitState: PlainUnitState): Answers | null {
    this.asked++;
    return fitsSomething(this.whole(), evidence) ? this.answers(evidence, unitState, "single faults") : null;
  }

  /**
   * Thinks ahead while the leads are placed: reckons what would be advised if the proposed test showed what the leading
   * suspects predict, one after the other until the next question comes. The answers are thrown away; what was worked
   * out and compiled on the way makes the real one quick. Says how many it came to.
   */
  async thinkAhead(evidence: readonly Evidence[], unitState: PlainUnitState): Promise<number> {
    const dictionary = this.whole();
    const asked = this.asked;
    const { next } = advise(dictionary, evidence, plain(unitState));
    if (!next) return 0;
    const there = {
      ...plain(unitState),
      setup: next.test.setup,
      openPanels: unitStateAfter(dictionary.machine, plain(unitState), next.test).openPanels,
    };
    const thoughts = likelyReadings(dictionary, evidence, next.test).slice(0, THOUGHTS);
    let came = 0;
    for (const shown of thoughts) {
      await new Promise((resolve) => {
        setTimeout(resolve, 0);
      });
      if (this.asked !== asked) break;
      advise(dictionary, [...evidence, { type: "reading", id: "ahead", test: next.test, shown }], there);
      came++;
    }
    return came;
  }

  /** Lays out any test, so that what was really done is judged as that. */
  describeTest(evidence: readonly Evidence[], unitState: PlainUnitState, test: Test): ChosenTest {
    const { machine } = this.ready();
    const setup = machine.setupById.get(test.setup);
    const refused = setup ? forbidden(machine, setup, test) : say.theMachineFileHasNo;
    if (refused) return { card: null, refused };
    const { dictionary, beliefs } = this.weighed(evidence);
    return {
      card: describeTest(dictionary, beliefs, { ...plain(unitState), repairs: repairsOf(evidence) }, test),
      refused: null,
    };
  }

  /** The script of the proof run. */
  proofRun(
    complaint: string | null,
    fault: Fault | null,
    cordMetres: number,
    assembly: string | null,
    job: JobPurpose = { kind: "repair" },
  ): readonly ProofStep[] {
    const { machine, meter } = this.ready();
    return proofRun(machine, meter, complaint, fault, cordMetres, assembly, job);
  }

  /**
   * Proves a change to the circuit before it may be built; `progress` is told the share done, 0 to 1. Throws
   * `ChangeError`.
   */
  proveChange(
    file: MachineFile,
    changes: readonly CircuitChange[],
    guards: GuardAnswers,
    progress?: (share: number) => void,
  ): ModificationProof {
    return proveModification(compileMachine(file), changes, { guards, ...(progress ? { progress } : {}) });
  }

  /** Makes a machine known without its dictionary: enough for codes, slips and the run sheet. */
  open(file: MachineFile): void {
    this.restOfMachine = undefined;
    this.dictionary = FaultDictionary.of(compileMachine(file), ORDINARY_METER);
  }

  /**
   * What something shown makes of the suspects; in the setup that would show it, unless one is named. Null when
   * nothing shows it.
   */
  codeOdds(
    evidence: readonly Evidence[],
    shown: Pick<MachineCode, "part" | "label" | "blames">,
    setup?: string,
  ): (CodeOdds & { readonly setup: string }) | null {
    const dictionary = this.ready();
    const at = setup ?? setupShowing(dictionary, shown);
    return at === null ? null : { ...codeOdds(dictionary, evidence, at, shown), setup: at };
  }

  /** The machine's own tests. */
  sheet(): RunSheet {
    return runSheet(this.ready());
  }

  /** The questions before anything is opened, for whom the whole answers are not there yet. */
  simpleCauses(evidence: readonly Evidence[]): readonly OpenFirst[] {
    return simpleCausesFor(this.weighed(evidence), evidence);
  }

  /** Why an assembly is believed or doubted, the strongest first. */
  reasons(evidence: readonly Evidence[], assembly: string): readonly Reason[] {
    // A component of a board is weighed among the others of its board.
    const [board] = assembly.split("/");
    const { dictionary, beliefs } =
      board === assembly || !this.isBuilt ? this.weighed(evidence) : weigh(insideOf(this.ready(), board!), evidence);
    return reasonsFor(dictionary, evidence, beliefs, assembly);
  }

  /** How the suspects went, reading by reading. */
  history(evidence: readonly Evidence[]): History {
    return historyOf(this.weighed(evidence).dictionary, evidence);
  }

  /** What a test would show under the leading suspects. */
  whatIf(evidence: readonly Evidence[], test: Test): readonly WhatIf[] {
    return whatIf(this.weighed(evidence).dictionary, evidence, test);
  }

  /** What a leg of the way into a mode shows when it goes wrong. */
  slips(before: readonly GuideLeg[], leg: GuideLeg): readonly Slip[] {
    return slipsOf(this.ready().machine, before, leg);
  }

  /** How long the compressor rests, and in which setups it runs. */
  rest(): RestRule | null {
    if (this.restOfMachine === undefined) this.restOfMachine = restRule(this.ready().machine);
    return this.restOfMachine;
  }

  /** What the file can and cannot tell apart. */
  coverage(): Coverage {
    return coverageOf(this.ready());
  }

  /**
   * The evidence weighed. While the dictionary is being built only single faults are: a wide look would take long, hold up
   * the building, and rest on half of it.
   */
  private weighed(evidence: readonly Evidence[]): Pick<Weighed, "dictionary" | "beliefs"> {
    if (this.isBuilt) return weigh(this.ready(), evidence);
    const dictionary = this.ready();
    return { dictionary, beliefs: believe(dictionary, evidence) };
  }

  private whole(): FaultDictionary {
    if (!this.isBuilt) throw new Error(say.theDictionaryIsNotBuilt);
    return this.ready();
  }

  private ready(): FaultDictionary {
    if (!this.dictionary) throw new Error(say.theDictionaryIsNotBuilt);
    return this.dictionary;
  }
}

const plain = (unitState: PlainUnitState): UnitState => ({
  setup: unitState.setup,
  openPanels: new Set(unitState.openPanels),
  ...(unitState.equipment ? { equipment: unitState.equipment } : {}),
  ...(unitState.times ? { times: unitState.times } : {}),
});
