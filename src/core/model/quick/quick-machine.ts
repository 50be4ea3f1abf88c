import type { MachineFile } from "../schema";
import type { QuickParts } from "./quick-load";
import type { QuickSupply } from "./quick-supply";

/** A part, a wire, a point as the machine's file has it. */
export type Entry = Readonly<Record<string, unknown>>;

/** A machine nobody has a file for, as far as it is known at the door. */
export interface QuickMachine extends Pick<QuickParts, "loads"> {
  readonly id: string;
  readonly name: string;
  readonly family: MachineFile["family"];
  readonly supply: QuickSupply;
  readonly filter: boolean;
  readonly fuse: boolean;
  readonly sensors?: QuickParts["sensors"];
  readonly inLine?: QuickParts["inLine"];
  readonly boards?: QuickBoards;
  readonly face?: QuickFace;
  /** How the board is held and joined, as far as it was seen. */
  readonly held?: QuickHeld;
  /** The states in which it is looked at; left out: one, in which every load is asked for. */
  readonly stages?: readonly QuickStage[];
  /** Whether it tells an open or shorted sensor, and a lock that does not report, by a code. */
  readonly tells?: boolean;
}

/** A state in which a machine is looked at, what it asks for in it, and how it is brought about. */
export interface QuickStage {
  readonly id: string;
  readonly name: string;
  readonly how: string;
  /** The mode of the control program; left out: as the state is called. */
  readonly mode?: string;
  /** Loads that are asked for, by their place among the loads, from 0. */
  readonly asks: readonly number[];
  /** By the name of a switch: how far its place is filled, 0 to 1. */
  readonly levels?: Readonly<Record<string, number>>;
  /** By the name of a sensor or thermostat: degrees Celsius at its place. */
  readonly places?: Readonly<Record<string, number>>;
  /** Names of switches that a hand works. */
  readonly worked?: readonly string[];
  readonly doorOpen?: boolean;
  /** To bring about, minutes; and when to look, seconds after it was brought about. */
  readonly minutes?: number;
  readonly seconds?: number;
}

/** How many boards there are, and what joins the first to the next. */
export interface QuickBoards {
  /** 2: a main board and one with the display; 3: one with the relays, one with the logic, one with the display. */
  readonly count: 1 | 2 | 3;
  /** What feeds the next board over the link. */
  readonly volts: number;
  /** Wires in the plug between the boards of relays and of logic: with too few for one a load, they talk in series. */
  readonly wires: number;
}

/** What the machine shows itself by, and what it shows now; null: nobody looked. */
export interface QuickFace {
  readonly kind: "lamp" | "display";
  readonly now: "lit" | "dark" | null;
}

/** How a board is held and joined, in a few ticks. */
export interface QuickHeld {
  readonly screws: boolean;
  readonly clips: boolean;
  readonly ribbon: boolean;
  readonly plugs: number;
}

export const ONE_BOARD: QuickBoards = { count: 1, volts: 12, wires: 4 };
