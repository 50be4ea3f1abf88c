import { expect, test } from "@playwright/test";
import { alive, axe, beginJob } from "./look";

test("shortcuts are listed, silent in dialogs and fields, can be switched off and changed", async ({ page }) => {
  await page.goto("/");
  await alive(page);
  await page.keyboard.press("?");
  const list = page.getByRole("dialog", { name: "Keyboard and colours" });
  await expect(list).toBeVisible();
  await axe(page);
  // No dialog over a dialog, and nothing behind one.
  await page.keyboard.press("n");
  await expect(page.getByLabel("Unit", { exact: true })).not.toBeFocused();
  await page.keyboard.press("Escape");
  await expect(list).toBeHidden();

  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Warm inside, compressor silent");
  const question = page.locator(".firsts h2");
  await expect(question).toBeVisible({ timeout: 120_000 });
  const first = await question.textContent();
  // Behind the diagnosis an answer by one key would be a wrong entry on record.
  await page.keyboard.press("Alt+k");
  await expect(page.getByRole("dialog", { name: "Diagnosis" })).toBeVisible();
  await page.getByRole("dialog").locator("h4, h2, .modal-title").first().click();
  await page.keyboard.press("n");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  await expect(question).toHaveText(first!);
  await page.keyboard.press("n");
  await expect(question).not.toHaveText(first!);
  // One key is quickly pressed: it is taken back where one stands.
  await page.locator(".last-answer").getByRole("button", { name: "Undo" }).click();
  await expect(question).toHaveText(first!);

  await page.keyboard.press("?");
  await page.getByLabel(/^Single keys/).uncheck();
  await page.getByRole("button", { name: "Change the key: Close with a diagnosis" }).click();
  await page.getByRole("button", { name: "Record a key" }).click();
  await page.keyboard.press("Alt+d");
  await expect(page.getByText("The browser takes this key. Choose another.")).toBeVisible();
  await page.getByRole("button", { name: "Again" }).click();
  await page.keyboard.press("Alt+y");
  await page.getByRole("button", { name: "Save" }).click();
  await page.keyboard.press("Escape");
  await expect(list).toBeHidden();
  await page.keyboard.press("n");
  await page.waitForTimeout(500);
  await expect(question).toHaveText(first!);
  await page.keyboard.press("Alt+y");
  await expect(page.getByRole("dialog", { name: "Diagnosis" })).toBeVisible();
});

test("a job opened by mistake is dropped with a reason and stays on record", async ({ page }) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Check over, no complaint");
  await page.getByRole("button", { name: "Opened by mistake? Drop this job" }).click({ timeout: 120_000 });
  const dialog = page.getByRole("dialog", { name: "Drop this job?" });
  await expect(dialog.getByRole("button", { name: "Type a reason" })).toBeDisabled();
  await dialog.getByLabel("Reason").fill("wrong unit");
  await dialog.getByRole("button", { name: "Drop the job" }).click();
  await page.waitForURL(/\/record$/);
  await expect(page.getByRole("heading", { name: "Dropped: opened by mistake" })).toBeVisible();
  await expect(page.getByText("wrong unit")).toBeVisible();
  await expect(page.getByText("The job is open.")).toHaveCount(0);
});

test("the simulator's meter reads what its leads are on, and a hidden fault is guessed", async ({ page }) => {
  await page.goto("/machines/kaldruun-uc-80/hand");
  await page.getByLabel("Red lead", { exact: true }).selectOption("plug-line");
  await page.getByLabel("Black lead", { exact: true }).selectOption("plug-neutral");
  const display = page.locator(".hand-display");
  // The outlet is live whether the machine is plugged in or not; ohms there are refused once it is.
  await page.getByLabel("Plug in").check();
  await expect(display).toContainText(/2[23]\d(\.\d)? V/, { timeout: 120_000 });
  await page.getByLabel("Meter function").selectOption("ohms");
  await expect(page.locator(".hand-meter .problem")).toContainText("Ohms only on a dead circuit");
  // A point touched takes the lead in hand, and then the other is in hand.
  await page.getByLabel("Meter function").selectOption("acv");
  await expect(display).toContainText(/2[23]\d(\.\d)? V/);
  await page.getByRole("button", { name: "Plug, neutral pin" }).click();
  await page.getByRole("button", { name: "Plug, line pin" }).click();
  await expect(page.getByLabel("Black lead", { exact: true })).toHaveValue("plug-line");
  await expect(page.getByRole("button", { name: "Plug, neutral pin, red lead is on it" })).toBeVisible();
  await expect(display).toContainText(/2[23]\d(\.\d)? V/);
  await page.getByLabel("Fault").selectOption("hidden");
  const guess = page.getByRole("region", { name: "The hidden fault" });
  await guess.getByRole("button", { name: "Show it" }).click();
  const told = (await guess.getByRole("status").textContent())!.replace(/^It was: |\.$/g, "");
  await guess.getByLabel("What is it?").selectOption({ label: told });
  await guess.getByRole("button", { name: "Check" }).click();
  await expect(guess.getByRole("status")).toContainText("Yes:");
});
