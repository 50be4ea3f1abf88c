import { createServer, type AddressInfo, type Server, type Socket } from "node:net";
import { functionNamed, type MeterFunction, OVERLOAD, shortened } from "../core/instrument";
import type { Reading } from "../core/quantity";
import { say } from "#words/devices";

/** A server of SCPI lines on loopback; `handle` answers a command, or nothing. */
async function serveLines(
  handle: (line: string) => string | null,
): Promise<{ readonly port: number; close(): Promise<void> }> {
  const sockets = new Set<Socket>();
  const server: Server = createServer((socket) => {
    sockets.add(socket);
    let buffer = "";
    socket.setEncoding("utf8");
    socket.on("data", (chunk: string) => {
      buffer += chunk;
      for (let end = buffer.indexOf("\n"); end >= 0; end = buffer.indexOf("\n")) {
        const line = buffer.slice(0, end).trim();
        buffer = buffer.slice(end + 1);
        for (const command of line
          .split(";")
          .map((c) => c.trim())
          .filter(Boolean)) {
          const answer = handle(command);
          if (answer !== null) socket.write(`${answer}\n`);
        }
      }
      if (buffer.length > 4096) socket.destroy();
    });
    socket.on("close", () => sockets.delete(socket));
    socket.on("error", () => socket.destroy());
  });
  await new Promise<void>((resolve, reject) => {
    server.once("error", reject);
    server.listen(0, "127.0.0.1", resolve);
  });
  return {
    port: (server.address() as AddressInfo).port,
    close: () =>
      new Promise((resolve) => {
        for (const s of sockets) s.destroy();
        server.close(() => resolve());
      }),
  };
}

/** A bench meter that ships: it reads what `measure` finds, with noise of its own. */
export async function standInMeter(
  measure: (fn: MeterFunction) => Reading,
  random: () => number,
): Promise<{ readonly port: number; close(): Promise<void> }> {
  let fn: MeterFunction = "dcv";
  let error = "";
  const noise = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const read = () => {
    const shown = measure(fn);
    if (shown.kind === "overload") return OVERLOAD;
    let value: number;
    if (shown.kind === "value") value = shown.value;
    else if (shown.kind === "jumping") value = shown.low + (shown.high - shown.low) * random();
    else if (shown.kind === "beep") {
      if (shown.beeps) value = 1;
      else value = OVERLOAD;
    } else value = 0;
    // A fifth of the accuracy comes and goes from reading to reading; the rest is the meter's own offset.
    return value >= OVERLOAD ? value : value * (1 + 0.0005 * noise()) + 0.0005 * noise();
  };
  return serveLines((line) => {
    const [header, ...rest] = line.split(/\s+/);
    const command = shortened(header!);
    if (command === "*IDN?") return say.unzoStandInMeter0;
    if (command === "*RST") {
      fn = "dcv";
      return null;
    }
    if (command === "FUNC?" || command === "SENS:FUNC?")
      return `"${{ dcv: "VOLT", acv: "VOLT:AC", ohms: "RES", continuity: "CONT", hertz: "FREQ", capacitance: "CAP" }[fn as "dcv"]}"`;
    if (command === "SYST:ERR?") {
      const last = error || say.noError;
      error = "";
      return last;
    }
    if (command === "READ?") return read().toExponential(6);
    const conf = /^(CONF|MEAS):(.+?)(\?)?$/.exec(command);
    const named = conf ? functionNamed(conf[2]!) : null;
    if (conf && named) {
      fn = named;
      return conf[1] === "MEAS" && conf[3] ? read().toExponential(6) : null;
    }
    error = say.undefinedHeaderLineCount(line.slice(0, 40).replaceAll('"', "'"), rest.length);
    return command.endsWith("?") ? "" : null;
  });
}

/** A bench supply that ships: volts and a current limit; what it delivers is asked of `load` (amperes at its volts). */
export async function standInSupply(
  load: (volts: number) => number,
): Promise<{ readonly port: number; close(): Promise<void> }> {
  let [volts, limit, on] = [12, 1, true];
  return serveLines((line) => {
    const [header, value] = line.split(/\s+/);
    const command = shortened(header!);
    const number = Number(value);
    if (command === "*IDN?") return say.unzoStandInSupply0;
    if (command === "VOLT" || command === "SOUR:VOLT") {
      if (number >= 0 && number <= 60) volts = number;
      return null;
    }
    if (command === "CURR" || command === "SOUR:CURR") {
      if (number >= 0 && number <= 20) limit = number;
      return null;
    }
    if (command === "OUTP") {
      on = /^(1|ON)$/i.test(value ?? "");
      return null;
    }
    if (command === "VOLT?") return volts.toExponential(4);
    if (command === "MEAS:VOLT?" || command === "MEAS:VOLT:DC?") return (on ? volts : 0).toExponential(6);
    if (command === "MEAS:CURR?" || command === "MEAS:CURR:DC?")
      return (on ? Math.min(limit, load(volts)) : 0).toExponential(6);
    return command.endsWith("?") ? "" : null;
  });
}
