import type { Reading } from "../../quantity";

/**
 * What one test shows under one hypothesis: one reading a sample, null where the model found no operating point.
 * Empty for "something else", which predicts nothing.
 */
export type Prediction = readonly (Reading | null)[];
