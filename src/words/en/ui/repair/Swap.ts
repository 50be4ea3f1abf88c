/** What ui/repair/Swap says to people, in English. */
export const say = {
  workForALicensedTrade: "Work for a licensed trade: leave it closed and hand it over.",
  theSwap: "The swap",
  partAboutMinutesMin: (part: string, minutes: number) => `${part}, about ${minutes} min`,
  plugsStraightOverOneAt: "plugs straight over, one at a time",
  goOn: "Go on",
  takeAPhoto: "take a photo",
};
