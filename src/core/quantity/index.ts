/** Quantities as people type and read them. What others may use of it; nothing else is reached. */

export { COPPER, copperOhms, INTERNAL_DENSITY, internalAmps } from "./copper";
export { decimal, plainNumber, engineering, inSentence, quantity, readingText } from "./format";
export { type Asked, type Manner, readEngineering, parseReading, type Reading } from "./read";
export { Names, Readings, SHOWN } from "./readings";
export {
  gaugeOfArea,
  type Liked,
  METRIC,
  type Quantity,
  quantityText,
  readQuantity,
  readSpan,
  type Typed,
  unitOfQuantity,
} from "./units";
