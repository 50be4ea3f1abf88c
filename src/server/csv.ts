import Papa from "papaparse";

/** Cells by the names of their columns. */
export type Cells = readonly Readonly<Record<string, string | number | null>>[];

/**
 * Lines as RFC 4180 has them. What a person typed and a table would take for a formula is made text.
 */
export const csv = (rows: Cells): string => Papa.unparse([...rows], { escapeFormulae: true, newline: "\r\n" });
