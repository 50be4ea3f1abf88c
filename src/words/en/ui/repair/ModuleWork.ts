/** What ui/repair/ModuleWork says to people, in English. */
export const say = {
  goOnToTheProof: "Go on to the proof",
  keyIn: "key in",
};
