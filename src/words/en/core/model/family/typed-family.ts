/** What core/model/family/typed-family says to people, in English. */
export const say = {
  stateAndLoads: (line: string) => `"${line}": a state, a colon, what runs in it: washing: wash pump, heater`,
  noSuchLoad: (name: string) => `A state names "${name}", which is none of the loads.`,
  bringItThere: (state: string) => `Bring it to: ${state}.`,
  askFilter: "Is there a line filter?",
};
