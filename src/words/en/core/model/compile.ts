/** What core/model/compile says to people, in English. */
export const say = {
  aSecondPointIsCalled: (pointId: string) => `a second point is called ${pointId}`,
  theTwoSidesOfThe: "the two sides of the plug have the same name; give one a suffix",
  colourWireFromToTo: (colour: string, from: string, to: string) => `${colour} wire ${from} to ${to}`,
  isNoSource: (id: string) => `${id} is no source`,
  isNoLoadALamp: (id: string) => `${id} is no load; a lamp can stand in for a load only`,
  thisBridgesOnAPowered: (name: string) =>
    `this bridges ${name} on a powered machine; a protective device is tested dead, never bypassed`,
  thisFeedsPastItsControl: (name: string) => `this feeds ${name} past its control; a gas valve is never fed directly`,
  thisBridgesToAGas: (name: string) => `this bridges to ${name}; a gas valve is worked by its own control only`,
  thereIsNoCalled: (what: string, name: string) => `there is no ${what} called ${name}`,
  nameWhereTheBlackLead: "name where the black lead goes",
  cannotBeSeen: (part: string, label: string) => `${part} cannot be seen ${label}`,
  aSecondQuestionIsCalled: (firstId: string) => `a second question is called ${firstId}`,
  aFaultBringsAboutA: "a fault brings about a fault of another part",
  theSharesOfWhatComes: (mostled: number) => `the shares of what comes of one fault add up to more than ${mostled}`,
  partCannotBeMode: (part: string, mode: string) => `${part} cannot be ${mode}`,
  thereIsNoPointCalled: (id: string) => `there is no point called ${id}`,
  jumperAToB: (a: string, b: string) => `Jumper ${a} to ${b}`,
  aBenchSupplyIsPut: "a bench supply is put on a machine whose own sources are off; set power: off",
  benchSupplyVoltsV: (volts: number) => `Bench supply ${volts} V`,
  aSecondPartIsCalled: (id: string) => `a second part is called ${id}`,
  thereIsNoAssemblyCalled: (assembly: string) => `there is no assembly called ${assembly}`,
  thereIsNoDoorCalled: (door: string) => `there is no door called ${door}`,
  aHasNoTerminalIt: (entryKind: string, name: string, terminals: string) =>
    `a ${entryKind} has no terminal ${name}; it has ${terminals}`,
  terminalOfIsNotConnected: (terminal: string, entryId: string) =>
    `terminal ${terminal} of ${entryId} is not connected; name a net for it`,
  aDoesNotFailAs: (entryKind: string, mode: string) => `a ${entryKind} does not fail as ${mode}`,
  thereIsNoPartCalled: (part: string) => `there is no part called ${part}`,
  hasElementsCountedFrom0: (part: string, elementCount: number) =>
    `${part} has ${elementCount} elements, counted from 0`,
  noPartIsConnectedTo: (net: string) => `no part is connected to ${net}`,
  netHasOneEndOnly: (net: string) => `net ${net} has one end only; a name may be mistyped`,
};
