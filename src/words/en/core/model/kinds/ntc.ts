/** What core/model/kinds/ntc says to people, in English. */
export const say = {
  driftedHigh: "drifted high",
  crustedOrDamagedSensor: "crusted or damaged sensor",
  unpluggedOhmsAgainstItsTable:
    "Unplugged: ohms against its table at the temperature it really has; then in stirred crushed ice.",
};
