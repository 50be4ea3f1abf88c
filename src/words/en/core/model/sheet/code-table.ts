/** What core/model/sheet/code-table says to people, in English. */
export const say = {
  noLogic: "This file has no board with a logic: a code belongs to one.",
  codeAndWords: (line: string) => `"${line}": a code, then what it stands for: E4 drain pump`,
  isThere: (id: string, words: string) => `${id} is in the file already: ${words}.`,
  whenOpen: (id: string, part: string) => `${id}: shown while the ${part.toLowerCase()} is open`,
  whenShorted: (id: string, part: string) => `${id}: shown while the ${part.toLowerCase()} is shorted or closed`,
  reasonUnknown: (id: string, words: string, blames: string | null) =>
    `${id}: ${words.toLowerCase()}; what brings it is not modelled${blames ? `, its table blames the ${blames}` : ""}`,
  itShows: (shown: string, words: string) => `It shows ${shown}: ${words.toLowerCase()}`,
  noLamp: (id: string) => `${id}: this board has no lamp in the file that could flash.`,
  flashes: (times: number) => `${times} flashes, pause`,
  nobodyKnows: "its reason is not in the model",
};
