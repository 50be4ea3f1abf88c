import { plural } from "../../plural";

/** What ui/machine/Packs says to people, in English. */
export const say = {
  packs: "Packs",
  packOfAll: "Fetch a pack of all machines",
  takeAPackIn: "Take a pack in",
  whatItIs: "A pack holds machine files with their pictures, and who learned what of them: for another shop.",
  yourShop: "Packed by (shop or person)",
  fileOfAPack: "File of a pack",
  readingThePack: "Reading the pack",
  sayWho: "Say who packs it first.",
  fromShop: (shop: string, n: number) => `From ${shop}: ${n} ${plural(n, "machine", "machines")}`,
  became: {
    new: "new here, in use",
    same: "the same as here",
    offered: "otherwise here: compare",
  },
};
