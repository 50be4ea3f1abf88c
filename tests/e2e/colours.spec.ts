import { expect, test, type Page } from "@playwright/test";
import { axe, beginJob, fits } from "./look";
import { asked } from "./meter";

/** Every kind of page, by its address; a job's views come with the job. */
const PATHS = ["/", "/machines", "/machines/quellmoor-sb-210", "/codes", "/lamp", "/tools", "/tools/heater", "/quick"];

async function finds(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.locator("main").first().waitFor();
  await page.waitForTimeout(300);
  await axe(page);
}

test("dark, for cellars: axe finds nothing on lists, machines and tools", async ({ page }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  for (const path of PATHS) await finds(page, path);
});

test("dark, for cellars: axe finds nothing in a job", async ({ page }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  const job = new URL(page.url()).pathname;
  await asked(page);
  for (const at of ["?view=says", "?view=modes", "/repair?step=decide", "/record"]) await finds(page, `${job}${at}`);
});

test("the colours are chosen in a job too, and stay chosen", async ({ page }) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  const wall = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const light = await wall();
  await page.getByRole("button", { name: /^Tools and limits/ }).click();
  await page.getByLabel("Colours", { exact: true }).selectOption("dark");
  await expect.poll(wall).not.toBe(light);
  const dark = await wall();
  await page.reload();
  await expect.poll(wall).toBe(dark);
  await page.goto("/");
  await expect.poll(wall).toBe(dark);
});

test("forced colours keep what colour tells: filled, diamond, ring", async ({ page }) => {
  await page.emulateMedia({ forcedColors: "active" });
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  await asked(page);
  const shapeOf = (name: string) =>
    page
      .locator(`.legend .mark.${name}`)
      .evaluate((mark) => [getComputedStyle(mark).backgroundColor, getComputedStyle(mark).borderRadius].join(" "));
  const shapes = await Promise.all(["fits", "misfit", "open"].map(shapeOf));
  expect(new Set(shapes).size).toBe(3);
  await axe(page);
});

test("at twice the size and on a tablet nothing is wider than the page, and a job's head stays small", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  await asked(page);
  const heights = () =>
    page.evaluate(() =>
      [".job-bar", ".job-views"].map((s) => document.querySelector(s)!.getBoundingClientRect().height),
    );
  for (const [width, height, share] of [
    [360, 740, 1 / 6],
    [390, 844, 1 / 6],
    [640, 400, 1],
    [820, 1180, 1 / 6],
    [1280, 800, 1 / 6],
  ] as const) {
    await page.setViewportSize({ width, height });
    await page.waitForTimeout(300);
    await fits(page);
    const head = (await heights()).reduce((sum, h) => sum + h, 0);
    expect(head, `${width}`).toBeLessThanOrEqual(height * share);
  }
});
