/** Wire colours as they are drawn. */
const COLOURS: Readonly<Record<string, string>> = {
  black: "#14242b",
  brown: "#6b3f1d",
  red: "#b3211c",
  orange: "#d9731a",
  yellow: "#e3c531",
  green: "#2f7d4a",
  blue: "#2464ad",
  violet: "#7545a3",
  grey: "#8a979a",
  white: "#ffffff",
  pink: "#e79bb4",
};

/** How a wire colour is drawn; grey for a name not known here, which is still read. */
export const wireColour = (name: string | undefined): string => COLOURS[name ?? ""] ?? "#c3ccca";
