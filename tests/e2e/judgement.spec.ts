import { expect, test } from "@playwright/test";
import { axe, beginJob, fits } from "./look";
import { asked } from "./meter";

test("a reading that fits nothing is questioned with the likely slip; points say what each suspect would show; signs and tried repairs count", async ({ page }) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  await asked(page);
  // Hovering a point: what all is well and the leading suspects would show there.
  await page.getByRole("button", { name: /^J2-1 to J2-3/ }).hover();
  await expect(page.locator(".what-if li").first()).toContainText("If all is well");
  await expect(page.locator(".what-if li")).toHaveCount(4);
  await page.mouse.move(5, 5);
  await expect(page.locator(".legend")).toBeVisible();

  await page.getByRole("button", { name: /did it differently/ }).click();
  await page.getByLabel("Unit", { exact: true }).selectOption("cold-call");
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await page.getByLabel("Red lead").selectOption("J2-1.pad");
  await page.getByLabel("Black lead").selectOption("J2-3.pad");
  const notice = page.getByRole("button", { name: "I work that way" });
  await notice.click();
  await page.locator("#reading").fill("41.7");
  await page.keyboard.press("Enter");
  await expect(page.locator(".misfit-note")).toContainText("fits nothing that is still possible", { timeout: 30_000 });
  await axe(page);
  await page.locator(".misfit-note").getByRole("button", { name: "Strike it out" }).click();
  await page.getByRole("dialog").getByRole("textbox").fill("leads were on the wrong plug");
  await page.getByRole("dialog").getByRole("button", { name: /Strike/ }).click();
  await expect(page.locator(".misfit-note")).toHaveCount(0);

  await page.keyboard.press("Alt+2");
  await page.locator(".signs li", { hasText: "moved, knocked" }).getByRole("button", { name: "So it is" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("moved, knocked");
  await expect(page.locator(".signs li", { hasText: "moved, knocked" })).toHaveCount(0);
  await page.getByLabel("What was repaired or replaced").selectOption("panel-board");
  await page.getByRole("button", { name: "The complaint stays" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("Tried: Door panel board");
  await expect(page.locator(".suspects li").first()).not.toContainText("Door panel board");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
