/** What ui/job/useIsolation says to people, in English. */
export const say = {
  serverAdvice: "server advice",
  theComputationIsNotReady: "The computation is not ready yet.",
};
