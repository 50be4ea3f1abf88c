import { expect, test, type Page } from "@playwright/test";
import { axe, beginJob, fits, written } from "./look";
import { asked, typedFor } from "./meter";

/** Two people, or two windows, on one job. */
async function both(page: Page): Promise<Page> {
  await beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", "Door panel dark, no beep, still cold inside");
  await page.keyboard.press("Alt+j");
  await asked(page);
  const notice = page.getByRole("button", { name: "I work that way" });
  if (await notice.isVisible()) await written(page, "warned", () => notice.click());
  return (await page.context().browser()!.newContext()).newPage();
}

const answer = async (page: Page, text: string) => {
  await page.locator("#reading").fill(text);
  await written(page, "reading", () => page.keyboard.press("Enter"));
};

/** A measured test is asked for, and no look. */
async function numeric(page: Page): Promise<string> {
  for (;;) {
    const name = (await asked(page))!;
    if (!name.includes("|look|")) return name;
    await page
      .getByRole("group", { name: /What do you see/ })
      .getByRole("button", { name: new RegExp(typedFor(name, { part: "W4", mode: "open" })) })
      .click();
    await expect(page.locator("div.next")).not.toHaveAttribute("data-test", name);
  }
}

test("what one enters the other sees, and the test at hand stays under one's hands until one looks", async ({
  page,
}) => {
  const other = await both(page);
  const test = await numeric(page);
  await other.goto(page.url());
  expect(await asked(other)).toBe(test);
  await other.locator("#reading").fill("12");

  const entries = await page.locator(".trail li").count();
  await answer(page, typedFor(test, { part: "W4", mode: "open" }));
  await expect(other.locator(".trail li")).toHaveCount(entries + 1);
  await expect(page.locator(".trail li")).toHaveCount(entries + 1);
  // The field is as it was; what came in is said, and one may go on to what is next now.
  await expect(other.locator(".others-note")).toContainText("Ida measured");
  await expect(other.locator("#reading")).toHaveValue("12");
  expect(await other.locator("div.next").getAttribute("data-test")).toBe(test);
  // While it is worked out what is next the step is dimmed.
  await expect(other.locator(".next[aria-busy=true]")).toHaveCount(0);
  await axe(other);
  await other.getByRole("button", { name: "Show what is next now" }).click();
  await expect(other.locator(".others-note")).toHaveCount(0);
  expect(await asked(other)).toBe(await asked(page));
  await other.context().close();
});

test("opposite answers to one test, given without knowing each other, are shown as a conflict and settled", async ({
  page,
}) => {
  const other = await both(page);
  const test = await numeric(page);
  // The other window hears nothing of what is written meanwhile.
  await other.route("**/live?*", (route) => route.abort());
  await other.goto(page.url());
  expect(await asked(other)).toBe(test);
  const entries = await page.locator(".trail li").count();
  await answer(page, "OL");
  await expect(page.locator(".trail li")).toHaveCount(entries + 1);
  await answer(other, "0.2");

  for (const window of [page, other]) {
    const conflict = window.getByRole("alert", { name: "Two answers" });
    await expect(conflict).toBeVisible();
    await expect(conflict.getByRole("listitem")).toHaveCount(2);
    await expect(window.locator(".on-older")).toHaveCount(1);
  }
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page
    .getByRole("alert", { name: "Two answers" })
    .getByRole("button", { name: / is right$/ })
    .first()
    .click();
  await expect(page.getByRole("alert", { name: "Two answers" })).toHaveCount(0);
  await expect(page.locator(".trail .is-struck")).toHaveCount(1);
  await other.context().close();
});
