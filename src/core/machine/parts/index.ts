import { compressor } from "./compressor";
import { contact } from "./contact";
import { controller } from "./controller";
import { cord } from "./cord";
import { dcFan } from "./dc-fan";
import { doorSwitch } from "./door-switch";
import { fuse } from "./fuse";
import { heater } from "./heater";
import { insulation } from "./insulation";
import type { PartKind } from "./kind";
import { ntc } from "./ntc";
import { outlet } from "./outlet";
import { panel } from "./panel";
import { regulator } from "./regulator";
import { relay } from "./relay";
import { switchedSupply } from "./switched-supply";
import { wire } from "./wire";

/** Every kind of part the program knows. A new kind is one file and one line here. */
export const PART_KINDS = [
  outlet, cord, fuse, wire, contact, insulation, switchedSupply, regulator, relay, heater, compressor, dcFan, ntc,
  doorSwitch, controller, panel,
] as const;

// The one place where the field type of a kind is forgotten: its fields were parsed by its own schema.
const BY_NAME = new Map<string, PartKind<unknown>>(PART_KINDS.map((kind) => [kind.kind, kind as unknown as PartKind<unknown>]));

/** The kind of a name, or undefined. */
export function partKind(name: string): PartKind<unknown> | undefined {
  return BY_NAME.get(name);
}
