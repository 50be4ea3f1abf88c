/** What core/model/kinds/thermal-cut-off says to people, in English. */
export const say = {
  resetButtonStandsOut: "reset button stands out",
  aSafetyDeviceItIs:
    "A safety device. It is never bridged, and never reset or renewed before what tripped it is found.",
  deadLeadsOffContinuityNear: "Dead, leads off: continuity, near zero when it is cold.",
};
