/** What core/diagnose/evidence says to people, in English. */
export const say = {
  itComesOrGoesWhen: "It comes or goes when it is moved, knocked or its wires are touched",
  itFailsWhenItHas: "It fails when it has run warm, and is well again when cold",
  itComesAndGoesBy: "It comes and goes by itself",
  itStandsOrStoodIn: "It stands, or stood, in the damp",
  itHadNotBeenUsed: "It had not been used for months",
  someoneWorkedOnItShortly: "Someone worked on it shortly before",
  itFailedInAThunderstorm: "It failed in a thunderstorm or when the power came back",
  theUnit: "The unit",
  triedByHand: (name: string, trial: string, came: string) =>
    `${name}: ${trial}. ${came.charAt(0).toUpperCase()}${came.slice(1)}.`,
};
