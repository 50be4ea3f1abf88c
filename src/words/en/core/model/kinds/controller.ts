/** What core/model/kinds/controller says to people, in English. */
export const say = {
  inputNeedsPullupohmsOrPulldownohms: (name: string) =>
    `input ${name} needs pullUpOhms or pullDownOhms, one of the two`,
  controllerDead: "controller dead",
  outputStaysOff: (name: string) => `output ${name} stays off`,
  scorchMarkOnTheBoard: "scorch mark on the board",
  driedWaterOrInsectsOn: "dried water or insects on the board",
  staticKillsBoardsTouchBare: "Static kills boards: touch bare grounded metal first, hold the board by its edges.",
  itsRailFirstThenWhat: "Its rail first, then what it is told at its inputs, then what it does at its outputs.",
};
