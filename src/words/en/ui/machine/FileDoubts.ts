/** What ui/machine/FileDoubts says to people, in English. */
export const say = {
  worthALook: "Worth a look in this file",
};
