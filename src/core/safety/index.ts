/**
 * What a step exposes a person to, what is forbidden, what is said. What others may use of it; nothing else is
 * reached.
 */

export { bridgedEnds, bridgingRefused, bridgingSteps } from "./bridging";
export { energyAt, type Exposure, EXPOSURE_MINUTES, exposureOf, isPowered, panelsFor } from "./exposure";
export { changeRefused } from "./function-change";
export { isolatedBy, sourcesInOrder, sourcesOff, sourcesWithIsolation } from "./isolation";
export { cautionsAt, cautionsFor, DEAD_SHARE, forbidden } from "./rules";
export { type WorkCaution, workCautions } from "./work-cautions";
