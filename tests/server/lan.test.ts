import { X509Certificate } from "node:crypto";
import { mkdtempSync, rmSync, statSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { request } from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { certificateFor } from "../../src/server/lan/certificate";
import { createGate } from "../../src/server/lan/gate";
import { PAIRED_FOR, Pairing } from "../../src/server/lan/pairing";
import { pairingPage } from "../../src/server/lan/pairing-page";

const folder = mkdtempSync(path.join(tmpdir(), "unzo-lan-"));
const NOW = Date.UTC(2026, 10, 25, 6);
let clock = NOW;
let app: Server;
let gate: ReturnType<typeof createGate>;
let port: number;
let target: string;
const words: string[] = [];
const pairing = new Pairing((word) => words.push(word));

const listening = (server: Server | ReturnType<typeof createGate>) =>
  new Promise<number>((resolve) => {
    server.listen(0, "127.0.0.1", () => resolve((server.address() as AddressInfo).port));
  });

beforeAll(async () => {
  app = createServer((req, res) => {
    let body = "";
    req.on("data", (d) => {
      body += String(d);
    });
    req.on("end", () => {
      if (req.url === "/names") return res.end(`http://${req.headers.host} ${req.headers.origin}`);
      return res.end(`app ${req.method} ${req.url} ${body} ${req.headers["x-forwarded-proto"]}`);
    });
  });
  target = `http://127.0.0.1:${await listening(app)}`;
  gate = createGate(await certificateFor(["192.0.2.7"], folder, new Date(NOW)), target, pairing, () => clock);
  port = await listening(gate);
});
afterAll(() => {
  gate.close();
  app.close();
  rmSync(folder, { recursive: true });
});

function ask(
  path: string,
  {
    method = "GET",
    body = "",
    headers = {},
  }: { method?: string; body?: string; headers?: Record<string, string> } = {},
): Promise<{ status: number; headers: Record<string, string | string[] | undefined>; text: string }> {
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        host: "127.0.0.1",
        port,
        path,
        method,
        rejectUnauthorized: false,
        headers: {
          ...(body
            ? { "content-type": "application/x-www-form-urlencoded", "content-length": String(body.length) }
            : {}),
          ...headers,
        },
      },
      (answer) => {
        let text = "";
        answer.on("data", (d) => {
          text += String(d);
        });
        answer.on("end", () => resolve({ status: answer.statusCode!, headers: answer.headers, text }));
      },
    );
    sent.on("error", reject);
    sent.end(body);
  });
}

describe("a phone at the machine", () => {
  test("the certificate names the addresses, is kept while it fits, its key read by nobody else", async () => {
    const first = await certificateFor(["192.0.2.7"], folder, new Date(NOW));
    const x509 = new X509Certificate(first.cert);
    expect([x509.checkIP("192.0.2.7"), x509.checkIP("127.0.0.1"), x509.checkHost("localhost")]).not.toContain(
      undefined,
    );
    expect(x509.checkIP("192.0.2.8")).toBeUndefined();
    expect((await certificateFor(["192.0.2.7"], folder, new Date(NOW + 86_400_000))).fingerprint).toBe(
      first.fingerprint,
    );
    expect(statSync(path.join(folder, "key.pem")).mode & 0o077).toBe(0);
    const other = await certificateFor(["192.0.2.8"], mkdtempSync(path.join(folder, "x")), new Date(NOW));
    expect(other.fingerprint).not.toBe(first.fingerprint);
  });

  test("who has not paired sees the pairing page and nothing else", async () => {
    expect(await ask("/", { headers: { accept: "text/html" } })).toMatchObject({
      status: 303,
      headers: { location: "/pair" },
    });
    const api = await ask("/api/jobs", { method: "POST", body: "x=1" });
    expect(api.status).toBe(401);
    expect(api.text).toContain("not paired");
    expect((await ask("/_next/static/x.js")).status).toBe(401);
    const page = await ask("/pair");
    expect([page.status, page.text.includes("Pairing word"), page.text.includes(pairing.word)]).toEqual([
      200,
      true,
      false,
    ]);
    expect((await ask("/", { headers: { cookie: "__Host-unzo=guessed", accept: "text/html" } })).status).toBe(303);
  });

  test("a wrong word is refused; the right one pairs, once", async () => {
    const { word } = pairing;
    const wrong = await ask("/pair", { method: "POST", body: "word=alder-alder-0000x" });
    expect([wrong.status, wrong.text.includes("not the word"), wrong.headers["set-cookie"]]).toEqual([
      403,
      true,
      undefined,
    ]);
    // Capitals and blanks do not matter.
    const right = await ask("/pair", {
      method: "POST",
      body: `word=${encodeURIComponent(word.toUpperCase().replace(/-/g, " "))}`,
    });
    expect([right.status, right.headers.location]).toEqual([303, "/"]);
    const [cookie] = right.headers["set-cookie"] as string[];
    expect(cookie).toMatch(/^__Host-unzo=[\w-]{43}; Path=\/; Secure; HttpOnly; SameSite=Lax; Max-Age=43200$/);
    expect(words.at(-1)).toBe(pairing.word);
    expect(pairing.word).not.toBe(word);
    expect((await ask("/pair", { method: "POST", body: `word=${word}` })).status).toBe(403);
    const own = { cookie: cookie!.split(";")[0]! };
    expect((await ask("/jobs/1?x=2", { method: "POST", body: "a=b", headers: own })).text).toBe(
      "app POST /jobs/1?x=2 a=b https",
    );
    // Behind the gate the application is called by its own name, and so is where a page of it comes from.
    const headers = { ...own, origin: `https://127.0.0.1:${port}` };
    expect((await ask("/names", { method: "POST", body: "a=b", headers })).text).toBe(`${target} ${target}`);
    clock = NOW + PAIRED_FOR + 1;
    expect((await ask("/jobs/1", { headers: own })).status).toBe(401);
    clock = NOW;
  });

  test("guessing is slowed down by address, and a long guess is no guess", async () => {
    clock = NOW + 600_000;
    const statuses = [];
    for (let i = 0; i < 8; i++) statuses.push((await ask("/pair", { method: "POST", body: "word=x" })).status);
    expect(statuses).toEqual([403, 403, 403, 403, 403, 403, 429, 429]);
    // From there even the right word has to wait.
    expect((await ask("/pair", { method: "POST", body: `word=${pairing.word}` })).text).toMatch(/Wait \d+ seconds/);
    clock += 61_000;
    expect((await ask("/pair", { method: "POST", body: `word=${"x".repeat(5000)}` })).status).toBe(413);
    expect((await ask("/pair", { method: "PUT" })).status).toBe(405);
    expect((await ask("/pair", { method: "POST", body: `word=${pairing.word}` })).status).toBe(303);
  });

  test("a stranger locks out nobody else and does not change the word; everyone is held up a little", () => {
    const made: string[] = [];
    const other = new Pairing((w) => made.push(w));
    const { word } = other;
    for (let i = 0; i < 500; i++) other.tries("no", "stranger", i);
    for (let i = 0; i < 500; i++) other.tries("no", `address ${i}`, 500 + i);
    expect([other.word, made]).toEqual([word, []]);
    const held = other.tries("no", "a phone", 1001);
    expect(held.outcome).toBe("wrong");
    expect(held.holdUp).toBeGreaterThan(0);
    expect(held.holdUp).toBeLessThanOrEqual(3000);
    expect(other.tries(word, "a phone", 1002).outcome).toBe("paired");
    // After a quiet minute nobody is held up any more.
    expect(other.tries("no", "another", 200_000).holdUp).toBe(0);
  });

  test("the word has 29 bits: three of forty words and four digits", () => {
    const drawn = Array.from({ length: 300 }, () => new Pairing(() => {}).word);
    for (const word of drawn) expect(word).toMatch(/^[a-z]+-[a-z]+-[a-z]+-\d{4}$/);
    expect(new Set(drawn.flatMap((w) => w.split("-").slice(0, 3))).size).toBe(40);
    expect(Math.log2(40 ** 3 * 10_000)).toBeGreaterThan(29);
  });

  test("it answers to its own names only, and to no page of another site", async () => {
    const own = { accept: "text/html" };
    expect((await ask("/pair", { headers: { ...own, host: "evil.example" } })).status).toBe(421);
    expect((await ask("/pair", { headers: { ...own, host: `127.0.0.1:${port}` } })).status).toBe(200);
    const foreign = { origin: "https://evil.example", "sec-fetch-site": "cross-site" };
    expect((await ask("/pair", { method: "POST", body: "word=x", headers: foreign })).status).toBe(403);
  });

  test("what is malformed or broken off ends its own request only", async () => {
    expect((await ask("//")).status).toBe(401);
    expect((await ask("/%zz?#", { headers: { accept: "text/html" } })).status).toBe(303);
    await new Promise<void>((resolve) => {
      const cut = request({
        host: "127.0.0.1",
        port,
        path: "/pair",
        method: "POST",
        rejectUnauthorized: false,
        headers: { "content-length": "500" },
      });
      cut.on("error", () => resolve());
      cut.write("word=");
      setTimeout(() => cut.destroy(), 50);
      cut.on("close", () => resolve());
    });
    expect((await ask("/pair")).status).toBe(200);
  });

  test("the page puts no foreign text into itself", () => {
    expect(pairingPage('<img src=x onerror="1">')).not.toContain("<img");
  });
});
