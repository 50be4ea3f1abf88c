import type { FamilyCover, FamilyFirst } from "./family";
import { say } from "#words/core/model/family/shared";

/** What families of machines have alike. */
export const lidOverBoard: FamilyCover = { name: say.controlLid, minutes: 4, tool: say.torx20, screws: 3 };
export const backPanel: FamilyCover = { name: say.backPanel, minutes: 5, tool: say.torx20, screws: 6 };

/** The outlet itself; odds of these are from memory. */
export const askOutlet: FamilyFirst = {
  id: "outlet",
  ask: say.askOutlet,
  cause: "no",
  then: say.outletThen,
  minutes: 2,
  odds: 6,
  loads: [],
};

/** The tap and its screen, before an inlet valve is blamed. */
export const askTap = (...loads: string[]): FamilyFirst => ({
  id: "tap",
  ask: say.askTap,
  cause: "no",
  then: say.tapThen,
  minutes: 3,
  odds: 25,
  loads,
});

/** The drain, before its pump is. */
export const askDrain = (...loads: string[]): FamilyFirst => ({
  id: "drain",
  ask: say.askDrain,
  cause: "yes",
  then: say.drainThen,
  minutes: 6,
  odds: 30,
  loads,
});

/** The gas, before igniter or valve is. */
export const askGas = (...loads: string[]): FamilyFirst => ({
  id: "gas",
  ask: say.askGas,
  cause: "no",
  then: say.gasThen,
  minutes: 2,
  odds: 15,
  loads,
});
