import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { POST as postJob } from "../../src/app/api/jobs/route";
import { POST as postPhoto } from "../../src/app/api/photos/route";
import { knownHosts, refusedAtDoor, type Knock } from "../../src/server/door";
import { posted, said } from "../support/shop";

const HOSTS = knownHosts("workshop.example, ");
const own: Knock = {
  method: "POST",
  host: "127.0.0.1:4780",
  origin: "http://127.0.0.1:4780",
  fetchSite: "same-origin",
  fetchMode: "cors",
  fetchDest: "empty",
  contentType: "application/json",
};
const page: Knock = {
  ...own,
  method: "GET",
  origin: null,
  fetchMode: "navigate",
  fetchDest: "document",
  contentType: null,
};
const status = (knock: Partial<Knock>, from: Knock = own) => refusedAtDoor({ ...from, ...knock }, HOSTS)?.status ?? 200;

describe("the door", () => {
  it("lets our own pages in, and programs that are no browser", () => {
    expect(status({})).toBe(200);
    expect(status({ origin: null, fetchSite: null, fetchMode: null, fetchDest: null })).toBe(200);
    expect(status({ host: "LOCALHOST:1", origin: "http://localhost:1" })).toBe(200);
    expect(status({ host: "[::1]:4780", origin: "http://[::1]:4780" })).toBe(200);
    expect(status({ host: "workshop.example", origin: "https://workshop.example" })).toBe(200);
    expect(status({ contentType: "application/json; charset=utf-8" })).toBe(200);
  });

  it.each<[string, Partial<Knock>, number]>([
    ["a name that leads here from elsewhere (rebinding)", { host: "evil.example:4780" }, 421],
    ["no name at all", { host: null }, 421],
    ["a name that only begins like ours", { host: "127.0.0.1.evil.example" }, 421],
    ["another site's page", { origin: "https://evil.example", fetchSite: "cross-site" }, 403],
    ["another port of this machine", { origin: "http://127.0.0.1:8000", fetchSite: "same-site" }, 403],
    ["a page without an origin of its own", { origin: "null" }, 403],
    ["another site, though it hides its origin", { origin: null, fetchSite: "cross-site" }, 403],
    ["another scheme's origin", { origin: "file://127.0.0.1:4780" }, 403],
    ["a form", { contentType: "application/x-www-form-urlencoded" }, 415],
    ["plain text, which needs no leave", { contentType: "text/plain" }, 415],
    ["JSON that only says so behind", { contentType: "text/plain; application/json" }, 415],
    ["a body without a type", { contentType: null }, 415],
  ])("keeps out %s", (_name, knock, wanted) => expect(status(knock)).toBe(wanted));

  it("follows a link from elsewhere to a page, but is no picture, frame or data of another site", () => {
    expect(status({}, page)).toBe(200);
    expect(status({ fetchSite: "cross-site" }, page)).toBe(200);
    expect(status({ fetchSite: "cross-site", fetchDest: "iframe" }, page)).toBe(403);
    expect(status({ fetchSite: "cross-site", fetchMode: "no-cors", fetchDest: "image" }, page)).toBe(403);
    expect(status({ fetchSite: "cross-site", fetchMode: "cors", fetchDest: "empty" }, page)).toBe(403);
    expect(status({ fetchSite: "none" }, page)).toBe(200);
  });

  it("stands before every route: each of them knocks", () => {
    const folder = new URL("../../src/app/api/", import.meta.url).pathname;
    const routes = readdirSync(folder, { recursive: true, encoding: "utf8" }).filter((f) => f.endsWith("route.ts"));
    expect(routes.length).toBeGreaterThan(15);
    for (const file of routes) {
      const text = readFileSync(path.join(folder, file), "utf8");
      const handlers = text.match(/export (?:async )?function (?:GET|POST|PUT|DELETE|PATCH)\b/g) ?? [];
      const knocks = text.match(/\b(?:answer\(\s*request|knock\(request)/g) ?? [];
      expect(knocks.length, file).toBe(handlers.length);
    }
  });

  it("gives a sentence, at JSON and at pictures", async () => {
    const foreign = await said(await postJob(posted({}, { origin: "https://evil.example" })));
    expect(foreign).toEqual({ status: 403, error: "This came from another site. Nothing was changed." });
    expect((await said(await postPhoto(posted({})))).status).toBe(415);
  });

  it("takes no half character and no nesting without end", async () => {
    const half = `{"id":"x","actor":"\\ud800"}`;
    expect(await said(await postJob(posted(half)))).toMatchObject({
      status: 400,
      error: expect.stringContaining("half a character") as string,
    });
    expect((await postJob(posted(`${"[".repeat(5000)}${"]".repeat(5000)}`))).status).toBe(400);
    expect((await postJob(posted(`{"\\udc00":1}`))).status).toBe(400);
  });
});
