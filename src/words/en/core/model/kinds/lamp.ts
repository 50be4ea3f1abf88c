/** What core/model/kinds/lamp says to people, in English. */
export const say = {
  burntOut: "burnt out",
  greyGlassOrBrokenFilament: "grey glass or broken filament",
  lookBrightDimOrDark: "Look: bright, dim or dark.",
  aLampThatWasLit: "A lamp that was lit is hot.",
  outOfItsHolderContinuity: "Out of its holder: continuity.",
};
