import { expect, test, type Page } from "@playwright/test";
import { axe, beginJob, fits } from "./look";

const FREEZER = "Larch Pass Hut: Firnau BF-330, BF-2217";
const FRIDGE = "Larch Pass Hut: Quellmoor SB-210, 40177";

/** Presses a key of the simulated front with the pointer for so long. */
async function hold(page: Page, key: string, milliseconds: number): Promise<void> {
  await page.getByRole("group", { name: "Keys of the machine" }).getByRole("button", { name: key }).hover();
  await page.mouse.down();
  await page.waitForTimeout(milliseconds);
  await page.mouse.up();
}

const display = (page: Page) => page.locator(".front-display");

test("the simulated machine in real time: a mode entered, used and left; wrong timing and a dead panel enter nothing", async ({
  page,
}) => {
  await page.goto("/machines/firnau-bf-330/hand");
  await expect(display(page)).toContainText("dark");
  await page.getByLabel("Plug in").check();
  await expect(display(page)).toHaveText("-18");
  await axe(page);

  // Door open, B kept down by the keyboard, A pressed three times by the pointer.
  await page.getByLabel("Upper door open").check();
  const b = page.getByRole("group", { name: "Keys of the machine" }).getByRole("button", { name: "B" });
  await b.focus();
  await page.keyboard.down("Space");
  for (let i = 0; i < 3; i++) {
    await hold(page, "A", 120);
    await page.waitForTimeout(150);
  }
  await page.keyboard.up("Space");
  await expect(display(page)).toHaveText("tE");
  await hold(page, "A", 150);
  await expect(display(page)).toHaveText("t1");
  await expect(page.locator(".front-loads")).toContainText("Compressorruns");
  await hold(page, "A", 5300);
  await expect(display(page)).toHaveText("-18");

  // Two presses are not three; by the digits of the keys this time.
  await page.keyboard.down("2");
  for (let i = 0; i < 2; i++) {
    await page.keyboard.press("1", { delay: 120 });
    await page.waitForTimeout(150);
  }
  await page.keyboard.up("2");
  await page.waitForTimeout(500);
  await expect(display(page)).toHaveText("-18");

  // A dead panel stays dark, whatever is pressed.
  await page.getByLabel("Fault").selectOption("panel:dead");
  await page.getByLabel("Plug in").check();
  await expect(page.locator(".front-loads")).toContainText("Evaporator fanruns");
  await hold(page, "A", 150);
  await expect(display(page)).toContainText("dark");
  await page.getByLabel("Fault").selectOption("hidden");
  await page.getByRole("button", { name: "Show it" }).click();
  await expect(page.locator(".guess-fault").getByRole("status")).toContainText("It was: ");
});

test("the guide counts along by keyboard, says what goes wrong by simulation, and logs what was shown as evidence", async ({
  page,
}) => {
  await beginJob(page, FREEZER, "The service mode cannot be entered");
  await page.keyboard.press("Alt+o");
  await page.locator(".menu-item", { hasText: "Service mode" }).click();
  await expect(page.locator(".guide-words")).toHaveText("Open: upper door");
  await page.keyboard.press("Space");
  await page.keyboard.press("Space");
  await expect(page.locator(".guide-words")).toHaveText("Press A: 1 of 3");
  for (let i = 0; i < 3; i++) await page.keyboard.press("Space");
  await expect(page.locator(".guide-words")).toContainText("Let go of B");
  await page.keyboard.press("Space");
  await expect(page.locator(".guide-words")).toContainText("tE");
  await axe(page);
  await page.keyboard.press("n");
  const slower = page.locator(".instead li", { hasText: "slower than 6 seconds" });
  await expect(slower.locator(".menu-shows")).toHaveText("dF");
  const same = page.locator(".instead li", { hasText: "one press too few" });
  await expect(same).toContainText("Keypad: key A dead");
  await axe(page);
  await same.getByRole("button", { name: "Log this" }).click();
  await expect(page.locator(".trail li").first()).toContainText("-18");
  await expect(page.locator(".suspects li").first()).toBeVisible({ timeout: 120_000 });

  // Too slow is said at once.
  await page.getByRole("button", { name: "Try again" }).click();
  for (let i = 0; i < 3; i++) await page.keyboard.press("Space");
  await expect(page.locator(".guide-words")).toContainText("Too slow", { timeout: 120_000 });
});

test("codes of all machines: found, weighed beside the maker's table, begun as a job; a code that is none logs nothing", async ({
  page,
}) => {
  await page.goto("/codes");
  await page.getByLabel("Code, display text or lamp pattern").fill("sensor open");
  await page.locator(".code-list button", { hasText: "E1" }).click();
  await expect(page.locator(".odds-bars li").first()).toContainText("Sensor plug J4");
  await expect(page.locator(".open-code")).toContainText("table blames: Freezer sensor");
  await axe(page);
  await page.getByLabel("Code, display text or lamp pattern").fill("zz9");
  await expect(page.getByText("No machine of the library shows “zz9”.")).toBeVisible();
  await page.getByLabel("Code, display text or lamp pattern").fill("E1");
  await page.locator(".code-list button", { hasText: "Freezer sensor open" }).click();
  await page.getByRole("button", { name: "Larch Pass Hut, BF-2217", exact: true }).click();
  await page.waitForURL(/view=says/);
  await page.getByRole("button", { name: "It shows this" }).click();
  await expect(page.locator(".trail li")).toHaveCount(2);
  await page.getByLabel("Code, text or lamp pattern").fill("E7");
  await expect(page.getByText("cannot show “E7”. Nothing was logged.")).toBeVisible();
  await page.getByLabel("Code, text or lamp pattern").fill("E1");
  await page.locator(".code-list button", { hasText: "E1" }).click();
  await page.getByRole("button", { name: "Power off, wait, and see" }).click();
  await expect(page.getByRole("heading", { name: /power off, wait, and see/ })).toBeVisible({ timeout: 120_000 });
  await expect(page.locator(".next[aria-busy=false]")).toBeVisible();
  await page.getByRole("button", { name: /clears/ }).click();
  await expect(page.locator(".trail li").first()).toContainText("clears");
});

test("what this machine cannot show is refused by the route with a sentence, and nothing is logged", async ({
  page,
  request,
}) => {
  await beginJob(page, FREEZER, "Panel shows E1");
  const job = page.url().split("/").pop()!;
  const event = (label: string) => ({
    id: crypto.randomUUID(),
    v: 1,
    actor: "Ida",
    body: {
      type: "reading",
      test: { setup: "calling", function: "look", red: "panel", instant: "settled" },
      typed: label,
      shown: { kind: "label", label },
      as: {
        title: "Door panel",
        red: "Door panel",
        setup: "Plugged in",
        exposure: "none",
        expected: "-18",
        shown: label,
        verdict: "does not fit",
        proposed: false,
      },
      coreVersion: "0.1.0",
    },
  });
  const refused = await request.post(`/api/jobs/${job}/events`, { data: event("E9") });
  expect(refused.status()).toBe(400);
  expect(((await refused.json()) as { error: string }).error).toContain('cannot show "E9"');
  const question = await request.post(`/api/jobs/${job}/events`, {
    data: {
      id: crypto.randomUUID(),
      v: 1,
      actor: "Ida",
      body: { type: "answered", first: "weather", answer: "yes", words: "?" },
    },
  });
  expect(question.status()).toBe(400);
  await page.reload();
  await expect(page.locator(".trail li")).toHaveCount(1);
  expect((await request.post(`/api/jobs/${job}/events`, { data: event("E2") })).status()).toBe(200);
});

test("the run sheet by keyboard: each result is evidence, a relay has two edges, the compressor keeps its rest", async ({
  page,
}) => {
  await beginJob(page, FRIDGE, "Check over, no complaint");
  await page.keyboard.press("Alt+l");
  await expect(page.locator(".sheet-loads")).toBeVisible({ timeout: 120_000 });
  const k1 = page.locator(".sheet-relays tr", { hasText: "Compressor relay K1" });
  await page.keyboard.press("1");
  await expect(page.locator(".trail li").first()).toContainText("runs");
  await expect(k1.locator("td").first()).toContainText("proven");
  await expect(k1.locator("td").nth(1)).not.toContainText("proven");
  await page.keyboard.press("Alt+ArrowDown");
  await page.getByRole("button", { name: "It is in this step now" }).click();
  await page
    .locator(".sheet-loads li", { hasText: "Compressor" })
    .getByRole("button", { name: /runs on/ })
    .click();
  await expect(page.locator(".sheet-loads li", { hasText: "Compressor" })).toContainText("runs on not as expected");
  await expect(page.locator(".suspects li").first()).toContainText("Main board", { timeout: 120_000 });
  await axe(page);
  // It ran a moment ago: five minutes before it may start again, and the power plays no part in it.
  await expect(page.locator(".rest-mark")).toContainText(/restart delay [45]:\d\d/);
  await page.getByLabel("State of the unit").selectOption("unplugged");
  await expect(page.locator(".rest-mark")).toContainText(/restart delay [45]:\d\d/);
  await page.keyboard.press("Alt+ArrowUp");
  await expect(page.getByRole("button", { name: "It is in this step now" })).toBeDisabled();
  await expect(page.getByText(/Compressor restart delay:/)).toBeVisible();
});

test("first things first: one key answers, a simple cause ends the search, still there goes on; comparing clears", async ({
  page,
}) => {
  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Warm inside, compressor silent");
  await expect(page.locator(".firsts h2")).toBeVisible({ timeout: 120_000 });
  await axe(page);
  // One after another until the knob is asked for.
  for (let i = 0; i < 4 && !(await page.locator(".firsts h2").textContent())?.includes("nought"); i++) {
    const asked = await page.locator(".firsts h2").textContent();
    await page.keyboard.press("s");
    await expect(page.locator(".firsts h2")).not.toHaveText(asked!);
  }
  await page.keyboard.press("y");
  await expect(page.getByRole("heading", { name: "Turn it to the middle and come back in a day." })).toBeVisible({
    timeout: 120_000,
  });
  // The call would be that: what was answered, and what was done.
  await page.keyboard.press("Alt+k");
  await expect(page.getByLabel("What is wrong")).toHaveValue("simple-cause");
  await expect(page.getByLabel("What will be done")).toHaveValue("Turn it to the middle and come back in a day.");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "It is still there" }).click();
  await expect(page.getByText("A simple cause")).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("the complaint stays");
  await page.keyboard.press("Alt+g");
  await page.getByRole("button", { name: "Log the comparison" }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("Works:");
  await page.getByRole("button", { name: /Take back: Works/ }).click();
  await expect(page.getByRole("region", { name: "Asked and compared" })).not.toContainText("Works:");
});

test("by thumb at 390 px nothing sticks out", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const at of ["/codes", "/lamp", "/machines/obwart-dv-8/hand"]) {
    await page.goto(at);
    await page.locator("main").first().waitFor();
    await fits(page);
    await axe(page);
  }
  await page.locator(".menu-item", { hasText: "Menu: hidden item" }).click();
  await expect(page.locator(".way-keys").first()).toContainText("NEXT");
  await fits(page);
  await beginJob(page, FREEZER, "Panel shows E1");
  for (const view of ["Codes and signs", "Service modes", "Service tests", "Next test"]) {
    await page.getByRole("navigation", { name: "Views of the job" }).getByRole("button", { name: view }).click();
    await page.waitForTimeout(400);
    await fits(page);
  }
});
