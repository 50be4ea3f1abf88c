/** What core/model/kinds/fan says to people, in English. */
export const say = {
  windingOpen: "winding open",
  bladesTurnStifflyByHand: "blades turn stiffly by hand",
  listenForAirHoldA: "Listen for air; hold a strip of paper to the grille.",
  fingersAndSleevesClearOf: "Fingers and sleeves clear of the blades: it starts by itself.",
};
