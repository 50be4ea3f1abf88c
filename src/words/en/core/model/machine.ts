/** What core/model/machine says to people, in English. */
export const say = {
  lampLit: "lamp lit",
  lampDark: "lamp dark",
};
