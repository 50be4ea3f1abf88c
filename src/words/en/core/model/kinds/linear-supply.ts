/** What core/model/kinds/linear-supply says to people, in English. */
export const say = {
  bridgeOpen: "bridge open",
  smoothingCapacitorDriedOut: "smoothing capacitor dried out",
  bridgeOrCapacitorShorted: "bridge or capacitor shorted",
  bulgedCapacitor: "bulged capacitor",
  acVoltsInDcVolts: "AC volts in, DC volts out, then AC volts at the output: ripple.",
};
