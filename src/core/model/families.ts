/** What sorts of machine there are; the library is sorted by them. */
export const FAMILIES = [
  "refrigerator",
  "washer",
  "dishwasher",
  "dryer",
  "ice machine",
  "vending machine",
  "powered equipment",
] as const;

/** Kinds of machine by what they must show after a board swap, where the family alone does not say. */
export const FUNCTION_ROWS = [
  "refrigerator",
  "absorption refrigerator",
  "washer",
  "dishwasher",
  "dryer",
  "ice machine",
  "vending machine",
  "conveyor",
  "changeover",
  "winch",
  "battery tool",
  "instrument panel",
  "ticket machine",
] as const;
export type FunctionRow = (typeof FUNCTION_ROWS)[number];
