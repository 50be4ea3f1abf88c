import { AsyncLocalStorage } from "node:async_hooks";
import pino, { type Logger } from "pino";
import { env } from "./env";

interface Shared {
  readonly requests: AsyncLocalStorage<string>;
  readonly logger: Logger;
}

// One log and one knowledge of whose work it is, however the routes are bundled.
const shared = (): Shared => {
  const store = globalThis as { unzoLog?: Shared };
  return (store.unzoLog ??= {
    requests: new AsyncLocalStorage<string>(),
    logger: pino({
      level: env().UNZO_LOG,
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
      formatters: { level: (label) => ({ level: label }) },
      mixin: () => {
        const request = shared().requests.getStore();
        return request === undefined ? {} : { request };
      },
      // What people wrote stays in the journal; the log names entries and places only.
      serializers: { err: pino.stdSerializers.err },
    }),
  });
};

/** The log: one JSON object a line, with the request it belongs to. */
export const log = (): Logger => shared().logger;

/** Runs work as part of a request, so that everything it logs bears the request's id. */
export function inRequest<T>(id: string, work: () => T): T {
  return shared().requests.run(id, work);
}

/** The id of the request that is being worked on; undefined outside of one. */
export const requestId = (): string | undefined => shared().requests.getStore();
