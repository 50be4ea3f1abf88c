/** What core/model/kinds/switched-supply says to people, in English. */
export const say = {
  doesNotStartSwitchOr: "does not start (switch or start circuit)",
  noBulkVoltageInrushResistor: "no bulk voltage (inrush resistor or bridge open)",
  shortedOnItsLineSide: "shorted on its line side (varistor, bridge or switch)",
  sagsUnderLoadOutputFilter: "sags under load (output filter dried out)",
  ticksFeedbackLostItsOutput: "ticks: feedback lost, its output overshoots and trips",
  ticksOutputRectifierShorted: "ticks: output rectifier shorted",
  givesRippleBulkCapacitorDried: "gives ripple (bulk capacitor dried out)",
  bulgedCapacitor: "bulged capacitor",
  sootOrABurstPart: "soot or a burst part on the line side",
  ticksAboutOnceASecond: "ticks about once a second",
  theBulkCapacitorHoldsThe:
    "The bulk capacitor holds the rectified line after unplugging. Wait, then prove it below 5 V.",
  fedFromTheLineWith:
    "Fed from the line with its load unplugged: output volts between its own output and its own return.",
};
