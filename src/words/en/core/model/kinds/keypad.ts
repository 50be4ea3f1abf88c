/** What core/model/kinds/keypad says to people, in English. */
export const say = {
  aKeypadNeedsAtLeast: "a keypad needs at least one key",
  keyKeyDead: (key: string) => `key ${key} dead`,
  keyKeyStuck: (key: string) => `key ${key} stuck`,
  waterUnderTheKeyFoil: "water under the key foil",
  plugOffOhmsBetweenThe: "Plug off: ohms between the two pins of each key, pressed and free.",
};
