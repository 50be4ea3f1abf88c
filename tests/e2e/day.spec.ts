import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { alive, axe, beginJob, fits, written } from "./look";

const FRIDGE = "Larch Pass Hut: Quellmoor SB-210, 40177";
const WINCH = "Cable-car yard: Zirvald BW-15, 1";
const DARK = "Door panel dark, no beep, still cold inside";

test("a wait is entered by one key, with a job and without, rings when it is due, and survives a reload", async ({
  page,
}) => {
  await beginJob(page, FRIDGE, DARK);
  const job = page.url().split("/").at(-1)!;
  const words = `Plug dries ${job.slice(0, 4)}`;
  const open = { type: "standing", setup: "cold-call", panel: "rear-cover" };
  const data = { id: crypto.randomUUID(), v: 1, actor: "Ida", body: open };
  expect((await page.request.post(`/api/jobs/${job}/events`, { data })).status()).toBe(200);
  await page.keyboard.press("Alt+u");
  const dialog = page.getByRole("dialog", { name: "Wait for something" });
  await dialog.getByLabel("What for").fill(words);
  // What cannot be read is said, and nothing typed is lost.
  await dialog.getByLabel("How long").fill("soon");
  await page.keyboard.press("Enter");
  await expect(dialog.getByRole("alert")).toContainText("Type a time");
  await expect(dialog.getByLabel("What for")).toHaveValue(words);
  await dialog.getByLabel("How long").fill("1 s");
  // It has power, and its cover is off.
  await dialog.getByLabel(/^Safe to leave/).check();
  await page.keyboard.press("Enter");
  await expect(dialog.getByRole("alert")).toContainText("a cover is off (Rear cover): not safe to leave");
  await dialog.getByLabel(/^Off and locked/).check();
  await axe(page);
  await written(page, "waiting", () => dialog.getByRole("button", { name: "Start" }).click());
  await expect(dialog).toHaveCount(0);
  await expect(page).toHaveTitle(/^\(\d+\) /);
  await page.goto("/machines");
  await alive(page);
  await expect(page).toHaveTitle(/^\(\d+\) /);
  await page.getByRole("button", { name: /^All \d+/ }).click();
  const list = page.getByRole("dialog", { name: "Waiting for" });
  const row = list.getByRole("listitem").filter({ hasText: words });
  await expect(row).toContainText("Off and locked");
  await expect(row).toContainText("Larch Pass Hut");
  await axe(page);
  await list.getByRole("button", { name: "Sound on" }).click();
  await written(page, "waiting", () => row.getByRole("button", { name: `10 minutes more: ${words}` }).click());
  await expect(row).toContainText(/9:\d\d|10:00/);
  await written(page, "waited", () => row.getByRole("button", { name: `Done: ${words}` }).click());
  await expect(row).toHaveCount(0);

  // Without a job.
  await list.getByRole("button", { name: "Close", exact: true }).last().click();
  await page.keyboard.press("Alt+u");
  await dialog.getByRole("button", { name: /^The customer's yes/ }).click();
  await dialog.getByLabel("What for").fill(`Yes ${job.slice(0, 4)}`);
  await dialog.getByRole("button", { name: "Start" }).click();
  await expect(dialog).toHaveCount(0);
  await page.reload();
  await alive(page);
  await page.getByRole("button", { name: /^All \d+/ }).click();
  const yes = list.getByRole("listitem").filter({ hasText: `Yes ${job.slice(0, 4)}` });
  await expect(yes).toContainText("Safe to leave");
  await yes.getByRole("button", { name: /^Done/ }).click();
  await expect(yes).toHaveCount(0);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("hands now: what comes first and why, a promise, a row moved by the keyboard stays until it is released", async ({
  page,
}) => {
  await beginJob(page, WINCH, "Does not turn");
  await page.goto("/");
  await alive(page);
  const now = page.getByRole("region", { name: "Hands now" });
  await expect(now.getByRole("link", { name: "Go" }).first()).toBeVisible();
  const rows = now.getByRole("list", { name: "Order of the day" }).locator("li:not(.day-marks)");
  const name = (i: number) => rows.nth(i).locator(".day-name a");
  await expect.poll(() => rows.count()).toBeGreaterThan(1);
  await axe(page);
  const second = (await name(1).getAttribute("href"))!;
  // By the keyboard: taken, moved up as far as it goes, put down. Other tests begin jobs meanwhile.
  const row = rows.filter({ has: page.locator(`.day-name a[href="${second}"]`) });
  await row.getByRole("button", { name: /^Move / }).focus();
  await page.keyboard.press("Space");
  for (let up = 0; up < 3; up++) {
    await page.waitForTimeout(300);
    await page.keyboard.press("ArrowUp");
  }
  await page.waitForTimeout(300);
  await page.keyboard.press("Space");
  await expect(now).toContainText("You changed the order");
  await expect(name(0)).toHaveAttribute("href", second);
  await page.reload();
  await alive(page);
  await expect(name(0)).toHaveAttribute("href", second);
  await now.getByRole("button", { name: "Order by the plan again" }).click();
  await expect(now).not.toContainText("You changed the order");

  await rows
    .first()
    .getByRole("button", { name: /^Promise and visit/ })
    .click();
  const dialog = page.getByRole("dialog", { name: /^Promise and visit/ });
  await dialog.getByLabel("Promised for").fill("2031-05-04T16:00");
  await axe(page);
  await written(page, "promised", () => dialog.getByRole("button", { name: "Keep" }).click());
  await expect(now).toContainText("promised 4 May 2031, 16:00");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await rows
    .filter({ hasText: "promised 4 May 2031, 16:00" })
    .first()
    .getByRole("button", { name: /^Promise and visit/ })
    .click();
  await dialog.getByLabel("Promised for").fill("");
  await written(page, "promised", () => dialog.getByRole("button", { name: "Keep" }).click());

  // Two people, each with what comes first for them; without a name nobody is here.
  const crew = page.getByRole("dialog", { name: "Who is here" });
  const here = async (names: string, places: string, water = "") => {
    await now.getByRole("button", { name: /^Who is here/ }).click();
    await crew.getByLabel("Names, a comma between").fill(names);
    await crew.getByLabel("Places to run a unit").fill(places);
    await crew.getByLabel("Of them with water and drain").fill(water);
    await page.keyboard.press("Enter");
  };
  await here(" , ", "");
  await expect(crew.getByRole("alert")).toContainText("Say who is here");
  await axe(page);
  await crew.getByRole("button", { name: "Cancel" }).click();
  await here("Ida, Jon", "2", "0");
  await expect(crew.getByRole("alert")).toContainText("Places and rigs are counted");
  // No number is not nothing: nothing would mean enough.
  await crew.getByLabel("Of them with water and drain").fill("two");
  await page.keyboard.press("Enter");
  await expect(crew.getByRole("alert")).toContainText("Places and rigs are counted");
  await expect(crew.getByLabel("Of them with water and drain")).toHaveValue("two");
  // What was typed is still there.
  await expect(crew.getByLabel("Names, a comma between")).toHaveValue("Ida, Jon");
  await crew.getByRole("button", { name: "Cancel" }).click();
  await here("Ida, Jon", "2", "1");
  await expect(now.getByRole("heading", { name: "Jon" })).toBeVisible();
  await expect(now.getByRole("heading", { name: "Ida" })).toBeVisible();
  await expect(
    now.getByRole("button", { name: "Who is here: Ida, Jon; 2 places to run a unit; 1 with water" }),
  ).toBeVisible();
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await here("Ida", "");
  await expect(now.getByRole("heading", { name: "Jon" })).toHaveCount(0);
});

test("figures of the shop; the customer's page with its choice; what goes out as a file", async ({ page }) => {
  await beginJob(page, FRIDGE, DARK);
  const job = page.url().split("/").at(-1)!;
  const called = {
    type: "called",
    piece: "hinge-plug",
    pieceName: "Hinge plug H1",
    cause: "No contact",
    action: "Cleaned.",
    sure: "likely",
    proofs: [],
  };
  const entry = (body: object) => ({ id: crypto.randomUUID(), v: 1, actor: "Ida", body });
  expect((await page.request.post(`/api/jobs/${job}/events`, { data: entry(called) })).status()).toBe(200);
  await page.goto("/figures?by=person");
  await alive(page);
  const first = page.getByRole("region", { name: "Does the first job end it?" });
  await expect(first).toBeVisible();
  await expect(page.getByRole("region", { name: "How long are hands on a job?" })).toContainText("Half of the jobs");
  await axe(page);
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Every job as a file (CSV)" }).click(),
  ]);
  expect(readFileSync(await file.path(), "utf8")).toContain(job);
  await page.locator("label").filter({ hasText: /^By/ }).getByRole("combobox").selectOption("machine");
  await expect(page).toHaveURL(/by=machine/);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);

  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/jobs/${job}/record`);
  await page.getByRole("link", { name: "For the customer" }).click();
  await page.waitForURL("**/customer");
  await alive(page);
  const sheet = page.getByRole("article");
  await expect(sheet).toContainText(`You told us: ${DARK}`);
  await expect(sheet).toContainText("Nothing was tested after the work.");
  await page.getByLabel("A word of your own").fill("Thank you for the soup.");
  await written(page, "customer page", () => page.getByRole("button", { name: "Keep it so" }).click());
  await page.reload();
  await expect(sheet).toContainText("Thank you for the soup.");
  await axe(page);
  const pdf = await page.request.get(`/api/jobs/${job}/paper`);
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);

  // Before a repair: what can be offered, handed out once.
  await beginJob(page, FRIDGE, DARK);
  const open = page.url().split("/").at(-1)!;
  await page.goto(`/jobs/${open}/quote?assembly=hinge-plug&fault=H1-1:open`);
  await alive(page);
  await expect(page.getByRole("article")).toContainText("lasts with");
  await axe(page);
  await written(page, "quoted", () => page.getByRole("button", { name: "Hand it out" }).click());
  await expect(page.getByRole("status").filter({ hasText: "Handed out" })).toBeVisible();
});

test("before driving: asked on the phone, each answer changes what it may be and what to take along", async ({
  page,
}) => {
  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Warm inside, compressor silent");
  const job = page.url().split("/").at(-1)!;
  await page.goto(`/jobs/${job}/visit`);
  await alive(page);
  const take = page.getByRole("region", { name: "Take along" });
  await expect(take).toContainText(/\d+ % of such visits end at once with all of it/);
  await axe(page);
  const asks = page.getByRole("region", { name: "Ask on the phone" });
  const questions = await asks.getByRole("listitem").count();
  expect(questions).toBeGreaterThan(0);
  await written(page, "answered", () => asks.getByRole("button", { name: "No", exact: true }).first().click());
  await expect(asks.getByRole("listitem")).toHaveCount(questions - 1);
  await expect(asks).toContainText("Answered");
  // Each repair is proven in thought: its clamp is on the list, too.
  await expect(take.getByRole("checkbox", { name: "Meter AC clamp" })).toBeVisible();
  await take.getByRole("checkbox").first().check();
  await page.reload();
  await alive(page);
  await expect(take.getByRole("checkbox").first()).toBeChecked();
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
