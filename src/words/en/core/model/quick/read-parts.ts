/** What core/model/quick/read-parts says to people, in English. */
export const say = {
  kilovoltsAreNotModelled:
    "Kilovolts (a microwave's, a spark's) are not modelled. Stop: a microwave's capacitor kills after it is unplugged. " +
    "For who is trained on them.",
  whatIsIt: (name: string) =>
    `"${name}" is no load that is known here. Say what it is: heater, motor, pump, fan, valve, lamp or compressor.`,
  throughWhat: (line: string) => `"${line}": through what? Such as thermostat and high limit; four at most.`,
  noSuchGuard: (name: string) =>
    `"${name}" is nothing that is known in a lead. ` +
    "Say thermostat, cut-off, thermal fuse, pressure switch, float, lid switch, contactor or SSR.",
  whatDoesItSwitch: (name: string) =>
    `${name}: what does it switch? Write it behind its load: heater 2000 through SSR.`,
  stopsNoSuchLoad: (name: string) => `Stops "${name}": no load of that name was typed.`,
  namesNoLoadTypeWhat: (line: string) => `"${line}" names no load. Type what it is and its rating: heater 1800.`,
  nameAtLeastOneLoad: "Name at least one load, such as heater 1800 or pump 0.4 A.",
  eightLoadsAtMostHere: "Eight loads at most here; grow the file in the editor.",
  theRatingInIsNo: (line: string) => `The rating in "${line}" is no number.`,
  comesToWThatIs: (line: string, watts: number) => `"${line}" comes to ${watts} W; that is no load of such a machine.`,
  compressorOnDirect:
    "A compressor on DC has a drive of its own; that is not modelled here. Leave it out, or draw its file.",
  noThreePhases: "A three-phase motor needs three phases: write the mains as 400 V 3 phases.",
  needsAContactor: "A three-phase motor needs a contactor: motor 3 phase 750W through contactor 230V.",
  fromWhat: (from: string) => `From "${from}"? Write from board or from transformer.`,
  whichVolts: (name: string, line: string, both: string) =>
    `${name}: ${line} V or ${both} V? Write it behind: ${name.toLowerCase()} 4000 at ${both}V.`,
  alternatingOrDirect: (name: string, volts: string) =>
    `${name} ${volts} V: AC or DC? Write ${volts}VAC or ${volts}VDC.`,
  whichCoil: (line: string) => `Contactor: which volts has its coil? Write contactor ${line}V, 24VAC or 24VDC.`,
  noSuchCoil: (volts: string, line: string) => `A coil of ${volts} V in a machine of ${line} V: write what feeds it.`,
  onlyACompressor: "Only a compressor is started by something: compressor with PTC start and overload.",
  noSuchStart: (name: string) =>
    `"${name}" starts nothing that is known here. Say PTC start, overload, start cap or run cap.`,
  solidStateRelay: "Solid-state relay",
  contactor: "Contactor",
  inTheLineToAll: (name: string) => `${name}, in the line to all loads`,
  sensor: (name: string, ohms: string) => `${name}, ${ohms} ohm at 25 °C, told to the board`,
  several: (count: number, one: string) => `${count} times ${one}`,
  tellsTheBoard: (name: string) => `${name}, told to the board, stops nothing`,
  stops: (name: string, what: string) => `${name}, open it stops ${what}`,
  through: (lead: string) => `through ${lead}`,
  startedBy: (parts: string) => `started by ${parts}`,
  from: {
    "both lines": (volts: string) => `${volts} V between two lines`,
    "three lines": (volts: string) => `${volts} V on three lines`,
    transformer: (volts: string) => `${volts} V AC from a transformer`,
    board: (volts: string) => `${volts} V DC from the board`,
  },
  start: {
    ptc: "PTC",
    overload: "overload",
    "start capacitor": "start capacitor",
    "run capacitor": "run capacitor",
  },
};
