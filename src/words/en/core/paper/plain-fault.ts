/** How a failure is told to whoever owns the machine, in English: by the way it failed, `name` is the part's. */
const broken = (name: string) => `${name} was broken: no current went through it any more.`;
const shorted = (name: string) => `${name} had a short circuit inside.`;
const dead = (name: string) => `${name} no longer worked.`;
const stuckOn = (name: string) => `${name} was stuck and no longer switched off.`;
const stuckOff = (name: string) => `${name} no longer switched on.`;
const jammed = (name: string) => `${name} was jammed.`;
const tired = (name: string) => `${name} was worn and no longer gave its full strength.`;

export const say = {
  byMode: {
    open: broken,
    "coil-open": broken,
    "line-open": broken,
    "neutral-open": broken,
    "bridge-open": broken,
    "primary-open": broken,
    "secondary-open": broken,
    "burnt-out": (name: string) => `${name} was burnt out.`,
    blown: (name: string) => `${name} had blown.`,
    "earth-open": (name: string) =>
      `${name} no longer carried the protective earth. Nobody would have noticed before it was needed.`,
    "to-case": (name: string) => `${name} let current leak to the metal of the machine.`,
    resistive: (name: string) => `${name} made poor contact.`,
    short: shorted,
    shorted,
    "input-short": shorted,
    "rectifier-short": shorted,
    welded: stuckOn,
    "stuck-closed": stuckOn,
    "contact-open": stuckOff,
    "stuck-open": stuckOff,
    dead,
    "no-output": dead,
    seized: jammed,
    locked: jammed,
    jammed,
    weak: tired,
    flat: (name: string) => `${name} was flat.`,
    sagging: tired,
    "capacitor-dry": tired,
    "brushes-worn": tired,
    drifted: (name: string) => `${name} measured wrong values.`,
    "belt-off": (name: string) => `${name}: the belt was torn or off.`,
  } as Readonly<Record<string, (name: string) => string>>,
  other: (name: string, words: string) => `${name}: ${words}.`,
};
