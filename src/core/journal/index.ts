/**
 * What happened in a job, a unit and a shop, and what follows from it. What others may use of it; nothing else is
 * reached.
 */

export {
  aloneBody,
  sleepLoggedBody,
  sleepTest,
  answeredBody,
  byHandBody,
  calledBody,
  droppedBody,
  followedUpBody,
  changedBody,
  comparedBody,
  decidedBody,
  judgeTyped,
  loneOne,
  madeGoodBody,
  matchedBody,
  modifiedBody,
  noteBody,
  noticedBody,
  photoBody,
  seenAssembly,
  seenStage,
  provedBody,
  restoredBody,
  sawBody,
  settingCarried,
  settingFound,
  settingSet,
  abandonedBody,
  stagedBody,
  unitSetBody,
  stillThere,
  struckBody,
  surroundingsBody,
  timedBody,
  toMeasuring,
  triedBody,
  variedBody,
  customerPageBody,
  handWaitBody,
  promisedBody,
  visitBody,
  quotedBody,
  testerBody,
  waitedBody,
  waitingBody,
  warnedBody,
} from "./bodies";
export { changesKey, decide, isFault, type Facts, type Need } from "./decide";
export {
  CONFIRMED_BY,
  type ConfirmedBy,
  type EventBody,
  eventBodySchema,
  type JournalEvent,
  type NewEvent,
  newEventSchema,
  type RawEvent,
  readJournal,
  type ReadJournal,
  displaySchema,
  type StoredEvent,
  upcast,
  versionOf,
} from "./events";
export { type Done, evidenceOf, type Job, judgedOf, unitStateOf, type TrailReading } from "./fold";
export { jobOn } from "./job";
export { activeChanges, emptyLedger, enter, type Ledger, ledgerOf } from "./ledger";
export { leadWords, readingBody } from "./reading-body";
export { FILE_ORIGINS, type FileOrigin } from "./file-origins";
export { dryingOf, USUAL_DRYING } from "./drying";
export { JOB_KINDS, type JobKind, PURPOSES, WHOLE_UNIT } from "./job-kinds";
export { SHOP_STREAM, type ShopEvent, shopEventSchema } from "./shop-events";
export { changesIn } from "./slices/changes";
export type { Body } from "./slice";
export { RESTS_ON_BEFORE } from "./slices/entries";
export { plainTest } from "./slices/unit-state";
export { stepsOf } from "./steps";
export { workedMinutes } from "./worked";
export { serialKey, type UnitEvent, unitEventSchema, type UnitPlate, unitPlateSchema } from "./unit-events";
export { type Conflict, conflictsIn, type Unseen, unseenIn } from "./unseen";
export { type Care, careNow, CARES, frees, MOST_WAIT } from "./waits";
