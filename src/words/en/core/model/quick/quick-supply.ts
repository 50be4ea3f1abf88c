/** What core/model/quick/quick-supply says to people, in English. */
export const say = {
  howManyVolts: "How many volts? Such as 230, 120/240 split, 400 V 3 phases, 24 VAC, 12 VDC or 18 V battery.",
  fiftyOrSixty: "50 or 60 Hz? Write it behind the volts: 100 V 50 Hz.",
  alternatingOrDirect: (volts: string) =>
    `${volts} V: AC or DC? Write ${volts} VAC, ${volts} VDC or ${volts} V battery.`,
  noSuchMains: (volts: string) => `${volts} V is no mains: 100 to 240 V on one phase, or 400 V 3 phases.`,
  noSuchThreePhases: (volts: string) => `${volts} V is no three-phase supply: 200 to 480 V between its lines.`,
  noSuchSplitPhase: (volts: string) => `${volts} V is no split phase: 208 to 240 V from leg to leg.`,
  tooHighABattery: "A battery of more than 60 V is not modelled. Stop: it kills, and nothing switches it off.",
  tooHighADirectSupply: "A direct supply of more than 60 V is not modelled. Stop: it kills like the mains.",
  mains: (volts: string, hertz: number) => `Mains, ${volts} V, ${hertz} Hz`,
  splitPhase: (leg: string, volts: string, hertz: number) =>
    `Split phase, ${leg} V a leg, ${volts} V between, ${hertz} Hz`,
  threePhases: (volts: string, line: string, hertz: number) =>
    `Three phases, ${volts} V between lines, ${line} V to neutral, ${hertz} Hz`,
  direct: (volts: string) => `${volts} V DC from outside`,
  alternating: (volts: string, hertz: number) => `${volts} V AC from outside, ${hertz} Hz`,
  battery: (volts: string) => `Battery, ${volts} V`,
};
