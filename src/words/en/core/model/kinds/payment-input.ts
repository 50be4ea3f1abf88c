/** What core/model/kinds/payment-input says to people, in English. */
export const say = {
  givesNoCredit: "gives no credit",
  lookAtTheLampOf: "Look at the lamp of the module.",
  itsRailAtItsOwn: "Its rail at its own plug, then the pulse line while a card is read.",
};
