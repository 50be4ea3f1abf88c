import type { Part } from "./machine";

/** Kind of part and way of failing: what fails alike on all machines has the same name. */
export const failureSort = (part: Part, mode: string): string => `${part.kind.kind}:${mode}`;
