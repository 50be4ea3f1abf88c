/** What core/model/field-words says to people, in English. */
export const say = {
  aFieldOf: (kind: string) => `a field of every ${kind}`,
  inUnit: (unit: string) => `, in ${unit}`,
  usually: (usual: string) => `, usually ${usual}`,
};
