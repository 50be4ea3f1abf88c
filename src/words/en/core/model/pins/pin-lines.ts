/** What core/model/pins/pin-lines says to people, in English. */
export const say = {
  namesNoPin: (word: string) => `"${word}" is no pin. A line begins with one: J2 3, J2-3, 7 or L.`,
  saysNothing: (pin: string) => `Pin ${pin}: no signal and no value.`,
  voltsOrOhms: (figure: string) => `${figure}: volts or ohms? Write 13V or 4.7k.`,
  noSuchFigure: (figure: string) => `"${figure}" is no figure.`,
  alternatingOrDirect: (volts: string) => `${volts} V: AC or DC? Write ${volts}VAC or ${volts}VDC.`,
  nothingSaid: "what it gives is not said",
  ohms: (ohms: string) => `${ohms} ohm`,
  closed: (to: string | null) => (to === null ? "closed to the line pin" : `closed to ${to}`),
  open: "open",
  plug: { off: ", plug off", on: ", loaded" },
  volts: (volts: string, current: string) => `${volts} V ${current}`,
  noSuchBoard: (board: string) => `There is no board ${board} in this file.`,
  ohmsAreDead: (pin: string) => `Pin ${pin}: ohms are read unplugged. Choose that state for them.`,
  voltsAreFed: (pin: string) => `Pin ${pin}: unplugged there are no volts. Choose the state they belong to.`,
  noSuchPin: (pin: string) => `There is no pin ${pin}. Add its line first.`,
  givesAnother: (pin: string, volts: string) =>
    `Pin ${pin} gives ${volts} V in another state already: two values at one pin need two lines of the file.`,
  pointOf: (board: string, pin: string, signal: string) => `${board}, pin ${pin}${signal ? `, ${signal}` : ""}`,
};
