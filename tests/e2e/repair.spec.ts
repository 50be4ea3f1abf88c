import { expect, test } from "@playwright/test";
import { axe, beginJob, fits } from "./look";

test("what to do about a suspect, by expected cost; the swap stage by stage, its way back derived; ticks survive a reload", async ({ page }) => {
  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Never stops, freezes everything");
  const job = page.url().split("/jobs/")[1]!;
  await page.goto(`/jobs/${job}/repair?piece=board&fault=K1:welded`);
  await expect(page.getByLabel("Cause")).toHaveValue("K1:welded");
  await expect(page.locator("tr.is-best")).toContainText("cheapest");
  await expect(page.getByRole("row", { name: /Solder the joint again/ })).toContainText("temporary");
  // A shop whose minutes are dear flips from repairing to swapping.
  const first = await page.locator("tr.is-best td").first().innerText();
  await page.getByLabel("A minute costs").fill("9");
  await expect(page.locator("tr.is-best td").first()).not.toHaveText(first);
  await expect(page.getByText("Switched off is not dead")).toBeVisible();
  await expect(page.getByText("Push Terminal block T home until it latches")).toBeVisible();
  await page.getByLabel("Power down, and prove it").check();
  await page.reload();
  await expect(page.getByLabel("Power down, and prove it")).toBeChecked();
  await axe(page);
  await page.getByLabel("plugs straight over, one at a time").check();
  await expect(page.getByText(/Straight over to/).first()).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.goto(`/jobs/${job}/repair?piece=compressor`);
  await expect(page.getByText("Work for a licensed trade: leave it closed")).toBeVisible();
  expect((await page.request.get(`/jobs/${job}/repair?piece=nothing`)).status()).toBe(404);
});
