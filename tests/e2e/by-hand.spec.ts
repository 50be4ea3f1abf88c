import { expect, test } from "@playwright/test";
import { machineNamed } from "../support/fleet";
import { axe, beginJob, fits } from "./look";
import { asked, typedFor } from "./meter";

test("a motor that stands is turned by hand, locked off and uncoupled; keys choose what was felt", async ({ page }) => {
  const conveyor = machineNamed("sellrun-lc-24");
  const drags = { part: "belt", mode: "drags" };
  await beginJob(page, "Grey Saddle cable-car station, luggage: Sellrun LC-24, LC-0102", "Lamp: the distress signal");
  let byHand = 0;
  for (let next = await asked(page); next !== null; next = await asked(page)) {
    const seen = typedFor(next, drags, conveyor);
    const labels = page.getByRole("group", { name: "What do you see" }).getByRole("button");
    if (next.startsWith("dead|look|")) {
      byHand++;
      await expect(page.getByRole("heading", { name: "uncoupled, turn it by hand" })).toBeVisible();
      await expect(page.locator(".cautions")).toContainText("propped");
      await expect(page.locator(".next")).toContainText("Dead");
      await expect(labels).toHaveText([/turns freely/, /stuck or drags/]);
      await axe(page);
      await page.keyboard.press(seen === "turns freely" ? "1" : "2");
    } else await labels.filter({ hasText: new RegExp(`^\\s*\\d?\\s*${seen}`) }).click();
    await expect(page.locator(`.next[data-test="${next}"]`)).toHaveCount(0, { timeout: 120_000 });
    expect(byHand).toBeLessThan(4);
  }
  expect(byHand).toBeGreaterThan(0);
  await expect(page.locator(".next").first()).toContainText("Belt and coupling");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("a log of the sleep current goes into the job it was made for, with the limits of the machine's file", async ({
  page,
}) => {
  await beginJob(page, "Grey Saddle slope vehicle 2: Hochkar IP-4, IP-0015", "Battery flat in the morning");
  const job = page.url().split("/").at(-1)!;
  await page.goto(`/tools/sleep?job=${job}`);
  await expect(page.getByLabel("Asleep at most")).toHaveValue("4 mA");
  const log = Array.from({ length: 60 }, (_, i) => `${i * 5};${i < 12 ? 320 : 1.2 + 0.1 * (i % 3)}`).join("\n");
  await page.getByLabel("or pasted").fill(`time;current mA\n${log}`);
  await expect(page.getByText("This unit is not the drain.")).toBeVisible();
  await axe(page);
  await page.getByRole("button", { name: "Into the job: 1.30 mA" }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${job}`));
  await expect(page.locator(".trail")).toContainText("Sleep current, logged", { timeout: 120_000 });
  await expect(page.locator(".suspects li", { hasText: "Panel board" })).toHaveCount(0);
});

test("what comes and goes is said with the complaint, and then provoked", async ({ page }) => {
  await page.goto("/");
  await page.keyboard.press("Alt+n");
  await page.getByLabel("Unit", { exact: false }).first().fill("TM-0311");
  await page
    .getByRole("option", { name: /TM-0311/ })
    .first()
    .click();
  await page.getByLabel("Complaint").selectOption({ label: "Screen shows E 301 412 523" });
  await page.getByLabel("It comes and goes").check();
  await page.getByLabel(/Who/).fill("Ida");
  await page
    .getByRole("button", { name: /Begin|Start/ })
    .last()
    .click();
  await page.waitForURL(/\/jobs\//);
  // The complaint alone makes it nearly sure: something of it is to be seen first, between the leads.
  expect(await asked(page)).not.toContain("|look|");
  const notice = page.getByRole("button", { name: "I work that way" });
  if (await notice.isVisible()) await notice.click();
  await expect(page.locator(".provoke")).toBeVisible();
  await axe(page);
});
