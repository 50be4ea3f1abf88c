/**
 * What is so of a kind of part, whoever asks: what can hurt, what protects, what it belongs to. Everything outside the
 * model asks for a trait and never for a kind by its name, so that a new kind says everything of itself in its own
 * file.
 */
export type Trait =
  // What can hurt.
  /** Moves when it works. */
  | "moves"
  /** Moves without anybody touching it: a control, a thermostat or a timer lets it. */
  | "starts-by-itself"
  /** A spring or a weight moves it when it is let go. */
  | "spring-or-weight"
  /** Holds something up, or moves what does. */
  | "suspended-load"
  | "hot"
  /** Water that may have been heated stands or flows in it. */
  | "hot-water"
  | "sharp"
  /** Keeps a charge after every source is off. */
  | "stores-charge"
  /** Its terminals cannot be switched off: what bridges them burns. */
  | "battery-arc"
  | "refrigerant"
  | "flammable-refrigerant"
  | "gas"
  /** Work for a licensed trade whatever a file says: refrigerant, gas, the wiring of a house. */
  | "licensed"
  // What protects.
  /** Opens to protect: never bridged while energised, never renewed before what opened it is found. */
  | "protects"
  /** Opens on too much current. */
  | "over-current"
  /** Keeps a person or the machine from harm by opening or holding shut. */
  | "interlock"
  /** Someone may have bridged it to keep a machine going. */
  | "often-bridged"
  // What it is in the circuit.
  /** Carries current from one place to another and does nothing else. */
  | "conductor"
  /** What keeps live parts from the metalwork. */
  | "insulates"
  | "supply-cord"
  /** Of the loom between the assemblies, and not of an assembly. */
  | "harness"
  | "plug-contact"
  /** Breaks the current of what hangs behind it. */
  | "breaks-current"
  /** A supply whose output is joined to the mains. */
  | "not-isolating"
  /** Turns all it takes into heat. */
  | "heats"
  // What it is for a person.
  /** Text or figures one reads. */
  | "display"
  /** A small lamp on a board. */
  | "board-lamp"
  /** What it shows is worked by a control program and may be a code. */
  | "tells-codes"
  | "light"
  | "worked-by-hand"
  | "takes-payment"
  // How it fails.
  /** Its faults come and go. */
  | "comes-and-goes"
  /** Wears with the years and is cheap beside the work of opening the machine again. */
  | "ages";

/** Every trait, in the order of the table that people read. */
export const TRAITS = [
  "moves",
  "starts-by-itself",
  "spring-or-weight",
  "suspended-load",
  "hot",
  "hot-water",
  "sharp",
  "stores-charge",
  "battery-arc",
  "refrigerant",
  "flammable-refrigerant",
  "gas",
  "licensed",
  "protects",
  "over-current",
  "interlock",
  "often-bridged",
  "conductor",
  "insulates",
  "supply-cord",
  "harness",
  "plug-contact",
  "breaks-current",
  "not-isolating",
  "heats",
  "display",
  "board-lamp",
  "tells-codes",
  "light",
  "worked-by-hand",
  "takes-payment",
  "comes-and-goes",
  "ages",
] as const satisfies readonly Trait[];

/** Whether a part has one of these traits. */
export function has(
  part: { readonly kind: { readonly safety: { readonly traits: readonly Trait[] } } },
  ...traits: readonly Trait[]
): boolean {
  return traits.some((trait) => part.kind.safety.traits.includes(trait));
}
