import { configureCommand, functionNamed, type MeterFunction, readAnswer } from "../core/instrument";
import { changeRefused } from "../core/safety";
import type { Fault, Machine } from "../core/model";
import { SimulatedBench, type Leads } from "./bench";
import { DeviceLost, ScpiLine } from "./scpi-line";
import { standInMeter, standInSupply } from "./stand-in";
import type { Device } from "../contract/meters";
import { say } from "#words/devices";

/** What could not be done with a device, as a sentence, and whether asking again after confirming helps. */
export class DeviceRefusal extends Error {
  constructor(
    readonly reason: "leads" | "floats" | "function" | "lost" | "unknown",
    sentence: string,
  ) {
    super(sentence);
  }
}

interface Kept {
  readonly device: Device;
  readonly line: ScpiLine;
  /** What it was last set to; null when that is not known. */
  function: MeterFunction | null;
}

/**
 * Devices named in an environment variable, `Bench=10.0.0.5:5025; Loan=10.0.0.6:5025`. Only these addresses are ever
 * spoken to. Throws a RangeError naming the entry that cannot be read.
 */
export function devicesFrom(
  text: string,
  kind: Device["kind"],
): { readonly name: string; readonly host: string; readonly port: number; readonly kind: Device["kind"] }[] {
  return text
    .split(";")
    .map((t) => t.trim())
    .filter((t) => t !== "")
    .map((entry) => {
      const match = /^([^=]{1,40})=([A-Za-z0-9.-]+):(\d{1,5})$/.exec(entry);
      if (!match || Number(match[3]) > 65_535) throw new RangeError(say.isNoDeviceWriteName(entry));
      return { name: match[1]!.trim(), host: match[2]!, port: Number(match[3]), kind };
    });
}

/** The devices of one process, their lines and what each is set to. */
export class Meters {
  private readonly kept = new Map<string, Kept>();
  private bench: SimulatedBench | null = null;
  private readonly closing: (() => Promise<void>)[] = [];
  private began = 0;

  private constructor(private readonly now: () => number) {}

  /** Opens what is configured, and the stand-ins where they are wanted. `now` gives milliseconds. */
  static async open(
    config: { readonly meters: string; readonly supplies: string; readonly standIns: boolean },
    random: () => number,
    now: () => number,
  ): Promise<Meters> {
    const meters = new Meters(now);
    const add = (name: string, host: string, port: number, kind: Device["kind"], simulated: boolean) => {
      const id = `${kind}-${meters.kept.size + 1}`;
      meters.kept.set(id, { device: { id, name, kind, simulated }, line: new ScpiLine(host, port), function: null });
    };
    for (const d of [...devicesFrom(config.meters, "meter"), ...devicesFrom(config.supplies, "supply")])
      add(d.name, d.host, d.port, d.kind, false);
    if (config.standIns) {
      const meter = await standInMeter(
        (fn) => meters.bench?.measure(fn) ?? (fn === "ohms" ? { kind: "overload" } : { kind: "value", value: 0 }),
        random,
      );
      // The stand-in supply feeds something that falls asleep after half a minute and wakes up now and then.
      const supply = await standInSupply((volts) => {
        const t = (meters.now() - meters.began) / 1000;
        const awake = t < 30 || t % 60 < 3;
        return (volts / 12) * (awake ? 0.82 : 0.018) * (1 + 0.01 * (random() - 0.5));
      });
      add(say.standInMeter, "127.0.0.1", meter.port, "meter", true);
      add(say.standInSupply, "127.0.0.1", supply.port, "supply", true);
      meters.closing.push(meter.close, supply.close);
    }
    return meters;
  }

  list(): readonly Device[] {
    return [...this.kept.values()].map((k) => k.device);
  }

  /** Puts a machine on the stand-in's bench. */
  place(machine: Machine, faults: readonly Fault[]): void {
    this.bench = new SimulatedBench(machine, faults);
  }

  /** Lays the stand-in's leads, or takes them off. */
  lay(leads: Leads | null): void {
    this.bench?.lay(leads);
  }

  /**
   * One reading. `live`: the leads go to mains, so the meter's inputs must float (`floats`). `leadsOff` confirms that
   * the leads are off, before the function is changed from volts to ohms. Throws `DeviceRefusal`; nothing is read then.
   */
  async read(
    id: string,
    fn: MeterFunction,
    said: { readonly live: boolean; readonly floats: boolean; readonly leadsOff: boolean },
  ): Promise<{ readonly kind: "value"; readonly value: number } | { readonly kind: "overload" }> {
    const kept = this.known(id, "meter");
    const command = configureCommand(fn);
    if (!command) throw new DeviceRefusal("function", say.aLinkedMeterHasNo);
    if (said.live && !said.floats) throw new DeviceRefusal("floats", say.onMainsOnlyAMeter);
    if (kept.function !== fn) {
      const refused = changeRefused(kept.function, fn, said.leadsOff);
      if (refused) throw new DeviceRefusal("leads", refused);
    }
    return this.onLine(kept, async () => {
      if (kept.function !== fn) {
        kept.function = null;
        await kept.line.write(command);
      }
      const set = functionNamed(await kept.line.query("FUNCtion?"));
      if (set !== fn) {
        kept.function = set;
        throw new DeviceRefusal("function", say.theMeterIsSetTo);
      }
      kept.function = fn;
      const answer = readAnswer(await kept.line.query("READ?"));
      if (!answer) throw new DeviceRefusal("lost", say.whatTheMeterAnsweredIs);
      return answer;
    });
  }

  /** What a supply delivers now, amperes. Throws `DeviceRefusal`. */
  async current(id: string): Promise<number> {
    const kept = this.known(id, "supply");
    if (kept.device.simulated && this.began === 0) this.began = this.now();
    return this.onLine(kept, async () => {
      const answer = readAnswer(await kept.line.query("MEASure:CURRent:DC?"));
      if (answer?.kind !== "value") throw new DeviceRefusal("lost", say.whatTheSupplyAnsweredIs);
      return answer.value;
    });
  }

  async close(): Promise<void> {
    for (const k of this.kept.values()) k.line.close();
    for (const close of this.closing) await close();
  }

  private known(id: string, kind: Device["kind"]): Kept {
    const kept = this.kept.get(id);
    if (!kept || kept.device.kind !== kind) throw new DeviceRefusal("unknown", say.thereIsNoHere(kind, id));
    return kept;
  }

  private async onLine<T>(kept: Kept, work: () => Promise<T>): Promise<T> {
    try {
      return await work();
    } catch (error) {
      if (!(error instanceof DeviceLost)) throw error;
      // After a loss nobody knows what it is set to.
      kept.function = null;
      throw new DeviceRefusal("lost", say.nothingWasLoggedTypeThe(kept.device.name, error.message));
    }
  }
}
