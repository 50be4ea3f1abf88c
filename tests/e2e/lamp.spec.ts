import { mkdtempSync, rmSync } from "node:fs";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { chromium, expect, test } from "@playwright/test";
import { roundOf, patternOf } from "../../src/core/lamp/lamp-pattern";
import { certificateFor } from "../../src/server/lan/certificate";
import { createGate } from "../../src/server/lan/gate";
import { Pairing } from "../../src/server/lan/pairing";
import { writeFilm } from "../support/film";
import { axe, beginJob, fits } from "./look";

test("a lamp tapped along by the space bar is read; a pattern this lamp has not is refused", async ({ page }) => {
  await beginJob(page, "Valley school kitchen: Velmoor DW-45, DW-1276", "Panel shows b1");
  await page.keyboard.press("Alt+g");
  await page.locator(".tap-pad").waitFor();
  const tap = async (lit: number, dark: number) => {
    await page.keyboard.down("Space");
    await page.waitForTimeout(lit);
    await page.keyboard.up("Space");
    await page.waitForTimeout(dark);
  };
  // Four flashes, pause: begun in the middle of a group.
  await tap(300, 1500);
  // A slow browser taps unevenly; the reader then asks for another round, and a person gives it one.
  const sure = () => page.locator('.lamp-verdict[data-sure="true"]').isVisible();
  for (let round = 0; round < 3 || (round < 10 && !(await sure())); round++)
    for (let i = 0; i < 4; i++) await tap(300, i === 3 ? 1500 : 300);
  await expect(page.locator(".lamp-verdict")).toContainText("4 flashes, pause");
  await expect(page.locator(".lamp-verdict")).toHaveAttribute("data-sure", "true");
  await page.getByRole("button", { name: /Log it: 4 flashes/ }).click();
  await expect(page.getByText("of this machine has no such pattern: 4 flashes, pause.")).toBeVisible();
  await expect(page.locator(".trail li")).toHaveCount(1);

  // The same by a list: one flash, pause, which this lamp has.
  await page.getByRole("tab", { name: "List of times" }).click();
  await page
    .getByLabel(/one flash a line/)
    .fill(Array.from({ length: 5 }, (_, i) => `${(i * 1.8).toFixed(2)}, ${(i * 1.8 + 0.3).toFixed(2)}`).join("\n"));
  await expect(page.locator(".lamp-verdict")).toHaveAttribute("data-sure", "true");
  await axe(page);
  await page.getByRole("button", { name: /Log it: 1 flash, pause/ }).click();
  await expect(page.locator(".trail li").first()).toContainText("1 flash, pause");
  await page.getByLabel(/one flash a line/).fill("soon");
  await expect(page.getByText("There is no time in this list.")).toBeVisible();
});

test("the camera reads a lamp from a film, and magnifies", async () => {
  const folder = mkdtempSync(path.join(tmpdir(), "unzo-film-"));
  const pattern = patternOf("1 long 2 short, pause")!;
  writeFilm(path.join(folder, "lamp.y4m"), pattern, {
    seconds: 2 * roundOf(pattern).reduce((sum, l) => sum + l.seconds, 0),
  });
  const { launchOptions } = test.info().project.use;
  const browser = await chromium.launch({
    ...launchOptions,
    args: [
      ...(launchOptions?.args ?? []),
      "--use-fake-ui-for-media-stream",
      "--use-fake-device-for-media-stream",
      `--use-file-for-fake-video-capture=${path.join(folder, "lamp.y4m")}`,
    ],
  });
  try {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
    await page.goto(`${test.info().project.use.baseURL}/lamp`);
    await page.getByRole("tab", { name: "Camera" }).click();
    await expect(page.locator(".lamp-verdict")).toHaveAttribute("data-sure", "true", { timeout: 120_000 });
    await expect(page.locator(".lamp-words")).toHaveText("1 long 2 short, pause");
    await expect(page.locator(".camera-spot")).toBeVisible();
    await page.getByLabel(/Magnify/).fill("3");
    await page.getByRole("button", { name: "Freeze" }).click();
    await expect(page.locator("video")).toHaveJSProperty("paused", true);
    await axe(page);
    await fits(page);
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true });
  }
});

test("a phone pairs over TLS with the word, and the next one needs another", async () => {
  const folder = mkdtempSync(path.join(tmpdir(), "unzo-gate-"));
  const pairing = new Pairing(() => {});
  const gate = createGate(
    await certificateFor([], folder, new Date()),
    String(test.info().project.use.baseURL),
    pairing,
    Date.now,
  );
  const port = await new Promise<number>((resolve) => {
    gate.listen(0, "127.0.0.1", () => resolve((gate.address() as AddressInfo).port));
  });
  const browser = await chromium.launch(test.info().project.use.launchOptions);
  try {
    const phone = await (
      await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } })
    ).newPage();
    await phone.goto(`https://127.0.0.1:${port}/`);
    await expect(phone.getByRole("heading", { name: "Pair this device with Unzo" })).toBeVisible();
    await axe(phone);
    await phone.getByLabel("Pairing word").fill("not-the-word");
    await phone.keyboard.press("Enter");
    await expect(phone.getByRole("alert")).toContainText("not the word");
    const { word } = pairing;
    // As the scanned code brings it: behind the #.
    await phone.goto(`https://127.0.0.1:${port}/pair#${word}`);
    await expect(phone.getByLabel("Pairing word")).toHaveValue(word);
    await phone.getByRole("button", { name: "Pair" }).click();
    await expect(phone.getByRole("heading", { name: "Open jobs" })).toBeVisible();
    expect(await phone.evaluate(() => isSecureContext)).toBe(true);
    const other = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage();
    await other.goto(`https://127.0.0.1:${port}/pair#${word}`);
    await other.getByRole("button", { name: "Pair" }).click();
    await expect(other.getByRole("alert")).toContainText("not the word");
  } finally {
    await browser.close();
    gate.closeAllConnections();
    gate.close();
    rmSync(folder, { recursive: true });
  }
});
