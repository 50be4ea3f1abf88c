/** What core/model/sheet/part-numbers says to people, in English. */
export const say = {
  noSuchAssembly: (line: string) => `"${line}" begins with no assembly of this file. Begin with its name.`,
  noNumber: (name: string) => `${name}: its number? A number has a digit in it.`,
  numbered: (name: string, number: string) => `${name}, ${number}`,
  priced: (name: string, number: string, price: string) => `${name}, ${number}, costs ${price}`,
};
