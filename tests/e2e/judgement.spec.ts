import { expect, test } from "@playwright/test";
import { axe, beginJob, fits } from "./look";
import { asked } from "./meter";

test("a reading that fits nothing is questioned with the likely slip; points say what each suspect would show; signs and tried repairs count", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  await asked(page);
  // Hovering a point: what all is well and the leading suspects would show there.
  await page.getByRole("button", { name: /^J2-1 to J2-3/ }).hover();
  await expect(page.locator(".what-if li").first()).toContainText("If all is well");
  await expect(page.locator(".what-if li")).toHaveCount(4);
  await page.mouse.move(5, 5);
  await expect(page.locator(".legend")).toBeVisible();

  await page.getByRole("button", { name: /I measured something else/ }).click();
  await page.getByLabel("Unit", { exact: true }).selectOption("cold-call");
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await page.getByLabel("Red lead").selectOption("J2-1.pad");
  await page.getByLabel("Black lead").selectOption("J2-3.pad");
  const notice = page.getByRole("button", { name: "I work that way" });
  await notice.click();
  await page.locator("#reading").fill("41.7");
  await page.keyboard.press("Enter");
  await expect(page.locator(".misfit-note")).toContainText("No remaining suspect gives this reading", {
    timeout: 120_000,
  });
  await axe(page);
  await page.locator(".misfit-note").getByRole("button", { name: "Strike it out" }).click();
  await page.getByRole("dialog").getByRole("textbox").fill("leads were on the wrong plug");
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /Strike/ })
    .click();
  await expect(page.locator(".misfit-note")).toHaveCount(0);

  // No key does anything behind a dialog that is still open.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+g");
  await page.locator(".signs li", { hasText: "moved, knocked" }).getByRole("button", { name: "Yes" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("moved, knocked");
  await expect(page.locator(".signs li", { hasText: "moved, knocked" })).toHaveCount(0);
  await page.getByLabel("What was repaired or replaced").selectOption("panel-board");
  await page.getByRole("button", { name: "Still there" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("Tried: Door panel board");
  await expect(page.locator(".suspects li").first()).not.toContainText("Door panel board");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("a repair that is cheaper to try than to prove is offered; reasons, what is still to come and the chart stand beside it", async ({
  page,
}) => {
  await beginJob(page, "Workshop: Tannrast FT-20, FT-9081", "Lamp: two flashes, pause");
  // What the complaint says is not asked back, and nothing is looked at twice.
  for (const label of ["still", "2 flashes, pause", "still"]) {
    const test = await asked(page);
    expect(test).toContain("|look|");
    const rows = await page.locator(".trail li").count();
    await page
      .getByRole("group", { name: /What do you see/ })
      .getByRole("button", { name: label, exact: false })
      .first()
      .click();
    await expect(page.locator(".trail li")).toHaveCount(rows + 1);
    await expect(page.locator(".next-area .next[aria-busy=false]")).toBeVisible();
  }
  await expect(page.locator(".next-kicker")).toContainText("Try first");
  await expect(page.locator(".next h2")).toContainText("clean and reseat");
  await expect(page.locator(".cautions")).toContainText("prove it dead");
  await expect(page.locator(".outlook")).toContainText(/Still to come: \d+ min/);
  await page.locator(".outlook summary").click();
  await expect(page.getByRole("img", { name: /Share of belief/ })).toBeVisible();
  await page.locator(".suspects summary").first().click();
  await expect(page.locator(".reasons li").first()).toBeVisible();
  await axe(page);
  await page.getByRole("button", { name: /^Tools and limits/ }).click();
  await page.getByLabel("Room, °C").fill("hot");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.locator(".surroundings .problem")).toContainText("between -40 and 70");
  await page.getByLabel("Room, °C").fill("8");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("8 °C here");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Fixed" }).click();
  await expect(page.locator(".next h2")).toContainText("This repair cured the complaint");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
