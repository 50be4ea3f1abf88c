/** What core/model/kinds/charger says to people, in English. */
export const say = {
  doesNotCharge: "does not charge",
  chargesTooLittle: "charges too little",
  beltSlackOrGlazed: "belt slack or glazed",
  chargeWarningStaysLit: "charge warning stays lit with the engine running",
  engineRunsHandsAway:
    "The engine runs: hands, sleeves and leads away from belt and fan. Never take a battery lead off now.",
  voltsAtTheBattery: "Engine running, lights on: volts at the battery's own posts.",
};
