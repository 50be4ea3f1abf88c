/** What core/model/kinds/cord says to people, in English. */
export const say = {
  coreCoreBroken: (core: string) => `${core} core broken`,
  cordKinkedCrushedOrHot: "cord kinked, crushed or hot",
  pullThePlugAndKeep: "Pull the plug and keep it in sight while you work on the cord.",
  unpluggedOhmsFromEachPin: "Unplugged, ohms from each pin to the far end of its core while you bend the cord.",
};
