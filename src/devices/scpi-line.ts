import { connect, type Socket } from "node:net";
import { say } from "#words/devices";

/** A device that cannot be reached, or stopped answering. */
export class DeviceLost extends Error {}

/** Longest answer taken, bytes. */
const MOST = 4096;

/** A line to one device: commands out, answers in, one at a time (SCPI over a raw TCP socket, newline ended). */
export class ScpiLine {
  private socket: Socket | null = null;
  private buffer = "";
  private waiting: { resolve(answer: string): void; reject(error: Error): void } | null = null;
  private queue: Promise<unknown> = Promise.resolve();

  constructor(
    readonly host: string,
    readonly port: number,
    readonly patience = 2000,
  ) {}

  /** Sends a command that is not answered. Throws `DeviceLost`. */
  write(command: string): Promise<void> {
    return this.inTurn(async () => {
      (await this.open()).write(`${command}\n`);
    });
  }

  /** Sends a query and waits for its answer. Throws `DeviceLost`. */
  query(command: string): Promise<string> {
    return this.inTurn(async () => {
      const socket = await this.open();
      return new Promise<string>((resolve, reject) => {
        const timer = setTimeout(() => {
          this.drop(new DeviceLost(say.theDeviceDoesNotAnswer));
        }, this.patience);
        this.waiting = {
          resolve: (a) => {
            clearTimeout(timer);
            resolve(a);
          },
          reject: (e) => {
            clearTimeout(timer);
            reject(e);
          },
        };
        this.buffer = "";
        socket.write(`${command}\n`);
      });
    });
  }

  close(): void {
    this.drop(new DeviceLost(say.theLineWasClosed));
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.queue.then(work, work);
    this.queue = next.catch(() => undefined);
    return next;
  }

  private open(): Promise<Socket> {
    if (this.socket && !this.socket.destroyed) return Promise.resolve(this.socket);
    return new Promise((resolve, reject) => {
      const socket = connect({ host: this.host, port: this.port });
      const timer = setTimeout(() => {
        socket.destroy();
        reject(new DeviceLost(say.nothingAnswersAt(this.host, this.port)));
      }, this.patience);
      socket.setNoDelay(true);
      socket.setEncoding("utf8");
      socket.once("connect", () => {
        clearTimeout(timer);
        this.socket = socket;
        resolve(socket);
      });
      socket.on("data", (chunk: string) => this.take(chunk));
      socket.on("error", () => {
        clearTimeout(timer);
        reject(new DeviceLost(say.nothingAnswersAt(this.host, this.port)));
        this.drop(new DeviceLost(say.theDeviceWasLost));
      });
      socket.on("close", () => this.drop(new DeviceLost(say.theDeviceHungUp)));
    });
  }

  private take(chunk: string): void {
    this.buffer += chunk;
    if (this.buffer.length > MOST) return this.drop(new DeviceLost(say.theDeviceTalksWithoutEnd));
    const end = this.buffer.indexOf("\n");
    if (end < 0 || !this.waiting) return;
    const answer = this.buffer.slice(0, end).trim();
    this.buffer = this.buffer.slice(end + 1);
    const { resolve } = this.waiting;
    this.waiting = null;
    resolve(answer);
  }

  private drop(error: Error): void {
    const { waiting, socket } = this;
    this.waiting = null;
    this.socket = null;
    waiting?.reject(error);
    socket?.destroy();
  }
}
