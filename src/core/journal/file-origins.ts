/** Where the version of a machine file in use came from. */
export const FILE_ORIGINS = ["shipped", "edited", "imported", "quick", "found"] as const;
export type FileOrigin = (typeof FILE_ORIGINS)[number];
