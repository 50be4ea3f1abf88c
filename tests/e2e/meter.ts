import { expect, type Page } from "@playwright/test";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import type { Machine } from "../../src/core/model/machine";
import type { Fault } from "../../src/core/model/fault";
import { decimal } from "../../src/core/quantity/format";
import { Simulator } from "../../src/core/simulate/energise";
import { observe } from "../../src/core/simulate/observe";
import { makeTest } from "../../src/core/simulate/test";
import { nominalValues } from "../../src/core/simulate/values";
import { demoMachine } from "../support/demo-machine";

const demo = demoMachine();
const simulators = new Map<Machine, Simulator>();

/**
 * What a technician with this faulty unit would type for the test on the screen, given as its canonical name;
 * `faults` none: a sound one.
 */
export function typedFor(testKey: string, fault: Fault | null, machine: Machine = demo): string {
  const simulator = simulators.get(machine) ?? new Simulator(machine);
  simulators.set(machine, simulator);
  const [setup, fn, red, black] = testKey.split("|") as [string, Parameters<typeof makeTest>[1], string, string];
  const state = simulator.energise(machine.setupById.get(setup)!, fault ? [fault] : [], nominalValues(machine));
  const shown = observe(simulator, state, makeTest(setup, fn, red, black || undefined), ORDINARY_METER);
  if (shown.kind === "value") return fn === "ohms" ? shown.value.toPrecision(3) : decimal(shown.value);
  if (shown.kind === "jumping") return `${decimal(shown.low)}-${decimal(shown.high)}`;
  return shown.kind === "overload" ? "OL" : shown.kind === "label" ? shown.label : shown.beeps ? "beep" : "nothing";
}

/**
 * Waits until the screen asks for a test or has come to its end; returns the test's name, or null at the end. Simple
 * questions are passed over.
 */
export async function asked(page: Page): Promise<string | null> {
  await page.locator(".next-area .next").first().waitFor({ timeout: 120_000 });
  const pass = page.getByRole("button", { name: /Start measuring/ });
  if (await pass.isVisible()) await pass.click();
  const next = page
    .locator(
      ".next[aria-busy=false][data-test], .next:has(.next-kicker:text-matches('Found|Likely|End of the search'))",
    )
    .first();
  // What this shop has often found may be offered for a trial: here it is measured.
  const measure = page.getByRole("button", { name: "Measure instead" });
  await next.or(measure).first().waitFor({ timeout: 120_000 });
  if (await measure.isVisible()) await measure.click();
  await next.waitFor({ timeout: 120_000 });
  // The next step is there before the journal has the last entry.
  await expect(page.locator(".on-its-way")).toHaveCount(0, { timeout: 120_000 });
  return next.getAttribute("data-test");
}

/** Enters what a unit shows for the test asked for; at a looked-at part, presses what is seen. */
export async function enter(page: Page, name: string, fault: Fault | null, machine: Machine): Promise<void> {
  const typed = typedFor(name, fault, machine);
  const notice = page.getByRole("button", { name: "I work that way" });
  if (await notice.isVisible()) {
    await notice.click();
    await notice.waitFor({ state: "hidden" });
  }
  const count = await page.locator(".trail li").count();
  if (name.includes("|look|"))
    await page
      .getByRole("group", { name: /What do you see/ })
      .getByRole("button", { name: new RegExp(`(^|\\s)${typed}$`) })
      .click();
  else {
    await page.locator("#reading").fill(typed);
    await page.keyboard.press("Enter");
  }
  await expect(page.locator(".trail li")).toHaveCount(count + 1);
}
