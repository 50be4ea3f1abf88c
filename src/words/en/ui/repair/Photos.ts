/** What ui/repair/Photos says to people, in English. */
export const say = {
  openingThePhoto: "Opening the photo",
  photoI: (i: number) => `Photo ${i}`,
  keepingIt: "Keeping it",
  photoForStage: (stage: string) => `Photo for ${stage}`,
  photo: "Photo",
};
