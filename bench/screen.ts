import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { type Browser, chromium, type Page } from "@playwright/test";
import { compileMachine, type Fault, type Machine, readMachineYaml } from "../src/core/model";
import { typedFor } from "../tests/e2e/meter";

/** A machine that jobs are opened on: a small one and the largest. */
const MACHINES = { small: "zirvald-bw-15", largest: "obwart-dv-8" } as const;
/** How often the processor is slowed down: a workshop's computer, a cheap phone. */
const SLOWED = [1, 4] as const;
/** Milliseconds from key to key: a brisk hand. */
const KEY = 100;
/** Milliseconds after which nothing more is waited for. */
const LONGEST = 120_000;

/** What a page did until it had come to rest, milliseconds from the beginning of the navigation; kilobytes of script. */
export interface Opened {
  /** The server's first byte, and the last one. */
  readonly firstByte: number;
  readonly lastByte: number;
  /** When the first question or test was drawn, and when the page had come to life. */
  readonly step: number;
  readonly alive: number;
  /** The longest task that held up the main thread meanwhile. */
  readonly longestTask: number;
  readonly scriptKilobytes: number;
}

/** Milliseconds from a reading entered to the next step on the screen. */
export interface Entered {
  readonly readings: number;
  readonly median: number;
  readonly p95: number;
}

export interface ScreenBench {
  readonly opening: Readonly<Record<string, Opened>>;
  readonly pages: Readonly<Record<string, Pick<Opened, "longestTask" | "scriptKilobytes">>>;
  readonly typed: Entered | null;
  readonly pasted: Entered | null;
  readonly linked: Entered | null;
  readonly odd: Entered | null;
}

// In the page from its beginning: when the first step is drawn, and every task that holds up the main thread.
const WATCH = `
  window.__tasks = [];
  new PerformanceObserver((list) => { for (const e of list.getEntries()) window.__tasks.push([e.startTime, e.duration]); })
    .observe({ type: "longtask", buffered: true });
  const look = () => {
    if (window.__step === undefined && document.querySelector(".next-area .next")?.checkVisibility()) window.__step = performance.now();
    if (window.__alive === undefined && document.querySelector(".job[data-live]")) window.__alive = performance.now();
    requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
`;

async function pageOf(browser: Browser, slowed: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addInitScript(WATCH);
  const page = await context.newPage();
  if (slowed > 1) await (await context.newCDPSession(page)).send("Emulation.setCPUThrottlingRate", { rate: slowed });
  return page;
}

/** Opens a page in a fresh browser store, and waits until it has been at rest for two seconds. */
async function opened(browser: Browser, url: string, slowed: number, until: string): Promise<Opened> {
  const page = await pageOf(browser, slowed);
  let bytes = 0;
  page.on("requestfinished", (request) => {
    if (request.resourceType() === "script")
      void request.sizes().then(
        (sizes) => (bytes += sizes.responseBodySize),
        () => undefined,
      );
  });
  try {
    await page.goto(url);
    await page.locator(until).first().waitFor({ timeout: LONGEST });
    await page.waitForTimeout(2000 * Math.sqrt(slowed));
    const seen = (await page.evaluate(`(() => {
      const [nav] = performance.getEntriesByType("navigation");
      return { firstByte: nav.responseStart, lastByte: nav.responseEnd, step: window.__step ?? NaN,
        alive: window.__alive ?? NaN, longestTask: Math.max(0, ...window.__tasks.map(([, took]) => took)) };
    })()`)) as Omit<Opened, "scriptKilobytes">;
    return { ...seen, scriptKilobytes: bytes / 1000 };
  } finally {
    await page.context().close();
  }
}

/** A job on a unit of its own; answers its id. */
async function newJob(page: Page, url: string, machine: string, complaint: string): Promise<string> {
  const id = randomUUID();
  const newUnit = { id: randomUUID(), site: "Bench", machine, serial: id.slice(0, 8) };
  const response = await page.request.post(`${url}/api/jobs`, {
    data: { id, newUnit, kind: "repair", complaint, actor: "Bench" },
    headers: { origin: url },
  });
  if (!response.ok()) throw new Error(`no job: ${await response.text()}`);
  return id;
}

const machineNamed = (name: string): Machine =>
  compileMachine(readMachineYaml(readFileSync(`machines/${name}.yaml`, "utf8"), name).file);

const sorted = (times: readonly number[]): Entered | null => {
  if (times.length === 0) return null;
  const all = [...times].sort((a, b) => a - b);
  return {
    readings: all.length,
    median: all[Math.floor(all.length / 2)]!,
    p95: all[Math.min(all.length - 1, Math.floor(all.length * 0.95))]!,
  };
};

/** Says when the next step stands on the screen, from now. */
const watched = (begin: string) => `new Promise((resolve) => {
  const before = document.querySelectorAll(".trail li").length;
  const start = performance.now();
  const look = () => {
    const next = document.querySelector(".next-area .next");
    if (document.querySelectorAll(".trail li").length > before && next && next.getAttribute("aria-busy") !== "true")
      resolve(performance.now() - start);
    else requestAnimationFrame(look);
  };
  ${begin}
  requestAnimationFrame(look);
})`;
/** Enters what is in the field. */
const ENTER = watched('document.querySelector("#reading").form.requestSubmit();');

/**
 * Works on jobs of one machine, a fault each, and times every reading: typed key by key, put into the field at once, or
 * taken from the simulated meter by its key. `odd`: every second reading is one that nothing explains.
 */
async function entering(
  browser: Browser,
  url: string,
  name: string,
  jobs: number,
  how: { readonly pasted?: boolean; readonly linked?: boolean; readonly odd?: boolean },
): Promise<Entered | null> {
  const machine = machineNamed(name);
  const faults: readonly Fault[] = machine.parts
    .flatMap((part) => part.modes.map((m) => ({ part: part.id, mode: m.id })))
    .filter((_, i) => i % 7 === 3)
    .slice(0, jobs);
  const times: number[] = [];
  const page = await pageOf(browser, 1);
  try {
    for (const fault of faults) {
      const id = await newJob(page, url, name, machine.file.complaints[0]!.id);
      await page.goto(`${url}/jobs/${id}`);
      await page.locator(".job[data-live] .next").first().waitFor({ timeout: LONGEST });
      const pass = page.getByRole("button", { name: /Start measuring/ });
      if (await pass.isVisible()) await pass.click();
      await page.locator(".next[aria-busy=false][data-test]").waitFor({ timeout: LONGEST });
      // The own dictionary is what is timed.
      await page.waitForTimeout(8000);
      for (let step = 0; step < 4; step++) {
        const notice = page.getByRole("button", { name: "I work that way" });
        if (await notice.isVisible()) await notice.click();
        const field = page.locator("#reading");
        if (!(await field.isVisible())) break;
        const asked = await page.locator(".next[data-test]").first().getAttribute("data-test");
        const right = typedFor(asked!, fault, machine);
        const shown = how.odd && step % 2 === 1 ? "77.7" : right;
        if (how.linked) {
          const took = await linked(page);
          if (took === null) break;
          times.push(took);
          await page.waitForTimeout(500);
          continue;
        }
        if (how.pasted) await field.fill(shown);
        else await field.pressSequentially(shown, { delay: KEY });
        times.push((await page.evaluate(ENTER)) as number);
        await page.waitForTimeout(500);
      }
    }
  } finally {
    await page.context().close();
  }
  return sorted(times);
}

/** Takes a reading from the simulated meter; null where the test on the screen is not for it. */
async function linked(page: Page): Promise<number | null> {
  const meter = page.getByLabel("Reading from");
  if (!(await meter.isVisible())) return null;
  await meter.selectOption({ label: "Stand-in meter" });
  const leadsOff = page.getByLabel("leads were off when it was set to this");
  if (await leadsOff.isVisible()) await leadsOff.check();
  // The inputs of the simulated one float.
  const floats = page.getByLabel(/float/);
  if (await floats.isVisible()) await floats.check();
  const took = page.evaluate(watched("")) as Promise<number>;
  await page.keyboard.press("Alt+m");
  return Promise.race([took, page.waitForTimeout(10_000).then(() => null)]);
}

/** Measures a running Unzo at an address: opening jobs, other pages, and readings entered. */
export async function benchScreen(url: string, jobs: number, say: (words: string) => void): Promise<ScreenBench> {
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
  try {
    const opening: Record<string, Opened> = {};
    const pages: Record<string, Pick<Opened, "longestTask" | "scriptKilobytes">> = {};
    for (const slowed of SLOWED) {
      for (const [size, name] of Object.entries(MACHINES)) {
        const page = await browser.newPage();
        const id = await newJob(page, url, name, machineNamed(name).file.complaints[0]!.id);
        await page.close();
        say(`job, ${size}, slowed ${slowed}`);
        opening[`${size}, slowed ${slowed}`] = await opened(
          browser,
          `${url}/jobs/${id}`,
          slowed,
          ".job[data-live] .next",
        );
      }
      const others = {
        start: ["/", "main"],
        machine: [`/machines/${MACHINES.largest}`, "main"],
        editor: [`/machines/${MACHINES.largest}/edit`, "main"],
      } as const;
      for (const [what, [path, until]] of Object.entries(others)) {
        say(`${what}, slowed ${slowed}`);
        const { longestTask, scriptKilobytes } = await opened(browser, `${url}${path}`, slowed, until);
        pages[`${what}, slowed ${slowed}`] = { longestTask, scriptKilobytes };
      }
    }
    say("typed");
    const typed = await entering(browser, url, MACHINES.largest, jobs, {});
    say("pasted");
    const pasted = await entering(browser, url, MACHINES.largest, jobs, { pasted: true });
    say("linked");
    const linkedMeter = await entering(browser, url, MACHINES.largest, jobs, { linked: true });
    say("odd");
    const odd = await entering(browser, url, MACHINES.largest, jobs, { odd: true });
    return { opening, pages, typed, pasted, linked: linkedMeter, odd };
  } finally {
    await browser.close();
  }
}
