/** What core/repair/add-on says to people, in English. */
export const say = {
  noAddOn: (id: string) => `no add-on ${id}`,
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
};
