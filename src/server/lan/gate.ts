import { createServer, type Server } from "node:https";
import type { IncomingMessage, ServerResponse } from "node:http";
import { hostname } from "node:os";
import { setTimeout as pause } from "node:timers/promises";
import { createProxyServer } from "httpxy";
import { knockOf, knownHosts, refusedByOrigin } from "../door";
import { PAIRED_FOR, type Pairing } from "./pairing";
import type { Certificate } from "./certificate";
import { pairingPage } from "./pairing-page";
import { say } from "#words/server/lan/gate";

const COOKIE = "__Host-unzo";
const MOST_BYTES = 1000;

/**
 * The door of the workshop network: TLS in front, the application on the loopback behind. Nothing but the pairing page
 * is shown to a device that has not paired.
 */
export function createGate(
  certificate: Certificate,
  target: string,
  pairing: Pairing,
  clock: () => number,
  addresses: readonly string[] = [],
): Server {
  const hosts = knownHosts([hostname(), ...addresses].join(","));
  const proxy = createProxyServer({ target, xfwd: true, changeOrigin: true, proxyTimeout: 120_000 });
  proxy.on("error", (_error, _request, response) => {
    if (response && "writeHead" in response && !response.headersSent)
      response.writeHead(502, { "content-type": "text/plain; charset=utf-8" });
    response?.end(say.unzoItselfDoesNotAnswer);
  });
  const server = createServer(
    { key: certificate.key, cert: certificate.cert, minVersion: "TLSv1.2" },
    (request, response) => {
      // Nothing that a stranger sends may end the process: what goes wrong ends that request.
      const broken = () => {
        if (!response.headersSent) response.writeHead(400);
        response.end();
      };
      const refused = refusedByOrigin(
        knockOf(request.method ?? "GET", (name) => textOf(request.headers[name])),
        hosts,
      );
      if (refused) {
        response.writeHead(refused.status, {
          "content-type": "text/plain; charset=utf-8",
          "cache-control": "no-store",
        });
        return void response.end(refused.sentence);
      }
      const pathname = (request.url ?? "/").split(/[?#]/)[0];
      if (pathname === "/pair") return void pair(request, response, pairing, clock()).catch(broken);
      // The application behind answers to its own name only, and so do the pages that it makes.
      if (request.headers.origin) request.headers.origin = target;
      if (pairing.isPaired(tokenOf(request), clock())) return void proxy.web(request, response).catch(broken);
      const wantsPage = request.method === "GET" && (request.headers.accept ?? "").includes("text/html");
      if (wantsPage) return redirect(response, "/pair");
      response.writeHead(401, { "content-type": "application/json", "cache-control": "no-store" });
      response.end(JSON.stringify({ error: say.thisDeviceIsNotPaired }));
    },
  );
  server.requestTimeout = 60_000;
  server.headersTimeout = 20_000;
  // Longer than browsers keep a connection: closed under the next thing sent, that would be lost.
  server.keepAliveTimeout = 75_000;
  return server;
}

async function pair(request: IncomingMessage, response: ServerResponse, pairing: Pairing, now: number): Promise<void> {
  if (request.method === "GET") return page(response, 200, "");
  if (request.method !== "POST") return page(response, 405, say.giveTheWordWithThe);
  const word = await formWord(request);
  if (word === null) return page(response, 413, say.thatIsNoPairingWord);
  const tried = pairing.tries(word, request.socket.remoteAddress ?? "", now);
  if (tried.holdUp > 0) await pause(tried.holdUp);
  if (tried.outcome === "wait") return page(response, 429, say.tooManyWrongWordsWait(tried.seconds));
  if (tried.outcome === "wrong") return page(response, 403, say.thatIsNotTheWord);
  response.setHeader(
    "set-cookie",
    `${COOKIE}=${tried.token}; Path=/; Secure; HttpOnly; SameSite=Lax; Max-Age=${PAIRED_FOR / 1000}`,
  );
  redirect(response, "/");
}

function redirect(response: ServerResponse, to: string): void {
  response.writeHead(303, { location: to, "cache-control": "no-store" });
  response.end();
}

function page(response: ServerResponse, status: number, problem: string): void {
  response.writeHead(status, {
    "content-type": "text/html; charset=utf-8",
    "cache-control": "no-store",
    "x-frame-options": "DENY",
    // Not "no-referrer": then the form would come from an origin of "null", which the door takes for a foreign one.
    "referrer-policy": "same-origin",
    "content-security-policy":
      "default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'",
  });
  response.end(pairingPage(problem));
}

/** The word of the form; null for more than a word. */
async function formWord(request: IncomingMessage): Promise<string | null> {
  let body = "";
  for await (const chunk of request) {
    body += String(chunk);
    if (body.length > MOST_BYTES) return null;
  }
  return new URLSearchParams(body).get("word") ?? "";
}

const textOf = (header: string | readonly string[] | undefined): string | null => {
  if (header === undefined) return null;
  return typeof header === "string" ? header : header.join(", ");
};

function tokenOf(request: IncomingMessage): string {
  const pairs = (request.headers.cookie ?? "").split(";").map((c) => c.trim().split("="));
  return pairs.find(([name]) => name === COOKIE)?.[1] ?? "";
}
