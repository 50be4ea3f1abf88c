import { spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import path from "node:path";
import { expect, type Page, test } from "@playwright/test";
import mysql from "mysql2/promise";
import { machineNamed } from "../support/fleet";
import { type RunningServer, startServer } from "../support/running-server";
import { newFolder, removeFolder } from "../support/start-command";
import { alive, axe, beginJob } from "./look";
import { asked, enter } from "./meter";

const MINUTE = 60_000;

/** A shop of its own at a time of its own: the server's clock and the browser's go ahead together. */
class Shop {
  private ahead: number;

  private constructor(
    readonly server: RunningServer,
    private readonly clockFile: string,
    readonly begin: Date,
    private readonly leave: () => Promise<void>,
  ) {
    this.ahead = begin.getTime() - Date.now();
  }

  static async open(begin: Date): Promise<Shop> {
    const shared = process.env.UNZO_DATABASE_URL ?? "";
    if (!shared) throw new Error("This test needs the private database: run it by npm test.");
    const name = `unzo_day_${crypto.randomUUID().slice(0, 8)}`;
    const folder = newFolder();
    const admin = await mysql.createConnection({ uri: shared });
    await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    const env = { UNZO_DATABASE_URL: shared.replace(/\/unzo$/, `/${name}`), UNZO_DATA: folder };
    const prepared = spawnSync(process.execPath, ["build/prepare-database.mjs"], { env: { ...process.env, ...env } });
    if (prepared.status !== 0) throw new Error(String(prepared.stderr));
    // What the other server has built for these machines is the same here.
    await admin.query(`INSERT IGNORE INTO ${name}.dictionaries SELECT * FROM dictionaries`);
    const clock = path.join(folder, "clock");
    writeFileSync(clock, String(begin.getTime() - Date.now()));
    const preload = path.resolve("tests/support/clock-ahead.mjs");
    const server = await startServer({ ...env, CLOCK_FILE: clock, NODE_OPTIONS: `--import ${preload}` });
    return new Shop(server, clock, begin, async () => {
      await server.stop();
      await admin.query(`DROP DATABASE ${name}`);
      await admin.end();
      removeFolder(folder);
    });
  }

  /** Minutes since the day began. */
  get minute(): number {
    return (Date.now() + this.ahead - this.begin.getTime()) / MINUTE;
  }

  async pass(page: Page, minutes: number): Promise<void> {
    this.ahead += minutes * MINUTE;
    writeFileSync(this.clockFile, String(this.ahead));
    await page.clock.fastForward(minutes * MINUTE);
  }

  close(): Promise<void> {
    return this.leave();
  }
}

/** A stretch of work on a unit: what is done on its screen, how long that really takes, and what it then waits for. */
interface Stretch {
  readonly minutes: number;
  readonly act: (page: Page) => Promise<void>;
  readonly wait?: { readonly words: string; readonly minutes: number };
  /** Its clock has begun by itself. */
  readonly waits?: number;
}

interface Unit {
  readonly name: string;
  readonly stretches: readonly Stretch[];
}

const noted = (words: string) => async (page: Page) => {
  const job = /\/jobs\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const entry = { id: crypto.randomUUID(), v: 1, actor: "Ida", body: { type: "note", text: words } };
  expect((await page.request.post(`/api/jobs/${job}/events`, { data: entry })).status()).toBe(200);
};

/** The search to its end, on a unit with a fault. */
const searched = (file: string, fault: { part: string; mode: string }, assembly: string) => async (page: Page) => {
  for (let k = 0; k < 14; k++) {
    const name = await asked(page);
    if (name === null) break;
    await enter(page, name, fault, machineNamed(file));
  }
  await expect(page.locator(".next h2")).toContainText(assembly);
};

/** Closes the job that is open on the screen, with what is left behind put back. */
async function closed(page: Page): Promise<void> {
  const job = /\/jobs\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await page.goto(`/jobs/${job}`);
  await alive(page);
  await expect(page.locator(".next h2").first()).toBeVisible();
  await page.keyboard.press("Alt+k");
  const dialog = page.getByRole("dialog");
  const close = dialog.getByRole("button", { name: "Close the job" });
  await expect(close).toBeVisible();
  const despite = dialog.getByLabel(/Close without this proof/);
  if (await despite.isVisible()) await despite.fill("Seen to work.");
  const back = dialog.getByRole("group", { name: "Left behind" }).getByRole("button");
  for (let left = await back.count(); left > 0; left--) {
    await back.first().click();
    await expect(back).toHaveCount(left - 1);
  }
  await close.click();
  await page.waitForURL(/\/record$/);
}

/** The time of day of a minute of it, by the clock on the wall. */
const clock = (begin: Date, minute: number) => new Date(begin.getTime() + minute * MINUTE).toTimeString().slice(0, 5);

test("a day of five units, with waits, a call and a visit, ends earlier than job after job", async ({ browser }) => {
  const begin = new Date();
  begin.setDate(begin.getDate() + 1);
  begin.setHours(8, 0, 0, 0);
  const shop = await Shop.open(begin);
  const context = await browser.newContext({ baseURL: shop.server.url });
  const page = await context.newPage();
  try {
    await page.clock.install({ time: begin });
    await livedThrough(shop, page);
  } finally {
    await context.close();
    await shop.close();
  }
});

async function livedThrough(shop: Shop, page: Page): Promise<void> {
  const units = new Map<string, Unit>();
  const opened = async (plate: string, complaint: string, stretches: readonly Stretch[]) => {
    await beginJob(page, plate, complaint);
    const job = page.url().split("/jobs/")[1]!;
    units.set(job, { name: plate, stretches });
    return job;
  };
  const post = async (job: string, body: object) => {
    const entry = { id: crypto.randomUUID(), v: 1, actor: "Ida", body };
    expect((await page.request.post(`/api/jobs/${job}/events`, { data: entry })).status()).toBe(200);
  };

  // What comes in, in this order, and how long everything really takes: known to the script alone.
  const searchOfPanel = searched("quellmoor-sb-210", { part: "W4", mode: "open" }, "Door harness");
  await opened("Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside", [
    { minutes: 25, act: searchOfPanel, wait: { words: "Door thaws", minutes: 50 } },
    { minutes: 20, act: closed },
  ]);
  const washer = await opened("Larch Pass Hut: Dornlau FL-7, FL-5", "Locks and fills, the drum stands", [
    { minutes: 6, act: cleanedPlug, waits: 30 },
    { minutes: 15, act: closed },
  ]);
  await post(washer, {
    type: "decided",
    piece: "load-plug",
    fault: "X3-1:resistive",
    option: "clean",
    words: "Clean both sides, dry, reseat",
    minutes: 16,
    price: 24,
    temporary: false,
    warranty: "none",
    seals: "none",
  });
  const cabinet = await opened("Grey Saddle cable-car station, platform: Obwart DV-8, DV-7745", "Display shows SEns", [
    { minutes: 30, act: searched("obwart-dv-8", { part: "sensor", mode: "open" }, "Cabinet sensor") },
    { minutes: 10, act: closed },
  ]);
  await opened("Valley school kitchen: Velmoor DW-45, DW-1276", "Dishes wet and cold, or only to be checked", [
    { minutes: 10, act: noted("Filter boiled out."), wait: { words: "Tub soaks", minutes: 45 } },
    { minutes: 25, act: closed },
  ]);
  const freezer = await opened("Upper Cairn Hut: Firnau BF-330, BF-2304", "Panel dark, still cold inside", [
    { minutes: 60, act: noted("On the hill: plug seated."), wait: undefined },
    { minutes: 5, act: closed },
  ]);
  const visit = 150;
  await post(freezer, {
    type: "visit",
    at: new Date(shop.begin.getTime() + visit * MINUTE).toISOString(),
    minutes: 40,
  });

  const order: string[] = [];
  const done = new Map<string, number>();
  const due = new Map<string, number>();
  const next = new Map([...units.keys()].map((job) => [job, 0]));
  const now = page.getByRole("region", { name: "Hands now" });
  let called = 0;
  let at = 0;
  for (let turn = 0; turn < 40 && done.size < units.size; turn++) {
    await page.goto("/");
    await alive(page);
    // What rings is over: the technician looks and says so.
    for (const [words, minute] of due) {
      if (minute > shop.minute) continue;
      await ended(page, words);
      due.delete(words);
    }
    // The surprise: the station rings, its cabinet has to stand cold again by eleven.
    if (called === 0 && shop.minute > 40) {
      called = shop.minute;
      await promised(page, cabinet, clock(shop.begin, 180), shop.begin);
      await expect(now).toContainText("promised 11:00");
    }
    await expect(now.getByText("Working out the order of the day.")).toHaveCount(0);
    const go = now.getByRole("link", { name: "Go" });
    await expect(go.or(now.getByText("Nothing needs hands now"))).toBeVisible();
    if (!(await go.isVisible())) {
      const soonest = Math.min(...due.values(), done.has(freezer) ? Infinity : visit - 20);
      expect(soonest, "hands idle though nothing waits").toBeLessThan(Infinity);
      await shop.pass(page, Math.max(0.5, soonest - shop.minute + 0.1));
      continue;
    }
    if (turn === 0) await axe(page);
    const job = /\/jobs\/([0-9a-f-]+)/.exec((await go.getAttribute("href"))!)![1]!;
    const stretch = units.get(job)!.stretches[next.get(job)!]!;
    if (job === freezer && next.get(job) === 0) at = shop.minute;
    await go.click();
    await page.waitForURL(`**/jobs/${job}**`);
    if (page.url().includes("/repair")) await page.locator(".swap-stages, .proof-list").waitFor();
    else await alive(page);
    await shop.pass(page, stretch.minutes);
    await stretch.act(page);
    order.push(`${units.get(job)!.name.split(":")[0]} at ${Math.round(shop.minute)}`);
    next.set(job, next.get(job)! + 1);
    if (stretch.wait) {
      await waitedFor(page, stretch.wait);
      due.set(stretch.wait.words, shop.minute + stretch.wait.minutes);
    }
    if (stretch.waits) due.set("Cleaned contacts drying", shop.minute + stretch.waits);
    if (next.get(job) === units.get(job)!.stretches.length) done.set(job, shop.minute);
  }
  const all = [...units.values()].flatMap((u) => u.stretches);
  const hands = all.reduce((sum, s) => sum + s.minutes, 0);
  const waits = all.reduce((sum, s) => sum + (s.wait?.minutes ?? s.waits ?? 0), 0);
  const end = Math.max(...done.values());
  process.stdout.write(
    `the day: ${order.join(", ")}; over after ${Math.round(end)} min, job after job ${hands + waits}\n`,
  );
  expect(done.size).toBe(units.size);
  // One after the other takes all hands and all waits: the waits of this day fit behind other hands.
  expect(end).toBeLessThan(0.85 * (hands + waits));
  // The promise that came in between is kept, and the visit begins with the way, in time.
  expect(called).toBeGreaterThan(0);
  expect(done.get(cabinet)!).toBeLessThan(180);
  expect(at).toBeGreaterThan(visit - 21);
  expect(at).toBeLessThan(visit);
  // And hands stay on the hill until it is done there.
  const ofVisit = order.map((o, i) => (o.startsWith("Upper Cairn") ? i : -1)).filter((i) => i >= 0);
  expect(ofVisit[1]).toBe(ofVisit[0]! + 1);
}

/** The plug is cleaned: what is before the drying is ticked, and its clock begins by itself, as long as the label says. */
async function cleanedPlug(page: Page): Promise<void> {
  await page.getByLabel("Minutes on the label").fill("30");
  const steps = page.locator(".swap-steps input");
  for (let i = 0; i < 20; i++) {
    const drying = page.locator(".waits li").filter({ hasText: "Cleaned contacts drying" });
    if (await drying.first().isVisible()) return expect(drying.first()).toContainText(/(30:00|29:\d\d)/);
    const open = page.locator(".swap-steps > li:not(:has(.drying)) input:not(:checked)").first();
    await open.click();
    await expect(steps.first()).toBeEnabled();
  }
  throw new Error("The clock of what dries did not begin.");
}

async function waitedFor(page: Page, wait: { readonly words: string; readonly minutes: number }): Promise<void> {
  await page.keyboard.press("Alt+u");
  const dialog = page.getByRole("dialog", { name: "Wait for something" });
  await dialog.getByLabel("What for").fill(wait.words);
  await dialog.getByLabel("How long").fill(`${wait.minutes} min`);
  await dialog.getByLabel(/^Off and locked/).check();
  await dialog.getByRole("button", { name: "Start" }).click();
  await expect(dialog).toHaveCount(0);
  // In the head of a job there is room for what rings next: the others stand behind "All".
  await page.getByRole("button", { name: /^All \d+/ }).click();
  const list = page.getByRole("dialog", { name: "Waiting for" });
  await expect(list.getByText(wait.words).first()).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(list).toHaveCount(0);
}

async function ended(page: Page, words: string): Promise<void> {
  await page.getByRole("button", { name: /^All \d+/ }).click();
  const list = page.getByRole("dialog", { name: "Waiting for" });
  const row = list.getByRole("listitem").filter({ hasText: words });
  await row.getByRole("button", { name: /^Done/ }).click();
  await expect(row).toHaveCount(0);
  await list.getByRole("button", { name: "Close", exact: true }).last().click();
  await expect(list).toHaveCount(0);
}

async function promised(page: Page, job: string, at: string, day: Date): Promise<void> {
  const row = page.locator(`.day-line li:has(a[href*="${job}"])`);
  await row.getByRole("button", { name: /^Promise and visit/ }).click();
  const dialog = page.getByRole("dialog", { name: /^Promise and visit/ });
  const date = new Date(day.getTime() - MINUTE * day.getTimezoneOffset()).toISOString().slice(0, 10);
  await dialog.getByLabel("Promised for").fill(`${date}T${at}`);
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog).toHaveCount(0);
}
