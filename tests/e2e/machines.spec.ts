import { expect, test, type Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { alive, axe, beginJob, fits } from "./look";
import { asked } from "./meter";

/** Types by the keyboard alone and counts every press. */
function counted(page: Page) {
  let presses = 0;
  return {
    async type(text: string) {
      presses += text.length;
      await page.keyboard.type(text);
    },
    async press(key: string) {
      presses += 1;
      await page.keyboard.press(key);
    },
    get presses() {
      return presses;
    },
  };
}

test("a machine nobody has a file for: from a new job to the first advice in at most 60 key presses", async ({
  page,
}) => {
  await page.goto("/");
  await alive(page);
  const keys = counted(page);
  await keys.press("q");
  await page.waitForURL(/\/quick$/);
  await expect(page.getByLabel("What is it")).toBeFocused();
  await keys.type("tumble dryer");
  await keys.press("Tab");
  await keys.type("heater 1800, motor 250");
  await axe(page);
  for (let i = 0; i < 6; i++) await keys.press("Tab");
  await expect(page.getByLabel("none on the plate")).toBeFocused();
  await keys.press("Space");
  await keys.press("Tab");
  await expect(page.getByLabel("Who")).toBeFocused();
  await keys.type("Ida");
  await keys.press("Enter");
  await page.waitForURL(/\/jobs\//);
  expect(await asked(page)).not.toBeNull();
  expect(keys.presses).toBeLessThanOrEqual(60);
  await expect(page.locator(".path")).toContainText("Heater");
  await expect(page.locator(".next h2")).toBeVisible();
});

test("loads that are none get a sentence, and nothing typed is lost", async ({ page }) => {
  await page.goto("/quick");
  await page.getByLabel("What is it").fill("washer");
  await page.getByLabel("Its loads").fill("1800");
  await page.getByLabel("Serial number").fill("W 1");
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByLabel("Its loads")).toBeFocused();
  await expect(page.getByLabel("Its loads")).toHaveAccessibleDescription(/names no load/);
  await page.reload();
  await expect(page.getByLabel("Its loads")).toHaveValue("1800");
});

test("three phases, a contactor and three boards at the door: each thing read back, one mended, then the first step", async ({
  page,
}) => {
  await page.goto("/quick");
  await alive(page);
  await page.getByLabel("What is it").fill("canteen oven");
  const hangsOn = page.getByLabel("It hangs on");
  await hangsOn.fill("24");
  await expect(hangsOn).toHaveAccessibleDescription(/AC or DC/);
  await hangsOn.fill("400 V 3 phases");
  const loads = page.getByLabel("Its loads");
  await loads.fill(
    "element 3x2000 at 230V through contactor 24VAC, flux thing, fan 24V from board, lid switch stops element",
  );
  const taken = page.getByRole("list", { name: "Taken for" }).getByRole("listitem");
  await expect(taken).toHaveCount(4);
  await expect(taken.first()).toContainText("3 times Element");
  await expect(taken.nth(1)).toContainText("no load that is known");
  await expect(taken.nth(2)).toContainText("24 V DC from the board");
  await loads.fill("element 3x2000 at 230V through contactor 24VAC, fan 24V from board, lid switch stops element");
  await page.getByLabel("Boards").selectOption({ label: "Relay board, logic board, display board" });
  await page.getByLabel("What it shows now").selectOption({ label: "Its display is lit" });
  await expect(page.locator(".quick-path")).toContainText("Contactor, coil");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByLabel("none on the plate").check();
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL(/\/jobs\//);
  expect(await asked(page)).not.toBeNull();
  await expect(page.locator(".suspects")).toContainText("Link between the boards");
});

test("not as drawn: a cut-off found in a lead is put in, the ranking runs on, the file can take it", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Ice on the evaporator, cools less and less");
  await asked(page);
  await page.keyboard.press("Alt+r");
  await page.getByText("A part sits in a lead").click();
  await page.getByLabel("In the lead of").selectOption({ label: "Defrost heater" });
  await axe(page);
  await page.getByRole("button", { name: "It is so on this unit" }).click();
  await expect(page.locator(".found")).toContainText("found in the lead of Defrost heater");
  expect(await asked(page), "a test is proposed for the unit as it was found").not.toBeNull();
  await expect(page.locator(".suspects")).toContainText("Thermal cut-off in the lead");
  // Taken back, the suspect goes too.
  await page.getByRole("button", { name: /Take back/ }).click();
  await expect(page.locator(".found li")).toHaveCount(0);
  await asked(page);
  await expect(page.locator(".suspects")).not.toContainText("Thermal cut-off in the lead");
});

test("the library: search by board number, a machine's pages, plugs from both sides, what it can tell apart", async ({
  page,
}) => {
  await page.goto("/machines");
  await page.getByLabel("Search machines").fill("RB-4T");
  await expect(page.locator(".jobs li")).toHaveCount(1);
  await axe(page);
  await page.locator(".jobs a").click();
  await expect(page.getByRole("heading", { name: "Kaldruun UC-80" })).toBeVisible();
  await expect(page.locator(".wire-box").first()).toBeVisible();
  await axe(page);
  await page.getByRole("tab", { name: "Plugs" }).click();
  const first = page.locator(".pins").first().locator("li");
  await expect(first.first()).toContainText("neutral");
  await page.getByText("seen from the pin side").click();
  await expect(first.first()).toContainText("defrost out");
  await page.getByRole("tab", { name: "Covers and boards" }).click();
  await expect(page.locator(".board-drawing svg")).toBeVisible();
  await axe(page);
  await page.getByRole("tab", { name: "What it can tell apart" }).click();
  await expect(page.locator(".apart-sum")).toContainText("faults can be told from every other one", {
    timeout: 120_000,
  });
  await axe(page);
});

/** Chooses a machine file as a person does: by the button, as soon as the page answers it. */
async function importFile(page: Page, file: { name: string; mimeType: string; buffer: Buffer }) {
  await expect(async () => {
    const asked = page.waitForEvent("filechooser", { timeout: 1000 });
    await Promise.all([asked, page.getByRole("button", { name: "Import a file" }).click()]);
    await (await asked).setFiles(file);
  }).toPass();
}

test("a file goes out and comes in again; a bad one is refused with line and field and changes nothing", async ({
  page,
}) => {
  await page.goto("/machines/hochkar-ip-4");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Export" }).click(),
  ]);
  const text = readFileSync(await download.path(), "utf8");
  await page.goto("/machines");
  const rows = await page.locator(".jobs li").count();
  await importFile(page, {
    name: "bad.yaml",
    mimeType: "application/yaml",
    buffer: Buffer.from(text.replace("kind: battery", "kind: flux capacitor")),
  });
  await expect(page.getByRole("alert").filter({ hasText: /Line \d+/ })).toBeVisible();
  await page.reload();
  await expect(page.locator(".jobs li")).toHaveCount(rows);
  await importFile(page, {
    name: "good.yaml",
    mimeType: "application/yaml",
    buffer: Buffer.from(text.replace("id: hochkar-ip-4", "id: hochkar-ip-5").replace("model: IP-4", "model: IP-5")),
  });
  await page.waitForURL(/machines\/hochkar-ip-5/);
  await expect(page.getByRole("heading", { name: "Hochkar IP-5" })).toBeVisible();
});

test("a new machine: the questions of its family, what it does at once, what was seen of it", async ({ page }) => {
  const model = `F-${Date.now() % 100000}`;
  await page.goto("/machines/new");
  await page.getByLabel("Kind").selectOption({ label: "Gas dryer" });
  const does = page.getByRole("region", { name: "What it does" });
  await expect(does).toContainText("Igniter");
  await page.getByRole("group", { name: "Is there a flame sensor?" }).getByText("No").click();
  await expect(does).not.toContainText("Burning");
  await page.getByLabel("Hangs on").fill("24 VDC");
  await expect(page.getByText(/such a machine hangs on .*120/)).toBeVisible();
  await axe(page);
  await page.getByLabel("Hangs on").fill("120");
  await page.getByRole("button", { name: "Make the file" }).click();
  await expect(page.getByText("Type the manufacturer and the model")).toBeVisible();
  await page.getByLabel("Manufacturer").fill("Nobody");
  // Nothing that was typed or chosen is lost with the page.
  await page.reload();
  await expect(page.getByLabel("Kind")).toHaveValue("gas-dryer");
  await expect(page.getByLabel("Manufacturer")).toHaveValue("Nobody");
  await page.getByLabel("Model").fill(model);
  await page.getByLabel("Model").press("Enter");
  await page.waitForURL(/tab=assumed/);
  // A second of the same name would push the first aside. What was answered is still there; the plate is another one's.
  await page.goto("/machines/new");
  await expect(page.getByLabel("Manufacturer")).toHaveValue("Nobody");
  await expect(page.getByLabel("Model")).toHaveValue("");
  await expect(page.getByLabel("Kind")).toHaveValue("gas-dryer");
  await page.getByLabel("Model").fill(model);
  await page.getByRole("button", { name: "Make the file" }).click();
  await expect(page.getByText(`There is a file of a Nobody ${model} already`)).toBeVisible();
  await page.goto(`/machines/nobody-${model.toLowerCase()}?tab=assumed`);
  const assumed = page.getByRole("region", { name: /things not seen yet/ });
  const before = Number(/\d+/.exec(await assumed.getByRole("heading", { level: 2 }).innerText())![0]);
  await assumed.getByRole("button", { name: "Seen: Gas valve", exact: true }).click();
  await expect(page.getByRole("heading", { name: `${before - 1} things not seen yet` })).toBeVisible();
  await expect(assumed.getByText("Gas valve", { exact: true })).toHaveCount(0);
  await axe(page);
});

test("the editor: forms, errors in place, joined by typing, broken at will, undo, a draft, a new version", async ({
  page,
}) => {
  const model = `E-${Date.now() % 100000}`;
  await page.goto("/machines/new");
  await page.getByLabel("Kind").selectOption({ label: "Electric dryer" });
  await page.getByLabel("Manufacturer").fill("Nobody");
  await page.getByLabel("Model").fill(model);
  await page.getByRole("button", { name: "Make the file" }).click();
  await page.waitForURL(/tab=assumed/);
  await page.getByRole("link", { name: "Edit", exact: true }).click();
  await page.waitForURL(/\/edit$/);
  await expect(page.getByRole("status").first()).toContainText("No errors");
  const alive = page.getByRole("complementary", { name: "The machine, alive" });
  await expect(alive).toContainText(/of \d+ faults are told from every other/, { timeout: 120_000 });
  await page.getByRole("button", { name: "Drum motor", exact: true }).click();
  await alive.getByRole("button", { name: /winding open/ }).click();
  await expect(alive.locator(".is-changed").filter({ hasText: "Drum motor" }).first()).toContainText("still");
  await page.getByRole("button", { name: "Outlet", exact: true }).click();
  const name = page.getByLabel("name of part 1", { exact: true });
  await name.fill("Wall outlet");
  await name.press("Enter");
  await expect(page.getByRole("status").first()).toContainText("Not saved yet");
  await page.getByRole("button", { name: "Add a part" }).click();
  await expect(page.locator(".problem-list").first()).toContainText("kind");
  await page.getByLabel(/^kind of part/).selectOption("lamp");
  await page.getByLabel(/^name of part/).fill("Drum lamp");
  await page.getByLabel(/^name of part/).press("Enter");
  await page.getByLabel(/^current of part/).selectOption("ac");
  await page.getByLabel(/^volts of part/).fill("230");
  await page.getByLabel(/^watts of part/).fill("15");
  await page.getByLabel(/^watts of part/).press("Enter");
  await expect(page.getByRole("button", { name: "Save as a new version" })).toBeDisabled();
  const join = page.getByLabel("Join two places");
  await join.fill("J2-1 to drum lamp a");
  await expect(page.getByText(/Wire W\d+ from J2-1 to drum lamp a/)).toBeVisible();
  await join.press("Enter");
  await join.fill("loads, neutral terminal to drum lamp b");
  await join.press("Enter");
  await axe(page);
  await expect(page.getByRole("status").first()).toContainText("Not saved yet");
  await alive.getByLabel("Look at it").selectOption({ label: "Drying" });
  await expect(alive).toContainText("Drum lamp");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("status").first()).toContainText("to mend");
  await page.getByRole("button", { name: "Redo" }).click();
  await page.reload();
  await expect(page.getByLabel("name of part 1", { exact: true })).toHaveValue("Wall outlet");
  await page.getByRole("tab", { name: "Setups" }).click();
  const how = page.getByLabel("how of setup 1", { exact: true });
  await how.fill("Filter clean: start a warm program.");
  await how.press("Enter");
  await axe(page);
  await page.getByRole("tab", { name: "More" }).click();
  await axe(page);
  await page.getByRole("tab", { name: "Settings" }).click();
  // A chart as its sheet prints it, one row misprinted, becomes a setting of the file.
  const chart = page.getByRole("region", { name: "A setting from a chart" });
  await chart.getByLabel("What is set").fill("Drying time, minutes");
  await chart.getByLabel("Where its switches are").fill("Five switches on the board");
  await chart.getByLabel(/^Chart/).fill("24: 1 3 5\n30: 1 2 4 5\n18: 1 2 3");
  await expect(chart.getByRole("status")).toContainText("18 is a misprint: taken as 1 2 3 4");
  await axe(page);
  await chart.getByRole("button", { name: "Put it into the file" }).click();
  await expect(page.getByLabel("name of setting 1", { exact: true })).toHaveValue("Drying time, minutes");
  await expect(page.getByRole("status").first()).toContainText("Not saved yet");
  await page.getByRole("button", { name: "Save as a new version" }).click();
  await page.waitForURL(/\/machines\/nobody-e-\d+$/);
  await page.getByRole("tab", { name: "Versions" }).click();
  await expect(page.locator(".versions > li")).toHaveCount(2);
});

test("at 390 px the library, a machine and the quick path fit the screen", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ["/machines", "/machines/velmoor-dw-45", "/quick", "/machines/new"]) {
    await page.goto(path);
    await expect(page.locator("h1").first()).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390);
    await axe(page);
  }
});

test("a board gets a photo and marks in the editor, and the machine's page shows them", async ({ page }) => {
  await page.goto("/machines/zirvald-bw-15/edit");
  await page.getByRole("tab", { name: "Boards" }).click();
  // The smallest picture there is: one red dot.
  const dot = Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==",
    "base64",
  );
  await page.getByLabel(/^Photo of/).setInputFiles({ name: "board.png", mimeType: "image/png", buffer: dot });
  await expect(page.locator(".board-canvas img")).toBeVisible();
  await page.getByLabel(/^Point to mark/).selectOption("drive-in");
  await page.locator(".board-canvas").click({ position: { x: 60, y: 40 } });
  await expect(page.locator(".board-pin")).toHaveCount(1);
  await expect(page.getByRole("status").first()).toContainText("Not saved yet");
  await axe(page);
  await page.getByRole("button", { name: "Save as a new version" }).click();
  await page.waitForURL(/\/machines\/zirvald-bw-15$/);
  await page.getByRole("tab", { name: "Covers and boards" }).click();
  await expect(page.locator(".board-drawing .spot")).toHaveCount(1);
});
