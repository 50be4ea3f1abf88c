import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
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
  await page.getByLabel("State").selectOption({ label: "Cooling" });
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
  await page.getByLabel("State").selectOption({ label: "Test 3" });
  await shows.fill("0 to 13");
  await shows.press("Enter");
  await expect(fan).toContainText("pulses between");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
