/** What core/model/family/absorption says to people, in English. */
export const say = {
  name: "Absorption refrigerator",
  element: "Mains element",
  boilerCutOff: "Boiler cut-off",
  coolSensor: "Fin sensor",
  flueCover: "Cover over boiler and flue",
  onMains: { name: "Cooling on mains", how: "Set it to mains, warm inside." },
  lighting: {
    name: "Lighting on gas",
    how: "Set it to gas, burner cold: look within the first minute. Licensed work.",
  },
  onGas: { name: "Cooling on gas", how: "Set it to gas, wait until the flame stands. Licensed work." },
  satisfied: { name: "Cold enough", how: "Cold inside: it has switched itself off." },
  askLevel: "Does it stand level, its vents clear?",
  levelThen: "Level it, clear the vents; give it eight hours.",
  askGas: "Does it burn gas too?",
  askCutOff: "Is there a cut-off at the boiler?",
  caution: "Yellow stain or a smell of ammonia: the cooling unit leaks. Air the room, off, do not open it.",
};
