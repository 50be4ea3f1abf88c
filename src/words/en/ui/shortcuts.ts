/** What ui/shortcuts says to people, in English. */
export const say = {
  keyboardAndColours: "Keyboard and colours",
  singleKeysYN1: "Single keys (y, n, 1, /) work outside of fields",
  changeTheKey: (shortcutwords: string) => `Change the key: ${shortcutwords}`,
  change: "Change",
  usualKey: "Usual key",
  pressTheNewKey: "Press the new key",
  save: "Save",
  again: "Again",
  recordAKey: "Record a key",
  cancel: "Cancel",
  theBrowserTakesThisKey: "The browser takes this key. Choose another.",
  inUseShortcutwords: (shortcutwords: string) => `In use: ${shortcutwords}.`,
};
