import { expect, test } from "@playwright/test";
import type { Fault } from "../../src/core/model/fault";
import { machineNamed } from "../support/fleet";
import { alive, axe, beginJob, fits } from "./look";
import { asked, enter } from "./meter";

interface Case {
  readonly unit: string;
  readonly machine: string;
  readonly complaint: string;
  readonly fault: Fault;
  readonly assembly: string;
  /** What is decided; left out: what costs least. */
  readonly option?: RegExp;
  /** A part in hand that is not the one of the file, and what has to be done to it. */
  readonly part?: { readonly number: string; readonly revision: string; readonly todo: RegExp };
  /** Codes typed from the plate, by name of the setting. */
  readonly codes?: Readonly<Record<string, string>>;
}

const CASES: readonly Case[] = [
  {
    unit: "Grey Saddle cable-car station: Quellmoor SB-210, 40231",
    machine: "quellmoor-sb-210",
    complaint: "Door panel dark, no beep, still cold inside",
    fault: { part: "W4", mode: "open" },
    assembly: "Door harness",
  },
  {
    unit: "Valley school kitchen: Kaldruun UC-80, UC-0931",
    machine: "kaldruun-uc-80",
    complaint: "Never stops, freezes everything",
    fault: { part: "K1", mode: "welded" },
    assembly: "Relay board",
    option: /relay/i,
  },
  {
    unit: "Grey Saddle cable-car station: Quellmoor SB-210, 40231",
    machine: "quellmoor-sb-210",
    complaint: "Door panel dark, no beep, still cold inside",
    fault: { part: "H1-1", mode: "open" },
    assembly: "Hinge plug H1",
    option: /clean/i,
  },
  {
    unit: "Larch Pass Hut: Firnau BF-330, BF-2217",
    machine: "firnau-bf-330",
    complaint: "Warm inside, panel lit, compressor silent",
    fault: { part: "K1", mode: "coil-open" },
    assembly: "Main board",
    option: /The maker's board/,
    part: { number: "MB-BF3-B", revision: "B2", todo: /R41 is cut for the 330/ },
    // Weights 3 and 1 by turns, a multiple of ten: 3 + 2 + 9 + 4 + 15 + 7 = 40, by hand.
    codes: { "Series code": "123457" },
  },
  {
    unit: "Grey Saddle cable-car station, platform: Obwart DV-8, DV-7745",
    machine: "obwart-dv-8",
    complaint: "Display shows SEns",
    fault: { part: "sensor", mode: "open" },
    assembly: "Cabinet sensor",
  },
];

// Each machine is a unit of its own: they need not wait for each other.
test.describe.configure({ mode: "parallel" });

for (const { unit, machine: file, complaint, fault, assembly, option, part, codes } of CASES) {
  test(`${file} ${fault.part}: from the complaint to the record of a machine proven well`, async ({ page }) => {
    const machine = machineNamed(file);
    await beginJob(page, unit, complaint);
    const job = page.url().split("/jobs/")[1]!;
    // Isolate.
    for (let k = 0; k < 14; k++) {
      const name = await asked(page);
      if (name === null) break;
      await enter(page, name, fault, machine);
    }
    await expect(page.locator(".next h2")).toContainText(assembly);
    // Decide.
    await page
      .getByRole("link", { name: /What to do about it/ })
      .first()
      .click();
    await page.getByLabel("Under warranty?").selectOption("none");
    await page.getByLabel("Seals intact?").selectOption("none");
    await page.getByLabel("Price agreed by").fill("Caretaker");
    await page.getByLabel("Up to").fill("300");
    if (option) await page.getByRole("row", { name: option }).first().getByRole("radio").check();
    if (part) {
      await page.getByLabel("Number on the part in hand").fill(part.number);
      await page.getByLabel("Revision").fill(part.revision);
      await page.getByRole("button", { name: "Note it" }).click();
      await expect(page.getByRole("button", { name: "Noted" })).toBeVisible();
    }
    await page.getByRole("button", { name: /^Decide:/ }).click();
    if (part) await expect(page.locator(".swap-stages")).toContainText(part.todo);
    // Swap, stage by stage.
    const stages = page.locator(".swap-stages > li > .form-check input");
    await stages.first().waitFor();
    for (let i = 0; i < (await stages.count()); i++) {
      await stages.nth(i).click();
      await expect(page.locator(".swap-stages > li").nth(i)).toHaveClass(/is-done/);
      await expect(stages.nth(i)).toBeEnabled();
    }
    await page.getByRole("button", { name: "Go on", exact: true }).click();
    // Set up, where the machine has settings.
    if (machine.file.settings.length > 0) {
      for (const s of machine.file.settings) {
        const asFound = page.getByLabel(`${s.name}, as found`);
        if (s.rule) {
          await asFound.fill(codes![s.name]!);
          await asFound.press("Enter");
          await expect(asFound).toHaveValue(codes![s.name]!);
        } else await asFound.selectOption(s.values.at(-1)!.value);
        await expect(page.getByLabel(`${s.name}, as found`)).toBeEnabled();
      }
      await expect(page.getByText("Tried on the simulated board")).toBeVisible();
      await axe(page);
      await page.getByRole("button", { name: "Entered, and it shows them" }).click();
      await expect(page.getByText("entered").first()).toBeVisible();
      await page.getByRole("button", { name: "Go on to the proof" }).click();
    }
    // Prove: every step as the mended unit shows it.
    const steps = page.locator(".proof-list li");
    await steps.first().waitFor();
    await axe(page);
    const total = await steps.count();
    for (let k = 0; k < total; k++) {
      await expect(page.locator(".proof-list li.passed")).toHaveCount(k);
      await expect(page.locator(".prove-now .btn-primary").last()).toBeEnabled();
      const field = page.locator("#proof-reading");
      if (await field.isVisible()) {
        const wanted = await page.locator(".prove-wanted .value").innerText();
        // In the middle of what passes: between two figures, or well inside the limit.
        const between = /^([\d.]+) (k|M|m)?[VΩA]* ?to ([\d.]+) ?(k|M|m)?/.exec(wanted);
        const unitOf = (p: string | undefined) => ({ k: 1e3, M: 1e6, m: 1e-3 })[p ?? ""] ?? 1;
        await field.fill(
          between
            ? String(
                (Number(between[1]) * unitOf(between[2] ?? between[4]) + Number(between[3]) * unitOf(between[4])) / 2,
              )
            : /at least/.test(wanted)
              ? "50"
              : /OL$/.test(wanted)
                ? "OL"
                : "0.05",
        );
        await page.keyboard.press("Enter");
      } else await page.locator(".prove-now .btn-primary").click();
    }
    await expect(page.getByRole("heading", { name: /Proven: the fault is gone/ })).toBeVisible();
    // Nothing left behind.
    await page.getByRole("button", { name: "What is still to restore" }).click();
    // The step stands in the address: what is counted before the page follows it is the page before.
    await expect(page.getByRole("region", { name: "To restore" })).toBeVisible();
    const back = page.getByRole("button", { name: /^Restored:/ });
    for (let left = await back.count(); left > 0; left--) {
      await back.first().click();
      await expect(back).toHaveCount(left - 1);
    }
    await expect(page.getByText("Nothing left to restore.")).toBeVisible();
    await page.setViewportSize({ width: 390, height: 844 });
    await fits(page);
    await page.setViewportSize({ width: 1280, height: 800 });
    // Close, and read the record.
    await page.goto(`/jobs/${job}`);
    await alive(page);
    await expect(page.locator(".next h2").first()).toBeVisible({ timeout: 120_000 });
    await page.keyboard.press("Alt+k");
    const dialog = page.getByRole("dialog");
    // What was repaired is what was wrong, though nothing is wrong any more.
    await expect(dialog.getByLabel("What is wrong").locator("option:checked")).toHaveText(`${assembly} (repaired)`);
    const despite = dialog.getByLabel(/Close without this proof/);
    if (await despite.isVisible()) await despite.fill("Proven by the swap.");
    await dialog.getByRole("button", { name: "Close the job" }).click();
    await page.waitForURL(/\/record$/);
    await expect(page.getByRole("heading", { name: assembly })).toBeVisible();
    await expect(page.getByRole("heading", { name: "Repair" })).toBeVisible();
    await expect(page.getByText("Agreed with Caretaker up to 300.")).toBeVisible();
    await expect(page.getByRole("cell", { name: "passed" })).toHaveCount(total);
    await axe(page);
  });
}

test("a proof that fails goes back to the search with all that is known; a wait is shown wherever one is", async ({
  page,
}) => {
  await beginJob(page, "Larch Pass Hut: Firnau BF-330, BF-2217", "Panel dark, still cold inside");
  const job = page.url().split("/jobs/")[1]!;
  await page.goto(`/jobs/${job}/repair?assembly=panel-board&fault=panel:dead&step=prove`);
  await page.locator(".proof-list li").first().waitFor();
  await page.getByRole("button", { name: "No", exact: true }).click();
  await page.waitForURL(`**/jobs/${job}`);
  await expect(
    page
      .getByText(/the proof failed/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible({ timeout: 120_000 });
  await page.goto(`/jobs/${job}/repair?assembly=panel-board&fault=panel:dead&step=prove`);
  await page.locator(".proof-list li").first().waitFor();
  await expect(page.locator(".proof-list li.failed")).toHaveCount(0);
  const wait = page.locator(".proof-list button", { hasText: "In its time" }).first();
  if (await wait.isVisible()) {
    await wait.click();
    await page.getByRole("button", { name: "Start the clock" }).click();
    await expect(page.locator(".waits li")).toHaveCount(1);
    await page.goto("/machines");
    await expect(page.locator(".waits li").first()).toBeVisible();
    await axe(page);
  }
});
