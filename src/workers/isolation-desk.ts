import { ORDINARY_METER } from "../core/circuit/meter";
import { forbidden } from "../core/hazard/rules";
import { advise, type Advice } from "../core/isolate/advise";
import { coverageOf, type Coverage } from "../core/isolate/coverage";
import type { Standing } from "../core/isolate/cost";
import type { Evidence } from "../core/isolate/evidence";
import { Isolation } from "../core/isolate/isolation";
import { layOut, type Laid } from "../core/isolate/proposal";
import { compileMachine } from "../core/machine/compile";
import type { MachineFile } from "../core/machine/schema";
import type { Test } from "../core/simulate/test";

/** How a unit stands, in a form that passes between threads. */
export interface PlainStanding {
  readonly setup: string;
  readonly openPanels: readonly string[];
}

/** What came of laying out a test that a technician chose: the layout, or why it may not be made. */
export type ChosenTest = { readonly laid: Laid; readonly refused: null } | { readonly laid: null; readonly refused: string };

/** The fault dictionary of one machine behind a desk: built once, asked often. Lives in a worker. */
export class IsolationDesk {
  private isolation: Isolation | null = null;

  /** Builds the dictionary; `progress` is told the share done, 0 to 1. */
  build(file: MachineFile, progress: (share: number) => void): void {
    const isolation = new Isolation(compileMachine(file), ORDINARY_METER);
    isolation.build(progress);
    this.isolation = isolation;
  }

  advise(evidence: readonly Evidence[], standing: PlainStanding): Advice {
    return advise(this.ready(), evidence, plain(standing));
  }

  /** Lays out any test, so that what was really done is judged as that. */
  layOut(evidence: readonly Evidence[], standing: PlainStanding, test: Test): ChosenTest {
    const isolation = this.ready();
    const setup = isolation.machine.setupById.get(test.setup);
    const refused = setup ? forbidden(isolation.machine, setup, test) : "The machine file has no such setup.";
    if (refused) return { laid: null, refused };
    return { laid: layOut(isolation, isolation.beliefs(evidence), plain(standing), test), refused: null };
  }

  /** What the file can and cannot tell apart. */
  coverage(): Coverage {
    return coverageOf(this.ready());
  }

  private ready(): Isolation {
    if (!this.isolation) throw new Error("The dictionary is not built yet.");
    return this.isolation;
  }
}

const plain = (standing: PlainStanding): Standing => ({ setup: standing.setup, openPanels: new Set(standing.openPanels) });
