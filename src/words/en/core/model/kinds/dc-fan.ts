/** What core/model/kinds/dc-fan says to people, in English. */
export const say = {
  unpluggedFromTheBoardFed: "Unplugged from the board, fed with its own voltage from a fused bench supply.",
};
