/** What core/model/kinds/door-lock says to people, in English. */
export const say = {
  coilOpen: "coil open",
  boltDoesNotMove: "bolt does not move",
  doesNotReportTheBolt: "does not report the bolt",
  doorHookBentOrWorn: "door hook bent or worn",
  listenForTheClickPull: "Listen for the click; pull the door gently.",
  aLockedDoorIsNot: "A locked door is not forced. Power off and let the bolt fall back first.",
  deadPlugOffOhmsOf: "Dead, plug off: ohms of the coil; contact open while it is free.",
};
