/** What ui/machine/BoardDrawing says to people, in English. */
export const say = {
  redLeadAt: (red: string) => `: red lead at ${red}`,
  blackLeadAt: (black: string) => `, black lead at ${black}`,
};
