import { expect, test, type Page } from "@playwright/test";
import { axe, beginJob, fits } from "./look";

/** Opens a job of a kind on a new unit of a machine, by the form; answers with the job. */
async function begin(page: Page, machine: string, kind: string, more: (page: Page) => Promise<void>): Promise<string> {
  await page.goto("/");
  await page.locator("[data-live]").first().waitFor();
  await page.getByLabel("Unit", { exact: true }).fill(machine);
  await page.getByRole("option", { name: new RegExp(`New unit: ${machine}`) }).click();
  await page.getByLabel("Site").fill("Grey Saddle cable-car station");
  await page.getByLabel("Serial number").fill(`K-${crypto.randomUUID().slice(0, 6)}`);
  await page.getByLabel("What for").selectOption({ label: kind });
  await more(page);
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL(/\/repair$/);
  return page.url().split("/jobs/")[1]!.split("/")[0]!;
}

/** Every step of the proof as a sound unit shows it; answers with how many there were. */
async function proveAll(page: Page): Promise<number> {
  await page.locator(".proof-list li").first().waitFor();
  const total = await page.locator(".proof-list li").count();
  for (let k = 0; k < total; k++) {
    await expect(page.locator(".proof-list li.passed")).toHaveCount(k);
    await expect(page.locator(".prove-now .btn-primary").last()).toBeEnabled();
    const field = page.locator("#proof-reading");
    if (await field.isVisible()) {
      const wanted = await page.locator(".prove-wanted .value").innerText();
      const between = /^(-?[\d.]+) ?([kMm])?[VΩA]* ?to (-?[\d.]+) ?([kMm])?/.exec(wanted);
      const of = (p: string | undefined) => ({ k: 1e3, M: 1e6, m: 1e-3 })[p ?? ""] ?? 1;
      const middle = between
        ? (Number(between[1]) * of(between[2] ?? between[4]) + Number(between[3]) * of(between[4])) / 2
        : 0.05;
      if (/at least/.test(wanted)) await field.fill("50");
      else if (wanted.endsWith("OL")) await field.fill("OL");
      else await field.fill(String(middle));
      await page.keyboard.press("Enter");
    } else await page.locator(".prove-now .btn-primary").click();
  }
  await expect(page.getByRole("heading", { name: "Every step passed" })).toBeVisible();
  return total;
}

async function close(page: Page, words: string): Promise<void> {
  await page.getByRole("button", { name: "What is still to restore" }).click();
  await page.getByLabel("What was done").fill(words);
  await page.getByRole("button", { name: "Close the job" }).click();
  await page.waitForURL(/\/record$/);
  await expect(page.getByText(words)).toBeVisible();
}

test("a card reader is fitted: pin by pin, a price as units, a trial, and its record", async ({ page }) => {
  await begin(page, "Obwart DV-8", "Fit a module", (p) =>
    p
      .getByLabel("Module", { exact: true })
      .selectOption({ label: "Card reader CR-2" })
      .then(() => undefined),
  );
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Fit a module: Card reader CR-2");
  await expect(page.getByText("Pin 5, yellow: into data out, until it clicks; tug it")).toBeVisible();
  // 1.50 in steps of 0.05 is 30, by hand; 1.52 is no whole number of steps; 13.00 is over 255 steps.
  const price = page.getByLabel(/Price of a column/);
  await price.fill("1.50");
  await expect(page.locator(".keyed-in")).toContainText("key in 30");
  await price.fill("1.52");
  await expect(page.locator(".keyed-in")).toContainText("take 1.5 or 1.55");
  await price.fill("13");
  await expect(page.locator(".keyed-in")).toContainText("12.75 EUR at most");
  await axe(page);
  await expect(page.getByRole("button", { name: "Go on to the proof" })).toBeDisabled();
  const ticks = page.locator(".key-steps .form-check-input");
  for (let i = 0; i < (await ticks.count()); i++) {
    await ticks.nth(i).click();
    await expect(ticks.nth(i)).toBeChecked();
  }
  await page.getByRole("button", { name: "Go on to the proof" }).click();
  await proveAll(page);
  await axe(page);
  await close(page, "Reader fitted, price list 1.");
  await expect(page.getByRole("heading", { name: "Fit a module: Card reader CR-2" })).toBeVisible();
  await axe(page);
});

test("a module of one's own is fitted to a machine whose file knows none", async ({ page }) => {
  await begin(page, "Kaldruun UC-80", "Fit a module", (p) =>
    p.getByLabel("Name and number of the module").fill("Door alarm DA-3"),
  );
  await expect(page.getByText("Each terminal tugged by its wire: none comes out.")).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await axe(page);
});

test("a drying time is changed without a suspect: read, set by its switches, proven, nothing left behind", async ({
  page,
}) => {
  await begin(page, "Brenzik CD-30", "Change a setting", async () => undefined);
  const time = page.getByRole("region", { name: "Drying time a coin" });
  await time.getByLabel("As it is wanted").selectOption("1000");
  await expect(time.getByText("Read what is set now, first.")).toBeVisible();
  await time.getByLabel("Drying time a coin, as found").selectOption("0110");
  await time.getByRole("button", { name: "Set, and it shows it" }).click();
  await expect(time.getByRole("button", { name: "Set", exact: true })).toBeVisible();
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole("button", { name: "Go on to the proof" }).click();
  await expect(page.locator(".proof-list")).toContainText("shows 1000");
  await proveAll(page);
  await page.getByRole("button", { name: "What is still to restore" }).click();
  await expect(page.getByText("Nothing left to restore.")).toBeVisible();
  await page.getByLabel("What was done").fill("45 minutes a coin now.");
  await page.getByRole("button", { name: "Close the job" }).click();
  await page.waitForURL(/\/record$/);
});

test("a check over finds what does not hold: the step that fails is a reading of the search, the unit stays unsafe", async ({
  page,
}) => {
  const job = await begin(page, "Gratlosch BD-5", "Check over", (p) =>
    p
      .getByLabel("Why")
      .selectOption({ label: "Check over: after somebody else's repair" })
      .then(() => undefined),
  );
  await expect(page.locator(".proof-list")).toContainText("Nothing that protects is bridged");
  await expect(page.locator(".proof-list")).toContainText("3.15 A");
  // Somebody was in it: each board is judged, with what comes of it and a photo.
  await page.locator(".proof-list button", { hasText: "Control board: joints" }).click();
  await expect(page.getByText("If not: A cracked joint works on the bench")).toBeVisible();
  await expect(page.getByLabel("Photo for Control board: joints")).toBeAttached();
  await page.getByRole("button", { name: "No", exact: true }).click();
  await expect(page.locator(".proof-list li.failed")).toHaveCount(1);
  const measured = page.locator(".proof-list button", { hasText: /\d V to|V to|Ω to/ }).first();
  await measured.click();
  await page.locator("#proof-reading").fill("0");
  await page.keyboard.press("Enter");
  await expect(page.locator(".proof-list li.failed")).toHaveCount(2);
  await page.getByRole("button", { name: /Restore/ }).click();
  await page.getByLabel("What was done").fill("Checked over; one reading is missing.");
  await page.getByLabel(/^Closed with \d open, because/).fill("The owner decides.");
  await page.getByLabel("Unsafe: left disconnected").check();
  await page.getByLabel("Why it is unsafe").fill("No volts where they belong.");
  await page.getByLabel("Tag on the unit").fill("T-12");
  await page.getByLabel("Signed by").fill("Ida");
  await axe(page);
  await page.getByRole("button", { name: "Close the job" }).click();
  await page.waitForURL(new RegExp(`${job}/record$`));
  await expect(page.getByRole("cell", { name: "not as expected" })).toBeVisible();
  await expect(page.getByRole("cell", { name: /A cracked joint works on the bench/ })).toBeVisible();
  await expect(page.getByText("Unsafe, left disconnected")).toBeVisible();
});

test("a board that is no longer made is replaced by a relay: refused bare, proven whole, two labels", async ({
  page,
}) => {
  const unit = await beginJob(page, "Workshop: Grisselm SN-18, SN-1846", "Lamp lights, does not drive");
  const job = page.url().split("/jobs/")[1]!;
  await page.goto(`/jobs/${job}/repair?assembly=board&step=change`);
  const what = page.getByLabel("What", { exact: true });
  const next = page.getByRole("button", { name: "And another change" });
  const kept = page.locator(".mark-list li");
  await what.selectOption({ label: "Take a board out" });
  await next.click();
  await expect(kept).toHaveCount(1);
  await what.selectOption({ label: "Build a part in" });
  await page.getByLabel("What is built in").selectOption("relay");
  await page.getByLabel("Called").fill("Relay K1");
  for (const [field, value] of [
    ["Coil volts", "18"],
    ["Coil ohms", "270"],
    ["Contact, AC amperes", "40"],
    ["Contact, DC amperes", "40"],
  ] as const)
    await page.getByLabel(field, { exact: true }).fill(value);
  const joint = (terminal: string) => page.getByLabel(`${terminal} goes to`, { exact: true });
  await joint("Coil, one end,").selectOption({ value: "both" });
  await joint("Coil, other end,").selectOption({ value: "minus" });
  await joint("Contact, common,").selectOption({ value: "M-2" });
  await joint("Contact, make,").selectOption({ value: "minus" });
  // Without a diode across the motor it is refused, with its reason.
  await page.getByRole("button", { name: "Prove it" }).click();
  const came = page.getByRole("region", { name: "What came of it" });
  await expect(came).toContainText("Nothing takes up what Motor gives back", { timeout: 120_000 });
  await expect(came).toContainText("Refused.");
  await axe(page);
  await next.click();
  await expect(kept).toHaveCount(2);
  await page.getByLabel("What is built in").selectOption("diode");
  await page.getByLabel("Called").fill("Diode across the motor");
  await joint("Anode").selectOption({ value: "M-2" });
  await joint("Cathode").selectOption({ value: "M-1" });
  await next.click();
  await expect(kept).toHaveCount(3);
  await page.getByLabel("What is built in").selectOption("led");
  await page.getByLabel("Called").fill("Ready lamp");
  await page.getByLabel("Volts", { exact: true }).fill("18");
  await page.getByLabel("Series resistor, ohms", { exact: true }).fill("1k");
  await joint("Plus").selectOption({ value: "both" });
  await joint("Minus").selectOption({ value: "minus" });
  await page.getByRole("button", { name: "Prove it" }).click();
  await expect(came).toContainText("It may be built.", { timeout: 120_000 });
  await expect(came).toContainText("orders of what a hand does");
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByLabel("Reason").fill("The board is no longer made.");
  await page.getByLabel("Customer's word given by").fill("Caretaker");
  await page.getByRole("button", { name: "Build it and mark the unit" }).click();
  await expect(page.getByRole("region", { name: "Built into this unit" })).toContainText("Relay K1");
  // The unit as it is now is proven as a whole: the board is not asked for any more.
  await page.getByRole("button", { name: "Prove", exact: true }).click();
  const total = await proveAll(page);
  await close(page, "Relay in place of the board.");
  await expect(page.getByRole("cell", { name: "passed" })).toHaveCount(total);
  await page.goto(`/units/${unit}/label`);
  await expect(page.getByRole("region", { name: "Outside" })).toContainText("MODIFIED");
  await expect(page.getByRole("region", { name: "Inside" })).toContainText("Relay K1");
  await expect(page.getByRole("region", { name: "Inside" })).toContainText("Motor held still draws");
  await axe(page);
});
