/** What core/model/sheet/cover-screws says to people, in English. */
export const say = {
  noSuchCover: (line: string) => `"${line}" begins with no cover of this file. Begin with its name.`,
  howMany: (name: string) => `${name}: how many screws, of what size, where? ${name} 6 x M4 Torx 20 along the top`,
  whatSize: (name: string) => `${name}: what size are they, M4 or 4.2 x 16?`,
  allRound: "all round",
  screws: (name: string, count: number, size: string, place: string, tool: string | null) =>
    `${name}, ${count} of ${size}, ${place}${tool ? `, ${tool}` : ""}`,
};
