/** What ui/machine/BoardEditor says to people, in English. */
export const say = {
  anotherPhoto: "Another photo",
  photoOfAssembly: (assembly: string) => `Photo of ${assembly}`,
  pointToMarkOn: (assembly: string) => `Point to mark on ${assembly}`,
  takeThisMarkOff: "Take this mark off",
  chooseAPointThenClick: "Choose a point, then click where it is on the board.",
  clickToMark: (assembly: string, point: string) => `${assembly}: click to mark ${point}`,
  thisIsNoPictureThat: "This is no picture that can be read; take a png, jpeg or webp.",
  evenMadeSmallThisPhoto: "Even made small this photo is too large for a file; crop it to the board.",
};
