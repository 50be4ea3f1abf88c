/** What core/model/as-found says to people, in English. */
export const say = {
  /** Ratings and terminals as a label has them. */
  ratings: {
    coilVolts: (v: string) => `coil ${v} V`,
    coilOhms: (v: string) => `coil ${v} ohm`,
    contactAmps: (v: string) => `contact ${v} A AC`,
    dcAmps: (v: string) => `${v} A DC`,
    volts: (v: string) => `${v} V`,
    ohms: (v: string) => `${v} ohm`,
    amps: (v: string) => `${v} A`,
    watts: (v: string) => `${v} W`,
  } as Readonly<Record<string, (value: string) => string>>,
  terminals: {
    "coil-a": "coil",
    "coil-b": "coil, other end,",
    common: "contact",
    make: "contact, other side,",
  } as Readonly<Record<string, string>>,
  terminalTo: (terminal: string, net: string) => `${terminal} to ${net}`,
  thereIsNoPartCalled: (part: string) => `There is no part called ${part}.`,
  aIsNotSomethingFound: (changeKind: string) => `A ${changeKind} is not something found in a lead.`,
  hasNoTerminal: (part: string, terminal: string) => `${part} has no terminal ${terminal}.`,
  replaceOnceItsCauseIs: (changeName: string) => `Replace: ${changeName}, once its cause is found`,
  changeNameFarEnd: (changeName: string) => `${changeName}, far end`,
  aWireHasNoRatings: "A wire has no ratings; take it out, or put a part into it.",
  hasTerminalsOnlyAPart: (part: string, count: number) =>
    `${part} has ${count} terminals; only a part of two can be bridged.`,
  bridgeInPlaceOf: (part: string) => `Bridge in place of ${part}`,
  theChange: "The change",
  foundInTheLeadOf: (changeName: string, name: string, part: string) =>
    `${changeName} found in the lead of ${name}${part}`,
  isAnotherOne: (name: string, fields: string) => `${name} is another one: ${fields}`,
  isNotThereBridged: (name: string) => `${name} is not there, bridged`,
  aIsNotSomethingBuiltIn: (kind: string) => `A ${kind} is not something one builds in.`,
  aWireNeedsTwoEnds: "A wire needs two different ends.",
  newWire: (colour: string | undefined) => (colour ? `New ${colour} wire` : "New wire"),
  replaceTheWire: "Replace the wire by one of its size",
  terminalOf: (part: string, terminal: string) => `${part} ${terminal}`,
  endOfWire: (colour: string | undefined, name: string | undefined) => name ?? (colour ? `${colour} wire` : "a wire"),
  pinOf: (connector: string, pin: string) => `${connector} pin ${pin}`,
  freeEnd: (words: string) => `${words}, free end`,
  free: "nothing, insulated",
  addedBetween: (name: string, fields: string, at: readonly string[]) =>
    `${name}${fields ? ` (${fields})` : ""} built in: ${at.join(" / ")}`,
  wireFromTo: (colour: string | undefined, gauge: string | undefined, from: string, to: string) =>
    `${colour ? `${colour} wire` : "Wire"}${gauge ? ` ${gauge}` : ""} from ${from} to ${to}`,
  leadMovedTo: (name: string, terminal: string, to: string) => `${name}: lead ${terminal} onto ${to}`,
  boardIsOut: (name: string) => `${name} out`,
  isNotThere: (name: string) => `${name} is not there`,
  nothingLiesOn: (net: string) => `Nothing lies on ${net}.`,
  isAPointAlready: (name: string) => `There is a point called ${name} already.`,
  linesSeen: (table: string, lines: readonly string[]) => `${LINES[table] ?? table}: ${lines.join("; ")}`,
  pointAt: (name: string, net: string) => `Point to measure at: ${name}, on ${net}`,
};

const LINES: Readonly<Record<string, string>> = {
  plugs: "Plug pins",
  parts: "Part nobody drew",
  codes: "Codes",
  modes: "Service modes",
  wires: "Wires",
  numbers: "Part numbers",
  sensor: "Sensor ohms",
  screws: "Covers and screws",
};
