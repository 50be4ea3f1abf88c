/** What ui/job/ReadingField says to people, in English. */
export const say = {
  oneMomentTheLastEntry: "One moment, the last entry is still on its way. Then press Enter again.",
  typeWhatTheMeterShows: "Type what the meter shows. If it shows nothing, press Enter once more.",
  logTheReading: "Log the reading",
  overload: "Overload",
  oneOhm: "One ohm",
  whatDoYouSee: (name: string) => `What do you see: ${name}`,
  comesAndGoes: "comes and goes",
};
