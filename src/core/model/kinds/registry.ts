import { acFan } from "./ac-fan";
import { battery } from "./battery";
import { benchFeed } from "./bench-feed";
import { breaker } from "./breaker";
import { buzzer } from "./buzzer";
import { capacitor } from "./capacitor";
import { capacitorMotor } from "./capacitor-motor";
import { charger } from "./charger";
import { coinInput } from "./coin-input";
import { compressor } from "./compressor";
import { contact } from "./contact";
import { controller } from "./controller";
import { coolingUnit } from "./cooling-unit";
import { cord } from "./cord";
import { dcFan } from "./dc-fan";
import { diode } from "./diode";
import { doorLock } from "./door-lock";
import { doorSwitch } from "./door-switch";
import { driven } from "./driven";
import { earthLeakageBreaker } from "./earth-leakage-breaker";
import { engineSet } from "./engine-set";
import { fuse } from "./fuse";
import { gasValveCoil } from "./gas-valve-coil";
import { hallSensor } from "./hall-sensor";
import { handSwitch } from "./hand-switch";
import { heater } from "./heater";
import { indicator } from "./indicator";
import { innerShort } from "./inner-short";
import { inrushResistor } from "./inrush-resistor";
import { insulation } from "./insulation";
import { jumper } from "./jumper";
import { keypad } from "./keypad";
import { lamp } from "./lamp";
import { led } from "./led";
import { lineFilter } from "./line-filter";
import { linearSupply } from "./linear-supply";
import { motor } from "./motor";
import { motorDrive } from "./motor-drive";
import { nonIsolatedSupply } from "./non-isolated-supply";
import { ntc } from "./ntc";
import { outlet } from "./outlet";
import { panel } from "./panel";
import { paymentInput } from "./payment-input";
import { pinBoard } from "./pin-board";
import { potentiometer } from "./potentiometer";
import { pressureSwitch } from "./pressure-switch";
import { ptc } from "./ptc";
import { pump } from "./pump";
import { reedSwitch } from "./reed-switch";
import { regulator } from "./regulator";
import { relay } from "./relay";
import { resistor } from "./resistor";
import { rtd } from "./rtd";
import { runCapacitor } from "./run-capacitor";
import { solenoid } from "./solenoid";
import { splitOutlet } from "./split-outlet";
import { stagedSupply } from "./staged-supply";
import { switchedSupply } from "./switched-supply";
import { thermalCutOff } from "./thermal-cut-off";
import { thermostat } from "./thermostat";
import { transformer } from "./transformer";
import { transistorSwitch } from "./transistor-switch";
import { solidStateRelay } from "./solid-state-relay";
import { threePhaseMotor } from "./three-phase-motor";
import { threePhaseOutlet } from "./three-phase-outlet";
import { contactor } from "./contactor";
import { lowVoltageFeed } from "./low-voltage-feed";
import { triac } from "./triac";
import { valve } from "./valve";
import { varistor } from "./varistor";
import { wire } from "./wire";
import type { PartKind } from "../kind";

/** Every kind of part a file may name. A new kind is one file and one line here. */
export const PART_KINDS = [
  // Sources and protection
  outlet,
  splitOutlet,
  threePhaseOutlet,
  lowVoltageFeed,
  battery,
  earthLeakageBreaker,
  engineSet,
  cord,
  breaker,
  fuse,
  thermalCutOff,
  varistor,
  inrushResistor,
  // Conductors
  wire,
  contact,
  insulation,
  lineFilter,
  // Supplies
  switchedSupply,
  stagedSupply,
  nonIsolatedSupply,
  linearSupply,
  transformer,
  regulator,
  // Switching
  handSwitch,
  doorSwitch,
  doorLock,
  keypad,
  relay,
  contactor,
  solidStateRelay,
  triac,
  transistorSwitch,
  diode,
  thermostat,
  pressureSwitch,
  reedSwitch,
  charger,
  coinInput,
  paymentInput,
  // Loads
  heater,
  motor,
  capacitorMotor,
  threePhaseMotor,
  runCapacitor,
  compressor,
  acFan,
  dcFan,
  pump,
  valve,
  solenoid,
  gasValveCoil,
  lamp,
  led,
  buzzer,
  motorDrive,
  driven,
  coolingUnit,
  // Sensing
  ntc,
  ptc,
  rtd,
  hallSensor,
  potentiometer,
  resistor,
  capacitor,
  // Boards
  controller,
  pinBoard,
  panel,
  indicator,
] as const;

/**
 * The id of a kind that a file may name: what is asked of every kind elsewhere is a `Record<KindId, ...>`, so that
 * the compiler names what is missing.
 */
export type KindId = (typeof PART_KINDS)[number]["kind"];

/** What the program puts in itself: for the interventions of a setup, for a short; no file names them. */
const RIG_KINDS = [jumper, benchFeed, innerShort];

// The one place where the field type of a kind is forgotten: its fields were parsed by its own schema.
const BY_NAME = new Map<string, PartKind<unknown>>(
  [...PART_KINDS, ...RIG_KINDS].map((kind) => [kind.kind, kind as unknown as PartKind<unknown>]),
);

/** The kind of a name, or undefined. */
export function partKind(name: string): PartKind<unknown> | undefined {
  return BY_NAME.get(name);
}
