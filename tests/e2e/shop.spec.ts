import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { expect, test, type Page } from "@playwright/test";
import { closeDatabase } from "../../src/server/db";
import { keepShippedMachine } from "../../src/server/machines";
import { machineNamed } from "../support/fleet";
import { alive, axe, beginJob, fits } from "./look";

const FRIDGE = "Larch Pass Hut: Quellmoor SB-210, 40177";
const DARK = "Door panel dark, no beep, still cold inside";
const mark = () => crypto.randomUUID().slice(0, 6);

/** Violations of the page's policy and errors of its scripts, as they come. */
function watched(page: Page): string[] {
  const problems: string[] = [];
  page.on("pageerror", (error) => problems.push(error.message));
  page.on("console", (message) => {
    if (/Content Security Policy/i.test(message.text())) problems.push(message.text());
  });
  return problems;
}

test("a new unit of a known machine is registered with its job, by keyboard", async ({ page }) => {
  const serial = `QN ${mark()}`;
  await page.goto("/");
  await alive(page);
  await page.keyboard.press("n");
  await expect(page.getByRole("combobox", { name: "Unit" })).toBeFocused();
  await page.keyboard.type("SB-210 quellmoor");
  const option = page.getByRole("option", { name: /New unit: Quellmoor SB-210/ });
  await expect(option).toBeVisible();
  await axe(page);
  const options = page.getByRole("option");
  for (let i = (await options.count()) - 1; i > 0; i--) await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await page.getByLabel("Site").fill("Tarn Hut");
  await page.getByLabel("Product code").fill("911 042");
  await page.getByLabel("Index").fill("03");
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin" }).click();
  // Every fault at its field, all at once, and the focus in the first.
  await expect(page.getByLabel("Serial number")).toBeFocused();
  await expect(page.getByLabel("Serial number")).toHaveAccessibleDescription(/none on the plate/);
  await expect(page.getByLabel("Complaint")).toHaveAccessibleDescription("Choose the complaint.");
  await axe(page);
  // Nothing typed is lost by it.
  await expect(page.getByLabel("Site")).toHaveValue("Tarn Hut");
  await page.getByLabel("Serial number").fill(serial);
  await page.getByLabel("Complaint").selectOption(DARK);
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL(/\/jobs\//);
  await expect(page.locator("header.bar")).toContainText("Tarn Hut");

  // The same unit again: its open job is shown before another is begun.
  await page.goto("/");
  await page.getByRole("combobox", { name: "Unit" }).fill(serial.toLowerCase().replace(" ", ""));
  await page.getByRole("option", { name: /Tarn Hut/ }).click();
  // The server may be building dictionaries for other tests.
  await expect(page.getByRole("link", { name: /Open already/ })).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole("button", { name: "Begin another job" })).toBeVisible();
  await axe(page);
  await page.getByRole("link", { name: /Open already/ }).click();
  await page.waitForURL(/\/jobs\//);
});

test("a machine's page begins a job; a unit's page without one corrects it, and merges it with the one it is", async ({
  page,
}) => {
  await page.goto("/machines/zirvald-bw-15");
  await page.getByRole("link", { name: "Begin a job" }).click();
  await page.waitForURL(/\/job$/);
  await page.getByLabel("Site").fill("Ramp two");
  await page.getByLabel("none on the plate").check();
  await page.getByLabel("Complaint").selectOption({ index: 1 });
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL(/\/jobs\//);
  await page.getByRole("link", { name: "no serial number" }).click();
  await page.waitForURL(/\/units\//);
  const [first, other] = [`Z ${mark()}`, `Z ${mark()}`];
  await page.getByRole("button", { name: "Correct" }).click();
  await page.getByLabel("none on the plate").uncheck();
  await page.getByLabel("Serial number").fill(first);
  await axe(page);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.locator("h1")).toContainText(first);
  const { request } = page;
  const twin = crypto.randomUUID();
  const data = {
    id: crypto.randomUUID(),
    newUnit: { id: twin, site: "Ramp two", machine: "zirvald-bw-15", serial: other },
    kind: "check",
    purpose: "before sale",
    actor: "Jon",
  };
  expect((await request.post("/api/jobs", { data })).status()).toBe(200);
  await page.getByRole("button", { name: "Same as another unit" }).click();
  await page.getByRole("combobox", { name: "Which unit it is" }).fill(other);
  await page
    .getByRole("listbox")
    .getByRole("option", { name: new RegExp(other) })
    .click();
  await page.getByRole("button", { name: "Merge" }).click();
  await page.waitForURL(new RegExp(`/units/${twin}`));
  await expect(page.getByText("Also entered as")).toBeVisible();
  await expect(page.locator("section[aria-label=Jobs] li")).toHaveCount(2);
  await axe(page);
});

test("a newer shipped revision is compared with the shop's own file, and taken fact by fact", async ({ page }) => {
  const id = `e2e-${mark()}`;
  const first = { ...machineNamed("hochkar-ip-4").file, id, revision: "1" };
  const named = (revision: string, name: string, model: string) => ({ ...first, revision, name, model });
  await keepShippedMachine(first, new Set(), new Date());
  const saved = await page.request.put(`/api/machines/${id}`, {
    data: named("1a", "Our instrument panel", first.model),
  });
  expect(saved.status()).toBe(200);
  await keepShippedMachine(named("2", first.name, "IP-4 B"), new Set(), new Date());
  await closeDatabase();
  await page.goto(`/machines/${id}`);
  await page.getByRole("link", { name: "Compare" }).click();
  await page.waitForURL(/\/offer$/);
  await expect(page.getByLabel("Take model")).toBeChecked();
  await expect(page.getByLabel("Take name")).not.toBeChecked();
  await axe(page);
  await page.getByRole("button", { name: "Take 1 of 3" }).click();
  await page.waitForURL(new RegExp(`/machines/${id}$`));
  await expect(page.locator("h1")).toContainText("IP-4 B");
  await expect(page.getByText("Our instrument panel")).toBeVisible();
  await expect(page.getByRole("link", { name: "Compare" })).toHaveCount(0);
});

test("how a unit stands is heard in every job on it; a screen that hears nothing says: treat as live", async ({
  browser,
}) => {
  const contexts = [await browser.newContext(), await browser.newContext()];
  const [ida, jon] = [await contexts[0]!.newPage(), await contexts[1]!.newPage()];
  await jon.clock.install();
  const unit = await beginJob(ida, FRIDGE, DARK);
  await beginJob(jon, FRIDGE, DARK, unit);
  const select = ida.getByLabel("State of the unit");
  const now = await jon.getByLabel("State of the unit").inputValue();
  const values = await select.locator("option").evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value));
  await select.selectOption(values.find((v) => v !== now)!);
  const heard = jon.locator(".power-mark");
  await expect(heard).toContainText("another job", { timeout: 120_000 });
  await axe(jon);
  await jon.getByRole("button", { name: "It stands so" }).click();
  await expect(heard).toHaveCount(0);
  // Unzo goes out of reach of the one screen.
  await jon.route("**/api/units/**", (route) => route.abort());
  await jon.clock.fastForward(30_000);
  await expect(heard).toContainText("Power unknown: treat as live", { timeout: 120_000 });
  await jon.unroute("**/api/units/**");
  await expect(heard).toHaveCount(0, { timeout: 120_000 });
  for (const context of contexts) await context.close();
});

test.describe("a web page of elsewhere, open in the same browser", () => {
  let elsewhere: Server;
  let url = "";
  test.beforeAll(async () => {
    elsewhere = createServer((_request, response) => {
      response.setHeader("content-type", "text/html");
      response.end("<!doctype html><title>elsewhere</title><p>harmless</p>");
    });
    await new Promise<void>((resolve) => elsewhere.listen(0, "127.0.0.1", resolve));
    url = `http://localhost:${(elsewhere.address() as AddressInfo).port}/`;
  });
  test.afterAll(() => void elsewhere.close());

  test("can neither write into a journal, nor read one, nor show Unzo in a frame", async ({ page, baseURL }) => {
    await beginJob(page, FRIDGE, DARK);
    const job = page.url().split("/jobs/")[1]!.split("?")[0]!;
    const events = () =>
      page.request.get(`/api/jobs/${job}/events`).then((r) => r.json() as Promise<{ events: unknown[] }>);
    const before = (await events()).events.length;
    const foreign = await page.context().newPage();
    await foreign.goto(url);
    const outcome = await foreign.evaluate(
      async ([base, id]) => {
        const body = JSON.stringify({
          id: crypto.randomUUID(),
          v: 1,
          actor: "x",
          body: { type: "warned", notice: "working-live" },
        });
        const tell = (answer: Promise<Response>) =>
          answer.then(
            (r) => `${r.type} ${r.status}`,
            () => "no answer",
          );
        const at = `${base}/api/jobs/${id}/events`;
        return {
          plain: await tell(fetch(at, { method: "POST", mode: "no-cors", body })),
          typed: await tell(fetch(at, { method: "POST", headers: { "content-type": "application/json" }, body })),
          read: await tell(fetch(at)),
        };
      },
      [baseURL!, job],
    );
    // What the page is told says nothing: an opaque answer, or none.
    expect(outcome.plain).toMatch(/^opaque 0$|^no answer$/);
    expect(outcome.typed).toBe("no answer");
    expect(outcome.read).toBe("no answer");
    expect((await events()).events.length).toBe(before);
    // A form that posts by itself, and a frame.
    await foreign.evaluate((base) => {
      document.body.innerHTML = `<form method="post" action="${base}/api/quick" target="f"><input name="what" value="x"></form><iframe name="f"></iframe><iframe id="start" src="${base}/"></iframe>`;
      document.querySelector("form")!.submit();
    }, baseURL!);
    await foreign.waitForTimeout(800);
    const frame = foreign.frames().find((f) => f.parentFrame() && f.name() !== "f");
    expect(await frame!.locator("h1").count()).toBe(0);
    expect((await events()).events.length).toBe(before);
  });
});

test("no page breaks its own policy", async ({ page }) => {
  const problems = watched(page);
  const unit = await beginJob(page, FRIDGE, DARK);
  const job = page.url().split("/jobs/")[1]!.split("?")[0]!;
  const machine = "/machines/quellmoor-sb-210";
  const routes = [
    ...["/", "/jobs", "/jobs?state=open&page=2", "/quick", "/codes", "/lamp", "/nowhere", "/machines/nobody"],
    ...["/machines", "/machines/new", machine, `${machine}/edit`, `${machine}/hand`, `${machine}/job`],
    ...["/tools", "/tools/heater", "/tools/rig", "/tools/settings", "/tools/sleep", "/tools/meter"],
    ...[`/units/${unit}`, `/units/${unit}/label`, `/jobs/${job}`, `/jobs/${job}?view=says`, `/jobs/${job}?view=modes`],
    ...["decide", "swap", "setup", "prove", "change"].map((step) => `/jobs/${job}/repair?step=${step}`),
    `/jobs/${job}/record`,
  ];
  for (const route of routes) {
    const answer = await page.goto(route);
    expect(answer!.headers()["content-security-policy"], route).toContain("frame-ancestors 'none'");
    await page.waitForTimeout(350);
    expect(problems, route).toEqual([]);
  }
});

test("at 390 px the start screen, a new unit, a unit and the list of jobs fit", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const unit = await beginJob(page, FRIDGE, DARK);
  for (const route of ["/", `/units/${unit}`, "/jobs?state=closed", "/machines/quellmoor-sb-210/job"]) {
    await page.goto(route);
    await page.waitForTimeout(300);
    await fits(page);
    await axe(page);
  }
});
