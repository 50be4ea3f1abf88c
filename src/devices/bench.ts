import { type MeterFunction, needsDeadCircuit, ORDINARY_METER } from "../core/instrument";
import { isPowered } from "../core/safety";
import type { Fault, Machine } from "../core/model";
import type { Reading } from "../core/quantity";
import { makeTest, nominalValues, NoOperatingPoint, observe, Simulator, type State } from "../core/simulate";
import { say } from "#words/devices";

/** How the leads of the stand-in meter lie. */
export interface Leads {
  readonly setup: string;
  readonly red: string;
  readonly black: string;
}

/** A simulated machine on the bench, with the stand-in meter's leads on two of its points. */
export class SimulatedBench {
  private readonly simulator: Simulator;
  private readonly states = new Map<string, State | null>();
  private leads: Leads | null = null;

  constructor(
    readonly machine: Machine,
    readonly faults: readonly Fault[],
  ) {
    this.simulator = new Simulator(machine);
  }

  /** Lays the leads; null takes them off. Throws a RangeError for a point or a setup the machine has not. */
  lay(leads: Leads | null): void {
    if (
      leads &&
      (!this.machine.setupById.has(leads.setup) ||
        !this.machine.points.has(leads.red) ||
        !this.machine.points.has(leads.black))
    )
      throw new RangeError(say.thisMachineHasNoSuch);
    this.leads = leads;
  }

  /**
   * What the meter sees: nothing but its own idle display with the leads off, an overload for ohms on a live circuit.
   */
  measure(fn: MeterFunction): Reading {
    let idle: Reading;
    if (needsDeadCircuit(fn)) {
      if (fn === "continuity") idle = { kind: "beep", beeps: false };
      else idle = { kind: "overload" };
    } else idle = { kind: "value", value: 0 };
    if (!this.leads) return idle;
    const setup = this.machine.setupById.get(this.leads.setup)!;
    if (needsDeadCircuit(fn) && isPowered(setup)) return { kind: "overload" };
    const state = this.stateIn(setup.id);
    return state
      ? observe(this.simulator, state, makeTest(setup.id, fn, this.leads.red, this.leads.black), ORDINARY_METER)
      : idle;
  }

  private stateIn(setup: string): State | null {
    if (!this.states.has(setup)) {
      try {
        this.states.set(
          setup,
          this.simulator.energise(this.machine.setupById.get(setup)!, this.faults, nominalValues(this.machine)),
        );
      } catch (error) {
        if (!(error instanceof NoOperatingPoint)) throw error;
        this.states.set(setup, null);
      }
    }
    return this.states.get(setup)!;
  }
}
