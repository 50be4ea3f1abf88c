import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { MachineFile } from "../../src/core/model";
import { machineText } from "../support/fleet";
import { alive, axe, fits } from "./look";

test("a board by its pins: its table, readings on good units beside its sheet, what they do not agree on is said", async ({
  page,
}) => {
  const id = `glass-cooler-${crypto.randomUUID().slice(0, 6)}`;
  const text = readFileSync("tests/fixtures/pin-board.yaml", "utf8").replace("id: glass-cooler", `id: ${id}`);
  const imported = await page.request.post("/api/machines", { data: { name: "pin-board.yaml", text } });
  expect(imported.status(), await imported.text()).toBe(200);
  await page.goto(`/machines/${id}`);
  await alive(page);
  await page.getByRole("tab", { name: "Pin by pin" }).click();
  const fan = page.getByRole("row", { name: /fan/ });
  await expect(fan.getByRole("cell").nth(2)).toContainText("13.0 V");
  await expect(page.getByRole("row", { name: /light/ }).getByRole("cell").nth(1)).toHaveText("not said");

  await page.getByLabel("Between").selectOption({ label: "1 – 3, fan" });
  await page.getByLabel("State", { exact: true }).selectOption({ label: "Cooling" });
  await page.getByLabel("Meter", { exact: true }).fill("bench meter");
  const shows = page.getByLabel("The meter shows, V DC");
  // What is no reading, and what nobody can place, is refused in its place; nothing typed is lost.
  await shows.fill("warm");
  await page.getByRole("button", { name: "Log it" }).click();
  await expect(shows).toBeFocused();
  await expect(page.getByLabel("Unit (serial number)")).toHaveAccessibleDescription(/which unit/);
  await expect(shows).toHaveValue("warm");
  for (const [unit, shown] of [
    ["A 1", "9.1"],
    ["A 2", "9.3"],
  ] as const) {
    await page.getByLabel("Unit (serial number)").fill(unit);
    await shows.fill(shown);
    await shows.press("Enter");
    await expect(shows).toHaveValue("");
  }
  await expect(fan).toContainText("9.10 V to 9.30 V, 2 units");
  await expect(fan).toContainText("good units lie beside what the sheet says");
  await page.getByLabel("State", { exact: true }).selectOption({ label: "Test 3" });
  await shows.fill("0 to 13");
  await shows.press("Enter");
  await expect(fan).toContainText("pulses between");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("lines of a sheet: pasted, each shown as it was taken, one mended in its place, then in the board's table", async ({
  page,
}) => {
  const id = `glass-cooler-${crypto.randomUUID().slice(0, 6)}`;
  const text = readFileSync("tests/fixtures/pin-board.yaml", "utf8").replace("id: glass-cooler", `id: ${id}`);
  expect((await page.request.post("/api/machines", { data: { name: "pin-board.yaml", text } })).status()).toBe(200);
  await page.goto(`/machines/${id}?tab=pins`);
  await alive(page);
  const lines = page.getByLabel(/Paste or type its pin table/);
  await lines.fill("Pin\tColour\tSignal\tVolts\n6\torange\tpump\t12V\n7\twhite\tlink\t13");
  const taken = page.getByRole("list", { name: "Taken for" }).getByRole("listitem");
  await expect(taken).toHaveCount(2);
  await expect(taken.first()).toContainText("6, orange, pump, 12 V DC");
  await expect(taken.nth(1)).toContainText("volts or ohms");
  // Nothing is guessed: with a line that is not understood none goes in.
  await expect(page.getByRole("button", { name: /^Add/ })).toBeDisabled();
  await page.getByLabel("Line 2, mended").fill("7 white link 5V");
  await expect(taken.nth(1)).toContainText("7, white, link, 5 V DC");
  await page.getByLabel("State they belong to").selectOption({ label: "Cooling" });
  await axe(page);
  await page.reload();
  await alive(page);
  await expect(taken).toHaveCount(2);
  await page.getByLabel("State they belong to").selectOption({ label: "Cooling" });
  await page.getByRole("button", { name: "Add 2 lines" }).click();
  await expect(page.getByRole("row", { name: /pump/ }).getByRole("cell").nth(2)).toContainText("12.0 V");
  await expect(page.getByRole("row", { name: /link/ }).getByRole("cell").first()).toHaveText("not said");
  await expect(lines).toHaveValue("");
  // What does not go with what is there is said, and stays as it was typed.
  await lines.fill("1 fan 9V");
  await page.getByRole("button", { name: "Add 1 line" }).click();
  await expect(page.getByText(/Pin 1 gives 13 V in another state already/)).toBeVisible();
  await expect(lines).toHaveValue("1 fan 9V");
});

test("tables of a sheet: wires, numbers, a sensor's ohms; nothing goes in while a line is not understood", async ({
  page,
}) => {
  const id = `under-counter-${crypto.randomUUID().slice(0, 6)}`;
  const text = machineText("kaldruun-uc-80").replace("id: kaldruun-uc-80", `id: ${id}`);
  expect((await page.request.post("/api/machines", { data: { name: "copy.yaml", text } })).status()).toBe(200);
  const fileNow = async () =>
    ((await (await page.request.get(`/api/machines/${id}/file`)).json()) as { file: MachineFile }).file;
  await page.goto(`/machines/${id}`);
  await alive(page);
  await page.getByRole("tab", { name: "From a sheet" }).click();
  const lines = page.getByLabel("Paste or type them, one a line");
  await lines.fill("W1 brown 0.75mm2 T-C comp-line\nW9 red TP12 fd-7");
  const taken = page.getByRole("list", { name: "Taken for" }).getByRole("listitem");
  await expect(taken.nth(1)).toContainText("no point, pin or net");
  await expect(page.getByRole("button", { name: /^Add/ })).toBeDisabled();
  await page.getByLabel("Line 2, mended").fill("W9 red TP12 fd-1");
  await page.getByLabel("New wires belong to").selectOption({ label: "Wiring" });
  await axe(page);
  await page.getByRole("button", { name: "Add 2 lines" }).click();
  await expect(page.getByRole("status")).toContainText("2 lines are in the file");
  expect((await fileNow()).wires.map((w) => w.id)).toContain("W9");

  await page.getByLabel("What the lines are").selectOption({ label: "Ohms of a sensor" });
  await lines.fill("0 16.3k\n10 99.5k\n25 5.0k");
  await page.getByRole("button", { name: "Add 3 lines" }).click();
  await expect(page.getByText(/look for a slip in one of them/)).toBeVisible();
  await expect(lines).toHaveValue("0 16.3k\n10 99.5k\n25 5.0k");
  await lines.fill("0 16.3k\n10 9.95k\n25 5.0k");
  await page.getByRole("button", { name: "Add 3 lines" }).click();
  await expect(page.getByRole("status")).toContainText("3 lines are in the file");

  await page.getByLabel("What the lines are").selectOption({ label: "Parts and their numbers" });
  await lines.fill("Relay board RB-5T 82");
  await page.getByRole("button", { name: "Add 1 line" }).click();
  await expect(page.getByRole("status")).toContainText("1 line is in the file");
  expect((await fileNow()).pieces.find((p) => p.id === "board")).toMatchObject({ number: "RB-5T", price: 82 });
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
