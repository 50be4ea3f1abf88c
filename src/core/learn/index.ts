/** What closed jobs teach the next one: which causes are likely, which repairs hold. What others may use of it. */

export { type CauseOdds, causeOdds, gathered, oddsByPart, saidOdds, withOdds } from "./cause-odds";
export { type CauseSeen, causeSeen, optionSeen, type Outcome, outcomeOf, OUTCOMES_VERSION } from "./outcome";
export { type Held, heldOf } from "./held";
export { type HoldOdds, holdOdds, learnedHolds, type LearnedOdds } from "./hold-odds";
export { watchDays } from "./watch";
