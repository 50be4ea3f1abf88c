/** What contract says to people, in English. */
export const say = {
  sayWhatMachineItIs: "Say what machine it is.",
  howManyVolts: "Say what it hangs on: 230, 400 V 3 phases, 18 V battery.",
  sayWhoYouAre: "Say who you are.",
  costsAreNotBelowZero: "Costs are not below zero.",
  thatIsMoreThanA: "That is more than a shop charges.",
  sayWhoHandsItOut: "Say who hands it out: the name of the workshop.",
  aCurrencyHasThreeLetters: "A currency has three letters.",
  typeTheSerialNumberOr: "Type the serial number, or say that there is none on the plate.",
  sayWhereTheUnitStands: "Say where the unit stands.",
  chooseWhatMachineItIs: "Choose what machine it is.",
  chooseTheUnitThatIt: "Choose the unit that it is.",
  chooseTheUnit: "Choose the unit.",
  sayWhatFor: "Say what the job is for: the module, why it is checked, or which way it is laid up.",
  chooseTheComplaint: "Choose the complaint.",
  chooseTheUnitOrType: "Choose the unit, or type a new one.",
  nameAtLeastOneLoad: "Name at least one load.",
};
