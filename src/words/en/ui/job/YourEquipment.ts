/** What ui/job/YourEquipment says to people, in English. */
export const say = {
  limits: "Limits",
  iRepairBoards: "I repair boards: on to the component",
  noLiveWork: "No live work",
  acClamp: "AC clamp",
  dcClamp: "DC clamp",
  traineeOrWorkingAloneExtra: "Trainee or working alone (extra caution)",
  limitsNoLiveWork: "Limits: no live work",
  limitsExtraCaution: "Limits: extra caution",
  toolsAndLimits: "Tools and limits",
  clampMeasuresInrush: "Clamp measures inrush",
  meterMeasuresFrequency: "Meter measures frequency",
  meterMeasuresCapacitance: "Meter measures capacitance",
  insulationTester: "Insulation tester",
};
