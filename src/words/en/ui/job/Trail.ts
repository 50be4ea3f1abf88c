/** What ui/job/Trail says to people, in English. */
export const say = {
  done: "Done",
  altZStrikesTheLast: "Alt Z strikes the last",
  struckOutReason: (reason: string) => `struck out: ${reason}`,
  onOlderAdvice: (unseenWords: string) => `on older advice: ${unseenWords}`,
  onItsWay: "on its way",
  strikeOutShownAsTitle: (shown: string, asTitle: string) => `Strike out ${shown}, ${asTitle}`,
  noComplaint: "No complaint",
};
