/** What core/model/edit/typed-join says to people, in English. */
export const say = {
  fromTo: "Both ends, joined by to: J2-3 to fan +",
  joinedAlready: (from: string, to: string) => `${from} and ${to} are joined already.`,
  noSuchPlace: (words: string) => `"${words}" is no pin, test point, part with a terminal, or net of this file.`,
  whichTerminal: (part: string, terminals: readonly string[]) =>
    terminals.length === 0 ? `${part}: choose its kind first.` : `${part}: which terminal? ${terminals.join(", ")}`,
  soldered: (from: string, to: string) => `${from} and ${to}, joined on the board`,
  wired: (id: string, from: string, to: string) => `Wire ${id} from ${from} to ${to}`,
};
