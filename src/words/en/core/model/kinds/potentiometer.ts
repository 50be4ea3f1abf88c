/** What core/model/kinds/potentiometer says to people, in English. */
export const say = {
  trackOpenAtEndB: "track open at end b",
  wiperLiftsOff: "wiper lifts off",
  deadPlugOffEndTo: "Dead, plug off: end to end, then wiper to an end through its whole sweep, looking for jumps.",
};
