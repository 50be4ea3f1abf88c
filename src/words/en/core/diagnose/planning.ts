/** What core/diagnose/planning says to people, in English. */
export const say = {
  instruments: {
    clamp: "AC clamp",
    dcClamp: "DC clamp",
    inrush: "Clamp that keeps the inrush",
    hertz: "Meter that counts hertz",
    capacitance: "Meter that measures farads",
    insulation: "Insulation tester",
  },
  fusedSupply: (volts: string, amps: string) => `Fused bench supply, ${volts}, ${amps}`,
  insulatedJumper: "Insulated jumper",
  resistorOf: (ohms: string) => `Resistor of ${ohms}`,
  lampsForLoads: (n: number) => (n === 1 ? "A lamp in place of a load" : `${n} lamps in place of loads`),
  unplugName: (name: string) => `Unplug ${name}`,
  reconnectName: (name: string) => `Reconnect ${name}`,
  placeTheLeadsThenPlug: "Place the leads, then plug in",
  placeTheLeadsThenPower: "Place the leads, then power on",
  powerOffWaitTenSeconds: "Power off, wait ten seconds, power on",
  watchFromTheMomentThe: "Watch from the moment the power comes on",
  everySourceOff: (sources: string) => `Every source off: ${sources}`,
  off: {
    plug: "Pull the plug",
    breaker: "Breaker off, locked and tagged",
    "battery lead": "Take the battery off",
    "locking out": "Lock it out",
  },
  openPanelNameMinutesMin: (panelName: string, minutes: number, tools: string) =>
    `Open: ${panelName}, ${minutes} min${tools}`,
  atMost30SuspectsAre: "at most 30 suspects are planned for",
};
