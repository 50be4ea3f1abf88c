/** What was done before: jobs found again, and what a unit read over the years. What others may use of it. */

export { featureOf } from "./features";
export {
  machineFilter,
  type MachineNames,
  namesOf,
  personFilter,
  type Term,
  TERM_FIELDS,
  type TermField,
  TERMS_VERSION,
  termsOf,
  termsOfJob,
} from "./indexed";
export { alikeBy } from "./likeness";
export { type Match, matchesOf } from "./matched";
export { type PlaceOverYears, readingsOverYears } from "./readings-over-years";
export { isFoundBy, type SearchWord, searchWords, termsIn } from "./search-words";
