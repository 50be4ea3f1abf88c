/** Words of the trade that are explained where they stand, as docs/glossary.md has them. */
export const TERMS = {
  suspects: {
    word: "Suspects",
    says: "Assemblies the fault may lie in, the likeliest first, by all that is known so far.",
  },
  overload: {
    word: "OL",
    says: "Overload: the meter finds no path, or more than it can show.",
  },
  lowz: {
    word: "Low-impedance volts",
    says: "A volts function that loads the circuit with a few kilohms: what a wire beside it only induces falls to nothing.",
  },
  differs: {
    word: "Differs from the file",
    says: "The unit is not built as its machine file says: another part, a bridge, a part that is not there.",
  },
};
