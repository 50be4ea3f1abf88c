/** What core/simulate says to people, in English. */
export const say = {
  amps: (amps: string) => `${amps} A`,
  noOperatingPointInSetup: (machine: string, setup: string, fault: string) =>
    `${machine}: no operating point in setup ${setup} with ${fault}`,
  isNothingOneCanSee: (id: string) => `${id} is nothing one can see`,
  hasNoTerminal: (id: string, name: string) => `${id} has no terminal ${name}`,
  setupHasNoStage: (setupId: string) => `setup ${setupId} has no stage`,
  hasNoFault: (fileId: string, part: string, mode: string) => `${fileId} has no fault ${part}:${mode}`,
  noPartRed: (red: string) => `no part ${red}`,
  noClampPoint: (red: string) => `no clamp point ${red}`,
  noPointPart: (part: string | undefined) => `no point ${part}`,
  aLookIsNoMeter: "a look is no meter reading",
  fileIdHasNoId: (fileId: string, id: string) => `${fileId} has no ${id}`,
  notHeldLongEnough: "not held long enough",
  onePressTooFew: "one press too few",
  slowerThanSeconds: (within: number) => `slower than ${within} seconds`,
  notKeptDown: (hold: string) => `${hold} not kept down`,
  theDoorNotOpen: "the door not open",
  noSetupSetup: (setup: string) => `no setup ${setup}`,
};
