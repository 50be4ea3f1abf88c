/** What ui/repair/Work says to people, in English. */
export const say = {
  workForALicensedTrade: "Work for a licensed trade: leave it closed and hand it over.",
  theSwap: "The repair",
  partAboutMinutesMin: (part: string, minutes: number) => `${part}, about ${minutes} min`,
  plugsStraightOverOneAt: "plugs straight over, one at a time",
  goOn: "Go on",
  takeAPhoto: "take a photo",
  thePartInHandMustNot: (number: string) =>
    `The part in hand, ${number}, does not go in. Take another, or give a reason and the lead's word under Decide.`,
  stopHere: "Stop here, put back",
  stopAndPutBack: (count: number) => `Stop; ${count} to put back`,
};
