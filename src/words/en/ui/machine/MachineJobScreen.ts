/** What ui/machine/MachineJobScreen says to people, in English. */
export const say = {
  newJobOn: (maker: string, model: string) => `New job on ${maker} ${model}`,
  aJobOnAMaker: (maker: string, model: string) => `A job on a ${maker} ${model}`,
};
