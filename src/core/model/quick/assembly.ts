import type { Entry } from "./quick-machine";

/** An assembly as a file has it: what is done about it, minutes for that, the price of the spare. */
export const assembly = (
  id: string,
  name: string,
  repair: string,
  minutes: number,
  price: number,
  more: Entry = {},
): Entry => ({ id, name, repair, minutes, price, ...more });
