/** What core/workbench/fuse-times says to people, in English. */
export const say = {
  quick: "quick, IEC 60127",
  slow: "time-lag, IEC 60127",
  ul: "UL 248-14",
  blade: "blade, ISO 8820-3",
};
