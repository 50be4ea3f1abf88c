/** What ui/machine/BoardEditor says to people, in English. */
export const say = {
  anotherPhoto: "Another photo",
  photoOfPiece: (piece: string) => `Photo of ${piece}`,
  pointToMarkOn: (piece: string) => `Point to mark on ${piece}`,
  takeThisMarkOff: "Take this mark off",
  chooseAPointThenClick: "Choose a point, then click where it is on the board.",
  clickToMark: (piece: string, point: string) => `${piece}: click to mark ${point}`,
  thisIsNoPictureThat: "This is no picture that can be read; take a png, jpeg or webp.",
  evenMadeSmallThisPhoto: "Even made small this photo is too large for a file; crop it to the board.",
};
