/** What core/model/sheet/mode-table says to people, in English. */
export const say = {
  noLogic: "This file has no board with a logic: a service mode belongs to one.",
  modeAndKeys: (line: string) => `"${line}": step, what it runs, then the keys: T3 drain pump: hold START 5 s`,
  isThere: (step: string) => `${step} is in the file already.`,
  hasModesOfItsOwn: "This board has a control program with modes of its own: add it there, under Edit.",
  runsWhat: (step: string, name: string) =>
    `${step}: "${name}" names nothing that the board drives. Name a load as the file does, or say "all off".`,
  onOrOff: (step: string, name: string) =>
    `${step}: does what "${name}" names run in it, or stand still? Name only what runs, or say "all off".`,
  mode: (step: string, runs: readonly string[], how: string) =>
    `${step}: ${runs.length === 0 ? "runs nothing" : `runs ${runs.join(" and ")}`}; ${how}`,
};
