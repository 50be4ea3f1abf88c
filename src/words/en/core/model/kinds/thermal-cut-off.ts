/** What core/model/kinds/thermal-cut-off says to people, in English. */
export const say = {
  resetButtonStandsOut: "reset button stands out",
  aSafetyDeviceItIs:
    "A safety device. It is never bridged, and never reset or renewed before what tripped it is found.",
  deadLeadsOffContinuityNear: "Dead, leads off: continuity, near zero when it is cold.",
  aBlockedVent: "a blocked vent, filter or lint screen",
  isTheAirWayFree: "Is a vent, a filter or a lint screen blocked?",
  lostCooling: "lost cooling: a fan or a belt that should move the air stands",
  doesTheFanStand: "Does the fan or the belt that should carry the heat away stand or slip?",
  itRanDry: "it ran dry, or is scaled over",
  hasItRunDry: "Has it run without water, or is it scaled over?",
  itsSensorMoved: "it sits loose, or too near what it watches",
  isItMovedOrLoose: "Does it sit loose, or nearer to the heat than it belongs?",
  anotherCutOff: "a cut-off of a lower temperature had been put in",
  isItAnotherCutOff: "Is its temperature lower than the file's?",
  tiredOfItself: "tired of its own years, nothing found that heats it",
  isAllElseSound: "Are vent, fan, water, thermostat and relay all sound?",
};
