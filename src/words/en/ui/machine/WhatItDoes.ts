/** What ui/machine/WhatItDoes says to people, in English. */
export const say = {
  counts: (parts: number, plugs: number, points: number, states: number) =>
    `${parts} parts, ${plugs} ${plugs === 1 ? "plug" : "plugs"}, ${points} test points, ${states} states.`,
  allStill: "Nothing runs",
};
