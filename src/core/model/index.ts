/**
 * The machine: its file, its kinds of part, its control program, and the compiler that makes it ready. What others
 * may use of it; nothing else is reached.
 */

export {
  BUILT_IN,
  type Change,
  type CircuitChange,
  circuitChangeSchema,
  ChangeError,
  changeSchema,
  changeWords,
  IN_LEAD,
  type InPlace,
  netName,
  variantOf,
} from "./as-found";
export { withBoard } from "./board-out";
export { endsOf } from "./pruned";
export { goodRating } from "./good-rating";
export { compileMachine } from "./compile/compile";
export { MachineFileError } from "./compile/problem";
export { type Energy, isLowVoltage } from "./energy";
export { everydaySetup } from "./everyday-setup";
export { assemblyOfFault, type Fault, faultId } from "./fault";
export { joinedByLeads } from "./joined-by-leads";
export type { AskedCause } from "./kind";
export { withInnerShorts } from "./inner-shorts";
export { KIND_IDS, type KindField, type KindPage, kindPage, plainestParts } from "./kind-page";
export { canOpen, componentIn, openBoard, openPoints } from "./open-board";
export { codeProblem, plainCode } from "./code-rule";
export { fieldName, type FormField, type FormNode, kindForm, sectionForm, shapeOf } from "./edit/form-of";
export { type DraftLists, draftTerminals, netAt, placeNames, placesToName, typedJoin } from "./edit/typed-join";
export { conditionText, parsedCondition, readCondition } from "./program/condition-words";
export { failureSort } from "./failure-sort";
export { FAMILIES, type FunctionRow } from "./families";
export { askedQuestions, type Family, wholeAnswers } from "./family/family";
export { familyMachine } from "./family/family-machine";
export { BY_PINS, pinFamily } from "./pins/pin-family";
export { TYPED, typedFamily } from "./family/typed-family";
export { familyOf, KNOWN_FAMILIES } from "./family/families-known";
export { assumedIn, seenByTests, withSeen } from "./family/seen";
export { canonicalJson } from "./file/canonical-json";
export { formatOf, placeIn, toFormat1, toFormat2 } from "./file/format-2";
export { type Guard, type GuardAnswers, GUARDS, NOT_ON_IT } from "./guards";
export { machineJsonSchema } from "./file/machine-json-schema";
export {
  MachineYamlError,
  type PlacedProblem,
  readMachineYaml,
  withoutUsual,
  writeMachineYaml,
} from "./file/machine-yaml";
export { MOST_BYTES } from "./file/most-bytes";
export { heldAgainst, type HeldLesson, type Lesson, withLessons } from "./file/lessons";
export { withDrawing } from "./file/with-drawing";
export { compareFiles, type Fact, factKey, takeFacts } from "./file/three-way";
export {
  type Conditions,
  type FailureMode,
  type Failures,
  FLICKERS,
  type Instance,
  type OnBoard,
  OPEN,
  type Stamp,
  type UnitSign,
  type View,
} from "./kind";
export { LETS_GO_ABOUT, RELAY_BOUNDS } from "./relay-bounds";
export { coldOhms } from "./kinds/fuse";
export { ntcOhms } from "./kinds/ntc";
export { PART_KINDS, partKind } from "./kinds/registry";
export { fieldWords } from "./field-words";
export { kindName } from "./kind-name";
export { commonShelf } from "./machine-shelf";
export { type ClampPoint, LAMP_DARK, LAMP_LIT, type Machine, type Part, type Point } from "./machine";
export { asPlated, type PlateSaid, plateWords } from "./plate";
export { plainConditions } from "./program/condition";
export { again, BEGIN, type Count, mark, secondsLeft, seen, stepWords, tick } from "./program/counting";
export {
  type Exits,
  exitsOf,
  type GuideLeg,
  type GuideStep,
  guideTo,
  keyMarks,
  type MenuItem,
  menuOf,
  waySeconds,
} from "./program/guide";
export { menuBoard, menuItems, type MenuKey, menuShows, pressMenu } from "./program/menu-board";
export { type Face, type Gesture, gesturesTo, modeName, pressesOf, type Program } from "./program/program";
export { boardTable, type BoardCell, type BoardRow, spreadWords } from "./pins/board-table";
export { type Measured, UNFED } from "./pins/measured";
export { lineWords, readPinLines, withPinLines } from "./pins/pin-lines";
export { type PinBoard, pinBoardsOf, readMeasured, withMeasured } from "./pins/pin-boards";
export { readSheet, SHEET_TABLES, type SheetTableId, targetsOf, withSheet } from "./sheet/sheet-tables";
export { type Checkpoint, checkpointsTo, quickMachine } from "./quick/quick";
export type { QuickBoards, QuickFace, QuickHeld, QuickMachine } from "./quick/quick-machine";
export { readItems, readParts, takenFor } from "./quick/read-parts";
export { type QuickSupply, readSupply, supplyWords } from "./quick/quick-supply";
export { plainFields, ratings } from "./ratings";
export {
  type ComplaintEntry,
  type FirstEntry,
  type MachineFile,
  machineFileSchema,
  type PartEntry,
  type PathEntry,
  type AssemblyEntry,
  type SettingEntry,
  type SetupEntry,
  type TestEntry,
} from "./schema";
export { has, type Trait } from "./traits";
