"use client";

import { useCallback, useEffect, useState } from "react";
import type { MeterFunction } from "../../core/instrument/meter";
import type { Shown } from "../../core/quantity/read";
import type { Device } from "../../devices/meters";
import { send } from "../shell/send";
import { useKept } from "../shell/useKept";

/** The devices at hand; empty until they are known, and where none is configured. */
export function useDevices(): readonly Device[] {
  const [devices, setDevices] = useState<readonly Device[]>([]);
  useEffect(() => {
    let current = true;
    fetch("/api/meters")
      .then((r) => r.json())
      .then(
        ({ devices: found }: { devices?: Device[] }) => {
          if (current && found) setDevices(found);
        },
        () => {},
      );
    return () => {
      current = false;
    };
  }, []);
  return devices;
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
): Promise<Shown> {
  const { shown } = await send<{ shown: Shown }>(`/api/meters/${device}/read`, asked);
  return asked.function === "continuity" ? { kind: "beep", beeps: shown.kind === "value" && shown.value < 30 } : shown;
}

/** Lays the leads of the stand-in on two points of a simulated machine, or takes them off. */
export async function layLeads(
  where: { readonly job?: string; readonly machine?: string; readonly fault?: string },
  leads: { readonly setup: string; readonly red: string; readonly black: string } | null,
): Promise<void> {
  await send("/api/meters/stand-in", { ...where, leads });
}
