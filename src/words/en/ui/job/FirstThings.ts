/** What ui/job/FirstThings says to people, in English. */
export const say = {
  beforeYouOpenIt: "Before you open it",
  nothingOpened: "Nothing opened",
  underAMinute: "under a minute",
  yes: "Yes",
  no: "No",
  notNow: "Not now",
  thenLater: (later: string) => `Then: ${later}`,
  startMeasuring: "Start measuring",
  loggedBodyWords: (bodyWords: string) => `Logged: ${bodyWords} `,
  undo: "Undo",
  askedAndCompared: "Asked and compared",
  asked: "Asked",
  takeBackBodyWords: (bodyWords: string) => `Take back: ${bodyWords}`,
};
