/** Before one drives to a unit. What others may use of it. */

export { type TakeAlong, takeAlong } from "./take-along";
