/** What core/repair/access says to people, in English. */
export const say = {
  coversLieOverEachOther: (text: string) => `covers lie over each other in a round: ${text}`,
  noAssemblyAssembly: (assembly: string) => `no assembly ${assembly}`,
  noWayIn: (name: string) => `The file does not say behind which cover ${name} lies.`,
  heldByWhat: (name: string) => `The file does not say how ${name} is held: look, and note it.`,
};
