/** What core/repair/add-on says to people, in English. */
export const say = {
  switchesForThisType: "Switches for this type",
  onOnOffNumbers: (on: string, numbers: string) => `On: ${on}. Off: ${numbers}.`,
  dead: "Dead",
  openCoverName: (coverName: string) => `Open: ${coverName}`,
  plugByPlug: "Plug by plug",
  pullTest: "Pull test",
  eachPlugPulledLightlyBy: "Each plug pulled lightly by its housing: none moves.",
  noLeadUnderACovers: "No lead under a cover's edge, none at a moving part.",
  powerOnWhatLights: "Power on: what lights",
  settings: "Settings",
  trial: "Trial",
  plugsAsItsSheetSays: "Every plug of the module into its socket, by its sheet; key to key",
  lampsAsItsSheetSays: "Its lamps, as its sheet says: which must light, which must blink",
  switchesAsItsSheetSays: "By its sheet, for this type of machine; a photo of them as set",
  valuesAsItsSheetSays: "Values and prices by its keys",
  asOrdered: "as ordered",
  oneUseFromBeginningToEnd: "One use from beginning to end, paid; one broken off: nothing taken, nothing given.",
  pinInto: (pin: string, colour: string | undefined, to: string) =>
    `Pin ${pin}${colour ? `, ${colour}` : ""}: into ${to}, until it clicks; tug it`,
  eachTerminalClicksAndHolds: "Each terminal tugged by its wire: none comes out.",
};
