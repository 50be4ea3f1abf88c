import { expect, test } from "@playwright/test";
import { alive, axe, fits } from "./look";

test("a newcomer finds what a relay is: what a file says of it, how it fails, an example", async ({ page }) => {
  await page.goto("/machines");
  await alive(page);
  await page.getByRole("link", { name: "Kinds of parts" }).click();
  await page.getByRole("searchbox", { name: "Relay, heater, sensor" }).fill("relay");
  await page.getByRole("link", { name: /^relay/ }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Relay" })).toBeVisible();
  await expect(page.getByRole("row", { name: /coilOhms/ })).toContainText("its coil, dead");
  await expect(page.getByRole("region", { name: "How it fails" })).toContainText("contact welded shut");
  await expect(page.getByRole("img", { name: /coil-a, coil-b, common, make/ })).toBeVisible();
  await expect(page.locator(".kind-example")).toContainText("kind: relay");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.getByRole("link", { name: "All kinds of parts" }).click();
  await page.getByRole("searchbox").fill("nothing of the kind");
  await expect(page.getByText("No kind like that.")).toBeVisible();
  await axe(page);
  await page.goto("/machines/kinds/flux-capacitor");
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
});
