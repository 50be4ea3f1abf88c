/** Tools that work one thing out from a few numbers. What others may use of it; nothing else is reached. */

export { chartValues, readChart, rulesOf } from "./switch-chart";
export {
  benchRig,
  type BenchRig,
  judgeRig,
  LAMP_SHOWS,
  type LampSeen,
  type LampShows,
  rigBoards,
  rigFindings,
  type RigVerdict,
} from "./bench-rig";
export { drawingOf, settingWords, unusedCodes } from "./coded-switch";
export {
  type Curve,
  type Field,
  Refused,
  type Sheet,
  type SwitchDrawing,
  type Table,
  type Tool,
  type Verdict,
  workTool,
} from "./tool";
export { toolFor, TOOLS } from "./tools";
export { ratedLinks, weakestFirst } from "./weakest-link";
