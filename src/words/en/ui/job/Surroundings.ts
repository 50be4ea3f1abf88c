/** What ui/job/Surroundings says to people, in English. */
export const say = {
  typeOneOfTheTwo: "Type one of the two.",
  roomC: "Room, °C",
  lineVoltageV: "Line voltage, V",
  save: "Save",
  aRoomIsBetweenAnd: (low: number, high: number) => `A room is between ${low} and ${high} °C.`,
  aMainsIsBetweenAnd: (low: number, high: number) => `A mains is between ${low} and ${high} V.`,
};
