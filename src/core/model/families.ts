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
