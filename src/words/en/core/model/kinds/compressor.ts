/** What core/model/kinds/compressor says to people, in English. */
export const say = {
  startWindingOpen: "start winding open",
  windingOrStartDeviceOpen: "winding or start device open",
  seizedHumsAndDrawsStart: "seized, hums and draws start current",
  windingLeaksToTheCase: "winding leaks to the case",
  tooHotToTouchClicks: "too hot to touch, clicks off",
  listenAtTheShellA: "Listen at the shell; a hand on it feels it tremble, hot lines aside.",
  letACompressorRestBefore: "Let a compressor rest before it is started again, whatever the test mode allows.",
  sealedRefrigerantSystemLeaveIt: "Sealed refrigerant system: leave it closed; it is work for a licensed person.",
  deadLeadsOffOhmsOf: "Dead, leads off: ohms of the windings, then each to the case.",
};
