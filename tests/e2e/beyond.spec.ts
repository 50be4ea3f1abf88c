import { expect, test, type Page } from "@playwright/test";
import type { Fault } from "../../src/core/model/fault";
import { machineNamed } from "../support/fleet";
import { axe, beginJob, fits } from "./look";
import { asked, enter } from "./meter";

/** Answers every step until the search ends. */
async function answerAll(page: Page, file: string, fault: Fault): Promise<void> {
  const machine = machineNamed(file);
  for (let k = 0; k < 24; k++) {
    const name = await asked(page);
    if (name === null) return;
    await enter(page, name, fault, machine);
  }
}

test.describe.configure({ mode: "parallel" });

test("a board that is repaired: asked once, the search goes on inside it to the component", async ({ page }) => {
  await beginJob(page, "Larch Pass Hut: Firnau BF-330, BF-2217", "Completely dead, panel dark, nothing runs");
  await answerAll(page, "firnau-bf-330", { part: "PS1", mode: "start-open" });
  await expect(page.locator(".next h2")).toContainText("Main board");
  await page.getByRole("button", { name: "I repair boards: go on inside" }).click();
  await expect(page.locator(".next-kicker")).toContainText("Inside: Main board", { timeout: 120_000 });
  await answerAll(page, "firnau-bf-330", { part: "PS1", mode: "start-open" });
  await expect(page.locator(".next h2")).toContainText("start resistor open");
  await expect(page.locator(".suspects")).toContainText("start resistor");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  // Asked once a person: the next job goes on by itself.
  await page.reload();
  await page.locator("[data-live]").first().waitFor();
  await page.getByRole("button", { name: /Tools and limits|Limits/ }).click();
  await expect(page.getByLabel("I repair boards: on to the component")).toBeChecked();
});

test("a fuse that blew is not the end: what could have done it is read, what only a person knows is asked", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Firnau BF-330, BF-2217", "Completely dead, panel dark, nothing runs");
  await answerAll(page, "firnau-bf-330", { part: "F1", mode: "blown" });
  await expect(page.locator(".next h2")).toContainText("Board fuse F1");
  const why = page.getByRole("region", { name: "Why did it happen?" });
  await expect(why.getByRole("list", { name: "What the readings say" })).toContainText("read, not it");
  await axe(page);
  await why.getByRole("button", { name: "A lamp in its place, before a new one" }).click();
  await why.getByRole("button", { name: "It flashes and goes dim" }).click();
  await expect(why).toContainText("Dim.");
  const tired = why.getByRole("listitem").filter({ hasText: "sagged or parted" });
  await tired.getByRole("button", { name: "Yes" }).click();
  await expect(page.locator(".next h2")).toContainText("tired of its own years");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole("button", { name: /Close with a diagnosis/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: /^Restored: Cover off/ }).click();
  await expect(dialog.getByRole("group", { name: "Left behind" })).toHaveCount(0);
  await dialog.getByRole("button", { name: "Close the job" }).click();
  await page.waitForURL(/\/record$/);
  await expect(page.getByText(/Proven: Why it opened is known/)).toBeVisible();
  await expect(page.getByText(/tired of its own years/).first()).toBeVisible();
});

test("tried by hand: what protects is refused with its reason, what may be bridged says how, what came of it counts", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Firnau BF-330, BF-2217", "Compressor runs, no air");
  await page.goto(`${page.url()}?view=says`);
  await page.locator("[data-live]").first().waitFor();
  const hand = page.getByRole("region", { name: "Tried by hand" });
  await hand.getByLabel("What was tried").selectOption({ label: "A low-voltage part bridged for a moment" });
  await hand.getByLabel("On what").selectOption({ label: "Door switch" });
  await expect(hand.getByRole("alert")).toContainText("never bridged");
  await expect(hand.getByRole("button", { name: "Alive", exact: true })).toBeDisabled();
  await hand.getByLabel("On what").selectOption({ label: "J4 pin 3" });
  await expect(hand.getByRole("list", { name: "How it is bridged" })).toContainText("1 A fuse");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await hand.getByRole("button", { name: "Alive", exact: true }).click();
  await expect(hand.getByRole("status")).toContainText("J4 pin 3: bridged. Alive.");
  await expect(page.locator(".suspects summary").first()).toContainText("Sensor plug J4");
});
