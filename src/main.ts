import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import next from "next";
import { GET as alive } from "./app/api/alive/route";
import { GET as health } from "./app/api/health/route";
import { collectOrphans } from "./server/photos";
import { prepareDictionaries } from "./server/isolation";
import { follower } from "./server/live";
import { randomUUID } from "node:crypto";
import { log } from "./log";
import { say } from "#words/main";

/**
 * The application's own server: the framework's, behind one that refuses what the framework cannot read and holds
 * nobody up for ever.
 * Called with the port; listens on the loopback only.
 */
const port = Number(process.argv[2]);
const hostname = "127.0.0.1";

/** Whether an address can be decoded; the framework answers 500 to one that cannot. */
function isReadable(url: string): boolean {
  try {
    decodeURIComponent(url);
    return true;
  } catch {
    return false;
  }
}

/** Asked by whoever watches over us, also while pages are being made: answered without the framework's many turns. */
const PLAIN: Readonly<Record<string, (request: Request) => Promise<Response>>> = {
  "/api/alive": alive,
  "/api/health": health,
};

async function direct(
  request: IncomingMessage,
  response: ServerResponse,
  answer: (request: Request) => Promise<Response>,
): Promise<void> {
  const headers = new Headers();
  for (const [name, value] of Object.entries(request.headers)) if (typeof value === "string") headers.set(name, value);
  const made = await answer(new Request(`http://${hostname}${request.url}`, { headers }));
  response.writeHead(made.status, Object.fromEntries(made.headers));
  response.end(await made.text());
}

/**
 * Pages that are made at once. One page is some 20 ms of one thread's work; of eight begun together each turn of
 * anything else, health among them, would wait for all.
 */
const AT_ONCE = 2;
/** A slow client holds nobody's turn for longer, milliseconds. */
const LONGEST_TURN = 250;

class Turns {
  private running = 0;
  private readonly waiting: (() => void)[] = [];

  /** Runs work in its turn; `done` gives the turn to the next, and so does time. */
  take(work: (done: () => void) => void): void {
    const begin = () => {
      this.running++;
      let over = false;
      const done = () => {
        if (over) return;
        over = true;
        clearTimeout(late);
        this.running--;
        // Not in this very turn of the loop: what came meanwhile goes first.
        setTimeout(() => this.waiting.shift()?.(), 0);
      };
      const late = setTimeout(done, LONGEST_TURN);
      work(done);
    };
    if (this.running < AT_ONCE && this.waiting.length === 0) begin();
    else this.waiting.push(begin);
  }
}

const turns = new Turns();
const isPage = (request: IncomingMessage) => request.method === "GET" && !/^\/(_next|api)\//.test(request.url ?? "/");

const app = next({ dev: false, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

/** Answers that took longer are logged, milliseconds. */
const SLOW = 1000;

/**
 * Gives a request its id, and logs what was written, what went wrong and what took long; what is merely read is not
 * worth a line.
 */
function watch(request: IncomingMessage, response: ServerResponse): void {
  const [id, began] = [randomUUID(), performance.now()];
  // Whatever a client calls its request, in our log it has our name.
  request.headers["x-request-id"] = id;
  response.once("close", () => {
    const took = Math.round(performance.now() - began);
    const { method, url = "/" } = request;
    const [status, path] = [response.statusCode, url.split("?")[0]];
    const follows = path!.endsWith("/live");
    if (method === "GET" && status < 400 && (took < SLOW || follows)) return;
    log()[status >= 500 ? "error" : "info"]({ request: id, method, path, status, took }, "answered");
  });
}

/** Milliseconds in which who was refused in the midst of what he sends may read why. */
const TO_READ_WHY = 1000;

/**
 * Who was answered before all that he sends was here is not listened to any further: the rest would be taken for it, or
 * the next thing sent on this connection for the rest.
 */
function partWith(request: IncomingMessage, response: ServerResponse): void {
  const { socket } = request;
  response.once("finish", () => {
    if (request.complete || socket.destroyed) return;
    socket.end();
    setTimeout(() => socket.destroy(), TO_READ_WHY).unref();
  });
}

const server = createServer((request, response) => {
  watch(request, response);
  partWith(request, response);
  if (!isReadable(request.url ?? "/")) {
    response.writeHead(400, { "content-type": "application/json", "x-content-type-options": "nosniff" });
    response.end(JSON.stringify({ error: say.thisAddressCannotBeRead }));
    return;
  }
  const answer = request.method === "GET" ? PLAIN[request.url ?? ""] : undefined;
  if (answer) return void direct(request, response, answer);
  if (!isPage(request)) return void handle(request, response);
  turns.take((done) => {
    response.once("close", done);
    void handle(request, response);
  });
});
// A connection nobody asks on is kept for longer than clients keep theirs: closed earlier, it closes now and then under
// the very next thing that is sent, milliseconds.
server.keepAliveTimeout = 75_000;
// A client that sends nothing for so long has gone away, milliseconds.
server.headersTimeout = 20_000;
server.requestTimeout = 60_000;
server.listen(port, hostname);
// While nobody asks yet: who opens a job finds its dictionary there.
prepareDictionaries().catch((error: unknown) => log().error({ err: error }, "The dictionaries could not be prepared"));
// Photos that no journal came to name: looked for now and then, as at every start.
setInterval(() => {
  collectOrphans(new Date()).catch((error: unknown) =>
    log().error({ err: error }, "Photos nobody names were not taken away"),
  );
}, 6 * 3_600_000).unref();
for (const name of ["SIGINT", "SIGTERM"] as const)
  process.on(name, () => {
    // What is under way is answered first; a stream that follows a journal would never end by itself.
    follower().close();
    server.close(() => process.exit(0));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 3000).unref();
  });
