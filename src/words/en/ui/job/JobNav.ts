/** What ui/job/JobNav says to people, in English. */
export const say = {
  viewsOfTheJob: "Views of the job",
  compressorRestartDelay: "Compressor restart delay",
  restartDelay: "restart delay",
  calculatorsAndBench: "Calculators and bench",
  calc: "Calc",
};
