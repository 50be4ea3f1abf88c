/** What core/model/program says to people, in English. */
export const say = {
  aControlProgramKnowsNo: (what: string) => `a control program knows no event ${what}`,
  theControlProgramChangesWithout: "the control program changes without end",
  namesAModeWhichThe: (where: string, name: string) => `${where} names a mode ${name}, which the program has not`,
  asksForAnInputWhich: (where: string, input: string) =>
    `${where} asks for an input ${input}, which the controller has not`,
  asksForAKeyWhich: (where: string, key: string) =>
    `${where} asks for a key ${key}, which the controller does not scan`,
  asksForACodeWhich: (where: string, code: string) => `${where} asks for a code ${code}, which the program has not`,
  gestureAsksForAKey: (id: string, k: string) =>
    `gesture ${id} asks for a key ${k}, which the controller does not scan`,
  gestureTakesLongerThanThe: (id: string, afterPower: number) =>
    `gesture ${id} takes longer than the ${afterPower} seconds it has after power-up`,
  gestureAsksForNoKey: (id: string) => `gesture ${id} asks for no key`,
  aListOfModes: "a list of modes",
  goesByAnInputWhat: (shows: string) =>
    `"${shows}" goes by an input; what is shown goes by mode, key and code, so give the input a code`,
  lampIsNoWayA: (name: string, shows: string) =>
    `lamp ${name}: "${shows}" is no way a lamp can go; write dark, steady, blinks slowly, blinks evenly, ` +
    `blinks fast, "2 flashes, pause", "1 long 5 short, pause", "1 red 2 green, pause" or distress signal`,
  powerOffWaitPowerOn: "Power off, wait, power on",
  openDoorName: (doorName: string) => `Open: ${doorName}`,
  pressAndKeepDown: (keys: string, part: string) => `Press ${keys} and keep ${part} down`,
  pressAndHold: (keys: string) => `Press and hold ${keys}`,
  pressStepKeyTimesOf: (stepKey: string, times: number, times2: number) => `Press ${stepKey}: ${times} of ${times2}`,
  letGoOf: (keys: string) => `Let go of ${keys}`,
  powerOff: "Power off",
  waitThenPowerOn: "Wait, then power on",
};
