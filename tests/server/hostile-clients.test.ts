import { request } from "node:http";
import { connect } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { startServer, type RunningServer } from "../support/running-server";
import { closeShop, newJob, newUnit, prepareShop } from "../support/shop";

let server: RunningServer;
beforeAll(async () => {
  await prepareShop();
  server = await startServer();
  // What is loaded at a first request is no cost of the second.
  await fetch(`${server.url}/`);
  await fetch(`${server.url}/api/units?q=x`);
});
afterAll(async () => {
  await server.stop();
  await closeShop();
});

const json = { "content-type": "application/json" };
const importFile = async (text: string) => {
  const response = await fetch(`${server.url}/api/machines`, {
    method: "POST",
    headers: json,
    body: JSON.stringify({ name: "hostile.yaml", text }),
  });
  return { status: response.status, error: ((await response.json()) as { error?: string }).error ?? "" };
};

/** Sends a body without end, in chunks; how much the server let through before it closed, and what it answered. */
function flood(path: string, type: string, most: number, length?: number): Promise<{ status: number; sent: number }> {
  return new Promise((resolve) => {
    const chunk = Buffer.alloc(1 << 20, 0x20);
    let [status, sent, done] = [0, 0, false];
    const end = () => {
      if (!done) resolve({ status, sent });
      done = true;
    };
    const headers = { "content-type": type, ...(length === undefined ? {} : { "content-length": String(length) }) };
    const out = request(`${server.url}${path}`, { method: "POST", headers }, (response) => {
      status = response.statusCode!;
      response.resume();
      response.on("end", end);
    });
    out.on("error", end);
    out.on("close", end);
    const more = () => {
      while (!done && status === 0 && sent < most) {
        sent += chunk.length;
        if (!out.write(chunk)) return void out.once("drain", more);
      }
      out.end();
    };
    more();
  });
}

describe("a hostile client", () => {
  it("that sends 400 MB is cut off, and costs little memory", async () => {
    const id = await newJob(await newUnit("zirvald-bw-15"), "still");
    const paths: [string, string][] = [
      [`/api/jobs/${id}/events`, "application/json"],
      ["/api/photos", "image/png"],
      ["/api/machines", "application/json"],
    ];
    for (const [path, type] of paths) await flood(path, type, 5 << 20);
    const before = server.peakBytes();
    for (const [path, type] of paths)
      for (const length of [undefined, 400 << 20]) {
        const { status, sent } = await flood(path, type, 400 << 20, length);
        console.log(
          `${path.split("/")[2]} ${length ? "announced" : "in chunks"}: ${status}, ${(sent / 2 ** 20).toFixed(0)} MB sent`,
        );
        // Closed on while it still sends, a client may not see the answer; what it sees is a refusal.
        expect([413, 0]).toContain(status);
        expect(sent).toBeLessThan(400 << 20);
      }
    const cost = (server.peakBytes() - before) / 2 ** 20;
    console.log(`memory: ${cost.toFixed(1)} MB more at the most, for six times 400 MB`);
    expect(cost).toBeLessThan(60);
    expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
  });

  it.each([
    ["1 MB of brackets and commas", "[,,,".repeat(240_000)],
    [
      "300,000 anchors",
      Array.from({ length: 300_000 }, (_, i) => `&${i.toString(36)}`)
        .join(" ")
        .slice(0, 990_000),
    ],
    ["8,900 keys", Array.from({ length: 8_900 }, (_, i) => `k${i}: v`).join("\n")],
    ["40 kB of brackets", "[".repeat(40_000)],
    ["a number without end", `id: ${"9".repeat(900_000)}`],
    ["a key that is every object's", "constructor: { prototype: x }\n__proto__: { id: y }\n"],
  ])("that imports %s gets a sentence, while health answers", async (name, text) => {
    const started = performance.now();
    const taken = importFile(text);
    let [slowest, answered] = [0, 0];
    let isDone = false;
    void taken.finally(() => (isDone = true));
    while (!isDone) {
      const asked = performance.now();
      expect((await fetch(`${server.url}/api/alive`)).status).toBe(200);
      slowest = Math.max(slowest, performance.now() - asked);
      answered++;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    const { status, error } = await taken;
    console.log(
      `${name}: ${Math.round(performance.now() - started)} ms, ${answered} others answered, the slowest in ${Math.round(slowest)} ms`,
    );
    expect(status).toBe(400);
    expect(error.length).toBeGreaterThan(10);
  });

  it("that kills the reader of files with one leaves it to the next client as it was", async () => {
    await importFile("[,,,".repeat(240_000));
    expect(await importFile("id: x")).toMatchObject({
      status: 400,
      error: expect.stringMatching(/field|machine|Line/i) as string,
    });
  });

  it.each(["/jobs/%E0%A4%A", "/api/jobs/%E0%A4%A/events", "/machines/%", "/%c0%ae%c0%ae/"])(
    "that asks for %s is told that the address cannot be read",
    async (path) => {
      const status = await new Promise<string>((resolve, reject) => {
        const socket = connect(server.port, "127.0.0.1", () =>
          socket.write(`GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${server.port}\r\nConnection: close\r\n\r\n`),
        );
        let said = "";
        socket.on("data", (d) => (said += String(d)));
        socket.on("end", () => resolve(said.split(" ")[1]!));
        socket.on("error", reject);
      });
      expect(status).toBe("400");
    },
  );

  it.each([
    "/machines/constructor",
    "/machines/__proto__",
    "/machines/toString/edit",
    "/units/constructor",
    "/jobs/constructor",
  ])("that asks for %s finds nothing there", async (path) =>
    expect((await fetch(`${server.url}${path}`)).status).toBe(404),
  );

  it("that is silent on its connection for half a minute is still answered on it", async () => {
    const socket = connect(server.port, "127.0.0.1");
    const answers: string[] = [];
    let closed = false;
    socket.on("data", (data) => answers.push(String(data)));
    socket.on("close", () => (closed = true));
    const ask = async () => {
      const had = answers.length;
      socket.write("GET /api/alive HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n");
      await vi.waitFor(() => expect(answers.length).toBeGreaterThan(had), { timeout: 60_000 });
    };
    await ask();
    await pause(25_000);
    expect(closed).toBe(false);
    await ask();
    expect(answers.join("").match(/HTTP\/1\.1 200/g)).toHaveLength(2);
    socket.destroy();
  });

  it("that calls it by a foreign name, or frames it, reads nothing", async () => {
    const foreign = await new Promise<number>((resolve, reject) => {
      const out = request(`${server.url}/`, { headers: { host: "evil.example" } }, (r) => resolve(r.statusCode!));
      out.on("error", reject);
      out.end();
    });
    expect(foreign).toBe(421);
    for (const path of ["/", "/quick", "/nowhere", "/lamp"]) {
      const { headers } = await fetch(`${server.url}${path}`);
      expect(headers.get("content-security-policy"), path).toMatch(/frame-ancestors 'none'/);
      expect(headers.get("content-security-policy")).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
      expect(headers.get("x-content-type-options")).toBe("nosniff");
      expect(headers.get("referrer-policy")).toBe("same-origin");
    }
    const nonces = await Promise.all(
      [1, 2].map(
        async () =>
          /nonce-([^']+)/.exec((await fetch(`${server.url}/quick`)).headers.get("content-security-policy")!)![1],
      ),
    );
    expect(nonces[0]).not.toBe(nonces[1]);
  });
});
