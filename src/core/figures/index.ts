/** What a shop sees of its closed repairs: counts, shares and minutes. What others may use of it. */

export { type BoughtInVain, boughtInVain } from "./bought-in-vain";
export type { ClosedJob } from "./closed-job";
export { FEW, type Share } from "./share";
export {
  type CostOfCause,
  costByCause,
  type Figures,
  GROUPED_BY,
  type GroupedBy,
  shopFigures,
  stepFigures,
} from "./shop-figures";
export { type StepsTaken, stepsTaken } from "./steps-taken";
