/** What core/repair/loads-dead says to people, in English. */
export const say = {
  reads: (load: string, red: string, black: string, ohms: string) => `${load}, ${red} to ${black}: about ${ohms}`,
  toTheCase: (metal: string, megohms: number) => `to ${metal}: OL, and by 500 V at least ${megohms} Mohm`,
};
