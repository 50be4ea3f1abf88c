/** What core/model/kinds/load says to people, in English. */
export const say = {
  coilOhms: "coil ohms",
};
