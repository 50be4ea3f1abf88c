"use client";

import { useCallback } from "react";
import type { MeterFunction } from "../../core/instrument";
import type { Reading } from "../../core/quantity";
import type { Device } from "../../contract/meters";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";
import { devices, layLeads as layLeadsOn, readDevice } from "../../contract/meters";
import { useRoute } from "../engine/useRoute";

const NONE: readonly Device[] = [];

/** The devices at hand; empty until they are known, and where none is configured. */
export function useDevices(): readonly Device[] {
  return useRoute(devices, []).value?.devices ?? NONE;
}

/** Whether this person has said, once, that a meter's inputs float and are rated for mains. */
export function useFloats(device: string): [boolean, (floats: boolean) => void] {
  const [kept, keep] = useKept(`unzo.meter.floats.${device}`);
  return [kept === "yes", useCallback((floats: boolean) => keep(floats ? "yes" : ""), [keep])];
}

/** One reading over the link. Throws the sentence why there is none. */
export async function readMeter(
  device: string,
  asked: {
    readonly function: MeterFunction;
    readonly live: boolean;
    readonly floats: boolean;
    readonly leadsOff: boolean;
  },
): Promise<Reading> {
  const { shown } = await send(readDevice, [device], asked);
  return asked.function === "continuity" ? { kind: "beep", beeps: shown.kind === "value" && shown.value < 30 } : shown;
}

/** Lays the leads of the stand-in on two points of a simulated machine, or takes them off. */
export async function layLeads(
  where: { readonly job?: string; readonly machine?: string; readonly fault?: string },
  leads: { readonly setup: string; readonly red: string; readonly black: string } | null,
): Promise<void> {
  await send(layLeadsOn, [], { ...where, leads });
}
