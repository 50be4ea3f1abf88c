/** What ui/job/SafetyNotice says to people, in English. */
export const say = {
  beforeYouMeasureOnA: "Before you measure on a powered machine",
  powerOffToOpenAny: "Power off to open any panel and to place or move the leads. Leads first, then power.",
  proveTheMeterALive: "Prove the meter: a live point, then dead, then live again.",
  oneHandWhereYouCan: "One hand where you can. No rings, dry floor, shrouded tips, leads rated for the mains.",
  switchedOffIsNotDead: "Switched off is not dead. Only the pulled plug is, after the wait.",
  localCodesAndLicensedPractice:
    "Local codes and licensed practice come first. If you are not allowed to work live, make the dead tests only.",
  iWorkThatWay: "I work that way",
};
