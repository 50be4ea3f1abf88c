import { expect, test, type Page } from "@playwright/test";
import { alive, axe, beginJob } from "./look";
import { asked, typedFor } from "./meter";
import type { Found, FoundJob } from "../../src/contract/find";

const FAULT = { part: "W4", mode: "open" };

const begin = (page: Page, complaint = "Door panel dark, no beep, still cold inside") =>
  beginJob(page, "Larch Pass Hut: Quellmoor SB-210, 40177", complaint);

async function readNotice(page: Page): Promise<void> {
  const notice = page.getByRole("button", { name: "I work that way" });
  if (await notice.isVisible()) {
    // It is gone at once; that it was read is written a moment later.
    const written = page.waitForResponse((r) => r.request().postData()?.includes('"warned"') === true && r.ok());
    await notice.click();
    await notice.waitFor({ state: "hidden" });
    await written;
  }
}

/** Answers one proposed test with the keyboard. Returns false at the end of the search. */
async function answer(page: Page): Promise<boolean> {
  const name = await asked(page);
  if (name === null) return false;
  await readNotice(page);
  const typed = typedFor(name, FAULT);
  const count = await page.locator(".trail li").count();
  if (name.includes("|look|"))
    await page
      .getByRole("group", { name: /What do you see/ })
      .getByRole("button", { name: new RegExp(typed) })
      .click();
  else {
    await expect(page.locator("#reading")).toBeFocused();
    await page.keyboard.type(typed);
    await page.keyboard.press("Enter");
  }
  await expect(page.locator(".trail li")).toHaveCount(count + 1);
  return true;
}

test("a dead door panel is isolated by keyboard in at most six readings, called, and on record", async ({ page }) => {
  await begin(page);
  let readings = 0;
  while (await answer(page)) expect(++readings).toBeLessThanOrEqual(6);
  await expect(page.locator(".next h2")).toContainText("Door harness");
  expect(readings).toBeGreaterThan(0);
  await axe(page);

  await page.keyboard.press("Alt+k");
  await expect(page.getByRole("dialog")).toContainText("Replace the harness through the hinge");
  await axe(page);
  // Covers are off and a plug may be apart: the job does not close silently on that.
  await expect(page.getByRole("button", { name: "Close the job" })).toBeDisabled();
  const back = page.getByRole("group", { name: "Left behind" }).getByRole("button");
  for (let left = await back.count(); left > 0; left--) {
    await back.first().click();
    await expect(back).toHaveCount(left - 1);
  }
  await page.getByRole("button", { name: "Close the job" }).click();
  await page.waitForURL(/\/record$/);
  await expect(page.getByRole("heading", { name: "Door harness" })).toBeVisible();
  await expect(page.locator(".readings tbody tr")).toHaveCount(readings);
  await axe(page);

  // A late note is an addendum: below the call, which stays.
  await page.getByLabel("Note").fill("Harness ordered.");
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByText("Added after closing")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Door harness" })).toBeVisible();
  await page.goto("/");
  await expect(page.locator(".jobs li", { hasText: "Door harness" }).first()).toBeVisible();
});

test("what was really done counts: another point, another function, and ohms on a live circuit refused", async ({
  page,
}) => {
  await begin(page);
  await asked(page);
  await page.getByRole("button", { name: /I measured something else/ }).click();
  await page.getByLabel("Unit", { exact: true }).selectOption("cold-call");
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await page.getByLabel("Red lead").selectOption("P1-1.pad");
  await page.getByLabel("Black lead").selectOption("P1-3.pad");
  await readNotice(page);
  await expect(page.locator(".next h2")).toContainText("P1, panel board side");
  await page.getByLabel("Meter", { exact: true }).selectOption("ohms");
  await expect(page.locator(".next .problem").first()).toContainText("dead circuit");
  await expect(page.locator("#reading")).toHaveCount(0);
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await expect(page.locator(".next[aria-busy=false][data-test^='cold-call|dcv|P1-1.pad']")).toBeVisible();
  await readNotice(page);
  await page.locator("#reading").fill("13.1");
  await page.keyboard.press("Enter");
  await expect(page.locator(".trail li").first()).toContainText("P1, panel board side");
  await expect(page.locator(".trail li").first()).toContainText("as expected, expected 12.5");
  await expect(page.locator(".suspects li").first()).toContainText("Door panel board");
});

test("a lone 1 on ohms is asked back, and can be the overload of a manual range", async ({ page }) => {
  await begin(page);
  await asked(page);
  await page.keyboard.press("Alt+i");
  await page.getByLabel("Meter", { exact: true }).waitFor();
  await page.getByLabel("Unit", { exact: true }).selectOption("unplugged");
  await page.getByLabel("Meter", { exact: true }).selectOption("ohms");
  await expect(page.locator(".next[aria-busy=false][data-test^='unplugged|ohms']")).toBeVisible();
  await page.locator("#reading").fill("1");
  await page.keyboard.press("Enter");
  await expect(page.locator("#reading-problem")).toContainText("Which is it?");
  await page.getByRole("button", { name: "Overload" }).click();
  await expect(page.locator(".trail li").first()).toContainText("OL");
});

test("a misread is struck out, stays in sight, and everything is worked out anew", async ({ page }) => {
  await begin(page);
  await asked(page);
  const before = await page.locator(".suspects").innerText();
  await answer(page);
  await asked(page);
  await page.keyboard.press("Alt+z");
  await page.getByLabel("Reason").fill("black lead was on the door");
  await page.getByRole("button", { name: "Strike out" }).last().click();
  await expect(page.locator(".trail")).toContainText("struck out: black lead was on the door");
  await asked(page);
  await expect.poll(() => page.locator(".suspects").innerText()).toBe(before);
});

test("nothing typed is lost: bad readings get a sentence, and a half-typed one survives a reload", async ({ page }) => {
  await begin(page);
  await asked(page);
  await readNotice(page);
  const rows = await page.locator(".trail li").count();
  for (const [typed, sentence] of [
    ["abc", "is no reading"],
    ["4 A", "amperes"],
    ["", "press Enter once more"],
  ] as const) {
    await page.locator("#reading").fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.locator("#reading-problem")).toContainText(sentence);
  }
  await page.locator("#reading").fill("13.");
  await page.reload();
  await asked(page);
  await expect(page.locator("#reading")).toHaveValue("13.");
  expect(await page.locator(".trail li").count()).toBe(rows);
});

test("with Unzo out of reach the reading is kept and can be sent again, once", async ({ page }) => {
  await begin(page);
  await asked(page);
  await readNotice(page);
  const rows = await page.locator(".trail li").count();
  await page.route("**/events", (route) => (route.request().method() === "POST" ? route.abort() : route.continue()));
  await page.locator("#reading").fill("13.2");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Unzo cannot be reached")).toBeVisible({ timeout: 120_000 });
  await expect(page.locator("#reading")).toHaveValue("13.2");
  await page.unroute("**/events");
  await page.locator("#reading").press("Enter");
  await expect(page.locator(".trail li")).toHaveCount(rows + 1);
});

test("on a slow line the next step is there at once; what is entered meanwhile is written after it, or comes back with it", async ({
  page,
}) => {
  await begin(page);
  const first = await asked(page);
  await readNotice(page);
  const rows = await page.locator(".trail li").count();
  let settle: (act: "go on" | "fail") => void = () => undefined;
  let posts = 0;
  let isLost = false;
  const ids = new Set<string>();
  await page.route("**/events", async (route) => {
    if (route.request().method() !== "POST") return route.continue();
    posts++;
    ids.add((route.request().postDataJSON() as { id: string }).id);
    // What was lost once is sent again by itself, under the same id; the line stays down.
    if (isLost) return route.abort();
    const act = await new Promise<"go on" | "fail">((resolve) => {
      settle = resolve;
    });
    isLost = act === "fail";
    return isLost ? route.abort() : route.continue();
  });
  const enter = async () => {
    await page.locator(".next[aria-busy=false][data-test]").waitFor();
    await page
      .locator("#reading")
      .fill(typedFor((await page.locator(".next[data-test]").getAttribute("data-test"))!, FAULT));
    await page.keyboard.press("Enter");
  };
  await enter();
  // Until the own dictionary is built there is no advice for what the server does not know yet.
  await expect(page.locator(".next[data-test]").first()).not.toHaveAttribute("data-test", first!, { timeout: 120_000 });
  await expect(page.locator(".trail li")).toHaveCount(rows + 1);
  await enter();
  await expect(page.locator(".trail li")).toHaveCount(rows + 2);
  await expect(page.locator(".on-its-way")).toHaveCount(2);
  expect(posts).toBe(1);
  settle("fail");
  await expect(page.getByRole("alert").filter({ hasText: "was not written" })).toBeVisible({ timeout: 120_000 });
  await expect(page.locator(".trail li")).toHaveCount(rows);
  await expect(page.locator(".next[data-test]").first()).toHaveAttribute("data-test", first!);
  await expect(page.locator("#reading")).not.toHaveValue("");
  expect([posts, ids.size]).toEqual([4, 1]);

  await page.unroute("**/events");
  await asked(page);
  await page.locator("#reading").press("Enter");
  await expect(page.locator(".trail li")).toHaveCount(rows + 1);
  await asked(page);
  // The second one still stands where it was typed.
  await expect(page.locator("#reading")).not.toHaveValue("");
  await page.locator("#reading").press("Enter");
  await expect(page.locator(".trail li")).toHaveCount(rows + 2);
  await expect(page.locator(".on-its-way")).toHaveCount(0);
  await page.reload();
  await expect(page.locator(".trail li")).toHaveCount(rows + 2);
});

test("what is still on its way when the page is left comes into the journal when it is opened again, once", async ({
  page,
}) => {
  await begin(page);
  await asked(page);
  await readNotice(page);
  const rows = await page.locator(".trail li").count();
  await page.route("**/events", (route) => (route.request().method() === "POST" ? undefined : route.continue()));
  for (const further of [1, 2]) {
    await page.locator(".next[aria-busy=false][data-test]").waitFor();
    await page
      .locator("#reading")
      .fill(typedFor((await page.locator(".next[data-test]").getAttribute("data-test"))!, FAULT));
    await page.keyboard.press("Enter");
    await expect(page.locator(".trail li")).toHaveCount(rows + further);
  }
  await page.unrouteAll({ behavior: "ignoreErrors" });
  await page.reload();
  await expect(page.locator(".trail li")).toHaveCount(rows + 2);
  await expect(page.locator(".on-its-way")).toHaveCount(0);
  await asked(page);
  await expect(page.locator("#reading")).toHaveValue("");
  await page.reload();
  await asked(page);
  await expect(page.locator(".trail li")).toHaveCount(rows + 2);
});

test("a test asked again while the line is slow has an empty field, and what is typed there stays", async ({
  page,
}) => {
  await begin(page);
  const first = await asked(page);
  await readNotice(page);
  let goOn: () => void = () => undefined;
  const line = new Promise<void>((resolve) => (goOn = resolve));
  await page.route("**/events", async (route) => {
    if (route.request().method() === "POST") await line;
    await route.continue();
  });
  // Nothing in the machine makes that: it is asked for again.
  await page.locator("#reading").fill("77");
  await page.keyboard.press("Enter");
  await expect(page.locator(".on-its-way")).toHaveCount(1);
  // Until the own dictionary is built there is no advice for what the server does not know yet.
  await expect(page.locator(".next[aria-busy=false][data-test]").first()).toHaveAttribute("data-test", first!, {
    timeout: 120_000,
  });
  await expect(page.locator("#reading")).toHaveValue("");
  await expect(page.locator("#reading")).toBeFocused();
  await page.keyboard.type("12.");
  goOn();
  await expect(page.locator(".on-its-way")).toHaveCount(0);
  await expect(page.locator("#reading")).toHaveValue("12.");
});

test("before a board is blamed the call asks for what is unproven, and leads to the test", async ({ page }) => {
  await begin(page);
  await asked(page);
  await page.keyboard.press("Alt+k");
  await page.getByLabel("What is wrong").selectOption("panel-board");
  await expect(page.getByRole("dialog")).toContainText("Unproven");
  await expect(page.getByRole("button", { name: "Close the job" })).toBeDisabled();
  await page.getByRole("button", { name: "Measure it" }).first().click();
  await expect(page.locator(".next h2")).toContainText("P1, panel board side");
});

test("the notice on powered work stands before the first powered test, and is asked once a job", async ({ page }) => {
  await begin(page);
  await asked(page);
  await page.keyboard.press("Alt+i");
  await page.getByLabel("Unit", { exact: true }).selectOption("cold-call");
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await expect(page.getByRole("region", { name: /Before you measure/ })).toContainText("Local codes");
  await expect(page.locator("#reading")).toHaveCount(0);
  await readNotice(page);
  await expect(page.locator("#reading")).toBeVisible();
  await page.reload();
  await alive(page);
  await asked(page);
  await page.keyboard.press("Alt+i");
  await page.getByLabel("Unit", { exact: true }).selectOption("cold-call");
  await page.getByLabel("Meter", { exact: true }).selectOption("dcv");
  await expect(page.getByRole("region", { name: /Before you measure/ })).toHaveCount(0);
});

test("a phone in the cellar: next step first, nothing wider than the screen, targets for a thumb", async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await begin(page);
  await asked(page);
  await readNotice(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const [next, path] = [await page.locator(".next-area").boundingBox(), await page.locator(".path-area").boundingBox()];
  expect(next!.y).toBeLessThan(path!.y);
  for (const button of await page.locator(".next button:visible").all())
    expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(40);
  await axe(page);
  await page.goto("/");
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await axe(page);
  await context.close();
});

test("unknown places say so, with the right status; the health route answers", async ({ page, request }) => {
  const missing = await page.goto("/jobs/00000000-0000-4000-8000-000000000000");
  expect(missing!.status()).toBe(404);
  await expect(page.getByText("There is no such page or job")).toBeVisible();
  expect((await page.goto("/jobs/nonsense/record"))!.status()).toBe(404);
  expect((await request.get("/api/health")).status()).toBe(200);
});

test("three demo jobs: one untouched, one half-way, one closed", async ({ page, request }) => {
  /** Found by their serial numbers, the oldest: other tests open and close jobs meanwhile. */
  const oldest = async (state: string, serial: string) => {
    const all: FoundJob[] = [];
    for (let before: number | null = Number.MAX_SAFE_INTEGER; before !== null;) {
      const answer = await request.get(`/api/find?state=${state}&q=${serial}&before=${before}`);
      const found = (await answer.json()) as Found;
      all.push(...found.jobs.filter((j) => j.serial === serial));
      before = found.next;
    }
    return all.at(-1)!;
  };
  expect((await oldest("open", "40177")).readings).toBe(0);
  expect((await oldest("open", "40231")).readings).toBe(3);
  const closed = await oldest("closed", "39862");
  expect(closed.result).toBe("Main board");
  await page.goto("/jobs?state=closed");
  await expect(page.locator(".jobs .closed").first()).toBeVisible();
  await axe(page);
  await page.goto(`/jobs/${closed.id}/record`);
  await expect(page.getByText("39862").first()).toBeVisible();
});
