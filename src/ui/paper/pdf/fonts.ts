import path from "node:path";
import { Font } from "@react-pdf/renderer";

const FILES = path.join(process.cwd(), "node_modules/@fontsource");

/**
 * Families in the order in which a letter is looked for: the typeface of the screens, then one that has the letters of
 * other alphabets, and the ohm.
 */
const FAMILIES = [
  ["atkinson-hyperlegible-next", "latin"],
  ["atkinson-hyperlegible-next", "latin-ext"],
  ["noto-sans", "greek"],
  ["noto-sans", "cyrillic"],
  ["noto-sans", "vietnamese"],
  ["noto-sans", "devanagari"],
] as const;

export const PAPER_FONTS: string[] = FAMILIES.map(([font, subset]) => `${font} ${subset}`);

let isKnown = false;

/** Makes the typefaces of papers known, once. They ship with the application. */
export function registerFonts(): void {
  if (isKnown) return;
  isKnown = true;
  for (const [font, subset] of FAMILIES)
    Font.register({
      family: `${font} ${subset}`,
      fonts: [400, 700].map((fontWeight) => ({
        src: path.join(FILES, font, "files", `${font}-${subset}-${fontWeight}-normal.woff`),
        fontWeight,
      })),
    });
  // Words are not cut: names and values stay whole.
  Font.registerHyphenationCallback((word) => [word]);
}

/** Signs that the typefaces have not, and what stands for them. */
const INSTEAD: Readonly<Record<string, string>> = { "≤": "<=", "≥": ">=", "→": "->", "✓": "x", "−": "-" };
/** Letters and signs that some of the typefaces has. */
const KNOWN =
  /[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Devanagari}\p{M}\u0020-\u00ff\u2010-\u2026\u20ac\u2122\n]/u;

/** A text with nothing in it that paper cannot show: a sign that no typeface has would come out as another one. */
export const inked = (text: string): string =>
  [...text].map((sign) => INSTEAD[sign] ?? (KNOWN.test(sign) ? sign : "?")).join("");
