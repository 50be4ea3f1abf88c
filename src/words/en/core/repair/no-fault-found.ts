/** What core/repair/no-fault-found says to people, in English. */
export const say = {
  contactsMovedAndWarmedWhile: "contacts: moved and warmed while something watches",
  relaysManyCyclesWarm: "relays: many cycles, warm",
  cutOffsThatSetThemselves: "cut-offs that set themselves again: warm",
  theStartOfTheCompressor: "the start of the compressor, warm and at low mains",
  leastExcludedLeft: (left: string) => `Least excluded: ${left}`,
  notAskedAsk: (ask: string) => `Not asked: ${ask}`,
  comesAndGoesTry: (words: string) => `Comes and goes? Try ${words}`,
  roomTemperatureAndLineVoltage:
    "Room temperature and line voltage were not noted: ask at what hour and in what heat it fails",
  howItIsUsedAnd: "How it is used and loaded, water and drain, what else hangs on the same line",
  asItShouldBe: "as it should be",
  notAsItShouldBe: "not as it should be",
};
