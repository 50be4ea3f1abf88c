/** What server/lan/gate says to people, in English. */
export const say = {
  unzoItselfDoesNotAnswer: "Unzo itself does not answer. Look at the computer on which it runs.",
  thisDeviceIsNotPaired: "This device is not paired any more. Open Unzo's address anew and give the word.",
  giveTheWordWithThe: "Give the word with the form.",
  thatIsNoPairingWord: "That is no pairing word.",
  tooManyWrongWordsWait: (seconds: number) => `Too many wrong words. Wait ${seconds} seconds.`,
  thatIsNotTheWord: "That is not the word. It stands where Unzo was started, and works once.",
};
