/** What core/model/kinds/buzzer says to people, in English. */
export const say = {
  takesItsCurrentAndStays: "takes its current and stays silent",
  soundHoleBlockedOrWet: "sound hole blocked or wet",
  listenCloseByOtherNoise: "Listen close by, other noise off.",
  offTheBoardFedWith: "Off the board, fed with its own voltage from a fused bench supply: it sounds.",
};
