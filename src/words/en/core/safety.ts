/** What core/safety says to people, in English. */
export const say = {
  nothingToBridge: "There is nothing to bridge there.",
  whatProtectsIsNeverBridged: (name: string) =>
    `${name} protects: it is never bridged. Read across it, with its feed proven and its load on, or dead.`,
  aSwitchIsTriedByHand: (name: string) =>
    `${name} is worked by hand, and may be a guard or an emergency stop: work it, and read across it dead.`,
  bridgedItWouldBeAShort: (name: string) => `${name}: a wire across it would be a short.`,
  onlyIsolatedLowVoltage: (name: string) =>
    `${name} is joined to the mains. Only what is isolated from it, and low voltage, is bridged to see.`,
  leadsToALicensedTrade: (name: string) =>
    `${name} feeds what belongs to a licensed trade, or starts by itself: nothing towards it is bridged.`,
  neverInACircuitOfGas: (name: string) => `${name} is in a circuit of gas or flame: nothing in it is bridged.`,
  tooManyVoltsToBridge: (name: string, most: number) => `${name} has more than ${most} V: not bridged to see.`,
  moreThanTheLeadCarries: (name: string, amps: number, most: number) =>
    `${name} carries ${amps.toPrecision(2)} A: more than a lead with a ${most} A fuse.`,
  bridgePowerOff: "Power off and locked. Prove it dead.",
  bridgeThroughAFusedLead: "Clip a lead with a 1 A fuse across it. No hand stays on it.",
  bridgeStandClear: "Stand clear of what moves or heats. Power on for a moment, and look.",
  bridgePowerOffAgain: "Power off. Take the lead off. It is never left in.",
  takeTheLeadsOffFirst:
    "Take the leads off first, and confirm it: the meter is never switched from volts to ohms with its leads on.",
  onlyOnADeadCircuit: "Only on a dead circuit: unplug, wait, discharge, prove it dead.",
  ohmsOnlyOnADead: "Ohms only on a dead circuit: unplug, wait, prove it dead.",
  theTestVoltageOfAn:
    "The test voltage of an insulation tester kills electronics: only from a mains conductor to the metalwork.",
  nothingFlowsWhileThePlug: "Nothing flows while the plug is out; this test needs power.",
  noLowImpedanceMeterIn:
    "No low-impedance meter in the primary of a supply: it loads the bulk capacitor and the meter may not survive.",
  off: {
    plug: "Pull the plug and keep it in sight.",
    breaker: "Switch its breaker off, lock it and tag it.",
    "battery lead": "Take the battery off.",
    "locking out": "Lock it out: it may start by itself.",
  },
  by: {
    plug: "plug out",
    breaker: "breaker off",
    "battery lead": "battery lead off",
    "locking out": "locked out",
  },
  sourceBy: (source: string, by: string) => `${source} (${by})`,
  everySourceOffAndLocked: (sources: string) => `Every source off and locked: ${sources}.`,
  meterOnVoltsFirstProve: (sourcesOff: string) =>
    `${sourcesOff} Meter on volts first: prove it dead before you touch it.`,
  meterOnVoltsFirstProveIt: (sourcesOff: string, rangeWord: string) =>
    `${sourcesOff} Meter on volts first: prove it dead before you turn to ${rangeWord}.`,
  lockedOffBeforeHands: (sourcesOff: string) =>
    `${sourcesOff} What it moves is propped: nothing may run or fall by itself while you turn it.`,
  aCapacitorHoldsItsCharge:
    "A capacitor holds its charge: discharge it through a resistor, prove it under 5 V, then take one lead of it off.",
  vAtTheTipsPlugs:
    "500 V at the tips: plugs of the electronics off, hands off the leads, and let it discharge before you take them away.",
  theBulkCapacitorWaitA: "The bulk capacitor: wait a minute, then prove it below 5 V.",
  clampAroundTheInsulatedWire: "Clamp around the insulated wire only, power off while you place it.",
  livePlaceTheLeadsWith: "Live: place the leads with the power off, then plug in, one hand, shrouded tips.",
  nonIsolatedTheBlackLead: "Non-isolated: the black lead is as deadly as the red one. Meter on its highest range.",
  thesePinsAreIsolatedLow:
    "These pins are isolated low voltage, but bare mains is beside them. Place the leads with the plug out.",
  isolatedLowVoltageASlipped: "Isolated low voltage. A slipped probe can still kill a board.",
  boardBypassedEverySourceOf:
    "Board bypassed: every source of the machine off, the load secured and unloaded, the bench supply fused and set before it is joined.",
  jumperInAndOutWith: "Jumper in and out with the power off. Note it down: it must come out again.",
  pullAndPushThePlug: "Pull and push the plug with the power off, by its housing.",
  nothingKnownFeedsItTreat: (pointName: string) => `${pointName}: nothing known feeds it. Treat it as live.`,
  theInsulationTester: "the insulation tester",
  sourcesEachLockedOffBy: (count: number, sources: string) =>
    `${count} sources, each locked off by whoever works here: ${sources}. One left on feeds the other's wires.`,
  capacitorsKeepTheirCharge:
    "Capacitors keep their charge. Nothing is touched while one shows more than 5 V: discharge through a " +
    "resistor, never with a screwdriver.",
  refrigerantAHissOilOr:
    "Refrigerant: a hiss, oil or a smell means stop, ventilate, open nothing further. Its circuit is for a licensed technician.",
  refrigerantThatBurns:
    "Refrigerant: a hiss, oil or a smell means stop, ventilate, open nothing further. Its circuit is for a " +
    "licensed technician; some of it burns: no flame and no spark near it.",
  partsThatMoveStartBy: "Parts that move start by themselves: hands, hair and cuffs clear, nobody reaching in.",
  partsThatMoveHandsHair: "Parts that move: hands, hair and cuffs clear, nobody reaching in.",
  batteryRingsOffNoSpanner:
    "Battery: rings off, no spanner across it. Its black lead comes off first and goes on last.",
  gasShutItsValveFirst:
    "Gas: shut its valve first. A smell of gas: no switch, no flame, doors open, out, and call the licensed trade.",
  whateverIsRaisedOrHeld: "Whatever is raised or held by the drive is let down or propped before a cover comes off.",
  bareMainsBehindTheCovers: "Bare mains behind the covers: proven dead before a hand goes in.",
  hotPartsLetHeaterLamp: "Hot parts: let heater, lamp and compressor cool before they are touched.",
  waterInPumpAndHoses: "Water in pump and hoses may scald: let it cool and drain it before a hose comes off.",
  finsBladesAndSheetMetal: "Fins, blades and sheet-metal edges cut: gloves on while you reach past them.",
  springsAndPlungersSnapBack: "Springs and plungers snap back: relieve or hold them before a screw comes out.",
  sprayOnlyDeadColdAnd: "Spray only dead, cold and aired; dry before power comes back. Its gas burns.",
};
