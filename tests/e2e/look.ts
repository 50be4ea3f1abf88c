import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";

/** Nothing that axe knows is wrong with the page as it stands. */
export async function axe(page: Page): Promise<void> {
  // What is still fading in has less contrast than it will have.
  await page.waitForFunction(() => document.getAnimations().every((a) => a.playState !== "running"));
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target).join(" ")}`)).toEqual([]);
}

/** Nothing sticks out at the side. */
export async function fits(page: Page): Promise<void> {
  const sticksOut = await page.evaluate(() => {
    const room = document.documentElement.clientWidth;
    if (document.documentElement.scrollWidth <= room) return [];
    return Array.from(document.querySelectorAll("body *"))
      .filter((e) => e.getBoundingClientRect().right > room)
      .map((e) => `${e.tagName}.${e.getAttribute("class") ?? ""}`);
  });
  expect(sticksOut).toEqual([]);
}

/** Begins a job at the start screen. */
export async function beginJob(page: Page, unit: string, complaint: string): Promise<void> {
  await page.goto("/");
  await page.getByLabel("Unit").selectOption({ label: unit });
  await page.getByLabel("Complaint").selectOption(complaint);
  await page.getByLabel("Who").fill("Ida");
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL(/\/jobs\//);
}
