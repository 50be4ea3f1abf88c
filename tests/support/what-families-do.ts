/**
 * What such a machine does in a state, by the names of its loads: common practice, no source (what stops what after
 * `FamilyFunction`, the trade's list of what is shown after a swap). A load that this unit has not is passed over; all
 * others stand still.
 */
export const DOES: Readonly<Record<string, Readonly<Record<string, readonly RegExp[]>>>> = {
  refrigerator: {
    cooling: [/^Compressor/, /^PTC/, /^Overload/, /^Run cap/, /^Evaporator fan/],
    defrost: [/^Defrost heater/],
    satisfied: [],
    "door-open": [/^Compressor/, /^PTC/, /^Overload/, /^Run cap/, /^Light/],
  },
  absorption: {
    "on-mains": [/^Mains element/],
    lighting: [/^Igniter/, /^Gas valve/],
    "on-gas": [/^Gas valve/],
    satisfied: [],
  },
  washer: {
    wash: [/^Door lock/, /^Drum motor/, /^Heater/],
    fill: [/^Door lock/, /^(?:Cold inlet|Hot inlet|Inlet) valve/],
    full: [/^Door lock/],
    drain: [/^Door lock/, /^Drain pump/],
    spin: [/^Door lock/, /^Drum motor/, /^Drain pump/],
    "no-water": [/^Door lock/, /^Drum motor/],
    "door-open": [],
  },
  dishwasher: {
    wash: [/^Circulation pump/, /^Heater/],
    fill: [/^Inlet valve/],
    full: [],
    drain: [/^Drain pump/],
    dispense: [/^Dispenser/],
    flood: [],
    "door-open": [],
  },
  "electric-dryer": {
    drying: [/^Drum motor/, /^Fan/, /^Heater/],
    "cool-down": [/^Drum motor/, /^Fan/],
    "door-open": [],
  },
  "gas-dryer": {
    lighting: [/^Drum motor/, /^Fan/, /^Igniter/, /^Gas valve/],
    burning: [/^Drum motor/, /^Fan/, /^Gas valve/],
    "cool-down": [/^Drum motor/, /^Fan/],
    "door-open": [],
  },
  "heat-pump-dryer": {
    drying: [/^Drum motor/, /^Fan/, /^Compressor/, /^Overload/, /^Run cap/, /^Water pump/],
    "tank-full": [/^Drum motor/, /^Fan/, /^Water pump/],
    "cool-down": [/^Drum motor/, /^Fan/],
    "door-open": [],
  },
  "ice-machine": {
    freeze: [/^Compressor/, /^PTC/, /^Overload/, /^Circulation pump/, /^Condenser fan/],
    fill: [/^Inlet valve/],
    full: [],
    harvest: [/^Compressor/, /^PTC/, /^Overload/, /^Hot-gas valve/, /^Purge pump/],
    "bin-full": [],
  },
  "vending-machine": {
    cooling: [/^Compressor/, /^PTC/, /^Overload/, /^Evaporator fan/, /^Light/],
    ready: [/^Light/],
    "vend-1": [/^Column motor 1/, /^Light/],
    "vend-2": [/^Column motor 2/, /^Light/],
    "vend-3": [/^Column motor 3/, /^Light/],
    "vend-4": [/^Column motor 4/, /^Light/],
    "door-open": [/^Light/],
  },
  "heated-dispenser": {
    heating: [/^Boiler$/],
    ready: [],
    brew: [/^Pump/, /^Drink valve/],
    "tank-empty": [/^Drink valve/],
    "door-open": [],
  },
  cooker: {
    plates: [/^Plate/],
    oven: [/^(?:Ring|Lower|Grill) element/, /^Oven (?:fan|lamp)/],
    "oven-hot": [/^Oven (?:fan|lamp)/],
    rest: [],
  },
  "dc-drive": {
    run: [/^Drive motor/, /^Run lamp/],
    stopped: [],
    "not-started": [],
    barrier: [],
    "cord-pulled": [],
    "guard-open": [],
  },
  "changeover-set": {
    "on-utility": [/^House load on utility/],
    lost: [/^Engine set/, /^House load on generator/],
    "selector-off": [],
    exercise: [/^House load on utility/],
  },
  "battery-tool": {
    both: [/^Motor$/, /^Driving solenoid/, /^Work lamp/],
    rest: [],
    trigger: [/^Work lamp/],
    nose: [],
  },
};

/** What is seen of a load that does nothing. */
export const STILL = [
  "stands",
  "still",
  "turns freely",
  "silent",
  "dark",
  "shut",
  "free",
  "no flame",
  "at rest",
  "rests",
];
