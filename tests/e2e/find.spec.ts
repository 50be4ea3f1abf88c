import { expect, test } from "@playwright/test";
import { alive, axe, beginJob, fits } from "./look";

const FRIDGE = "Larch Pass Hut: Quellmoor SB-210, 40177";
const DARK = "Door panel dark, no beep, still cold inside";

test("anything is found by one key, with why, narrowed by filters; the address keeps it", async ({ page }) => {
  // Letters only, so that a beginning of it is looked for too.
  const word = `lacquer${Array.from({ length: 6 }, () => String.fromCharCode(97 + Math.floor(Math.random() * 26))).join("")}`;
  const unit = await beginJob(page, FRIDGE, DARK);
  const job = page.url().split("/").at(-1)!;
  const note = { id: crypto.randomUUID(), v: 1, actor: "Ida", body: { type: "note", text: `Smelled of ${word}` } };
  expect((await page.request.post(`/api/jobs/${job}/events`, { data: note })).status()).toBe(200);
  await page.keyboard.press("Alt+q");
  await page.waitForURL("**/find");
  await alive(page);
  const field = page.getByRole("searchbox", { name: "Find anything" });
  await expect(field).toBeFocused();
  await page.keyboard.type(word.slice(0, 11));
  const found = page.getByRole("region", { name: "Jobs" }).getByRole("listitem");
  await expect(found).toHaveCount(1);
  await expect(found).toContainText(`Smelled of ${word}`);
  await expect(found.locator("mark")).toHaveText([word]);
  await axe(page);
  expect(page.url()).toContain(`q=${word.slice(0, 11)}`);
  await page.getByLabel("Found in").selectOption("Cause");
  await expect(page.getByText("Nothing fits all of this.")).toBeVisible();
  await page.reload();
  await expect(page.getByText("Nothing fits all of this.")).toBeVisible();
  await alive(page);
  await page.getByRole("button", { name: "Show all again" }).click();
  await expect(found).toHaveCount(1);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await found.getByRole("link").click();
  await page.waitForURL(`**/jobs/${job}`);
  // The way back leads to what was looked for.
  await page.goBack();
  await expect(field).toHaveValue(word.slice(0, 11));
  await expect(found).toHaveCount(1);

  // The unit's page has its jobs; a machine is found by the number of a board.
  await page.goto(`/units/${unit}`);
  await expect(page.getByRole("region", { name: "Jobs" })).toContainText(DARK);
  await page.goto("/find?q=quellmoor");
  await expect(page.getByRole("region", { name: "Machines" })).toContainText("Quellmoor SB-210");
});

test("a closed repair is asked about when it is time; its record says what was answered; odds stand beside the file's", async ({
  page,
}) => {
  await beginJob(page, FRIDGE, DARK);
  const job = page.url().split("/").at(-1)!;
  const called = {
    type: "called",
    piece: "hinge-plug",
    pieceName: "Hinge plug H1",
    cause: "No contact",
    action: "Cleaned.",
    sure: "likely",
    proofs: [],
  };
  const closing = { id: crypto.randomUUID(), v: 1, actor: "Ida", body: called };
  expect((await page.request.post(`/api/jobs/${job}/events`, { data: closing })).status()).toBe(200);
  // As on a day two weeks on.
  const due = { job, site: `Hut ${job.slice(0, 4)}`, result: "Hinge plug H1", complaint: DARK };
  const then = new Date(Date.now() - 15 * 86_400_000).toISOString();
  const answer = { followUps: [{ ...due, closedAt: then, dueAt: then }] };
  await page.route("**/api/follow-ups", (route) => route.fulfill({ json: answer }));
  await page.goto("/");
  await alive(page);
  const asked = page.getByRole("region", { name: "Did it hold?" });
  await expect(asked).toContainText("Hinge plug H1");
  await axe(page);
  await asked.getByRole("button", { name: /^It held/ }).focus();
  await page.keyboard.press("Enter");
  await expect(asked).toHaveCount(0);
  await page.goto(`/jobs/${job}/record`);
  await expect(page.getByText("it has held so far")).toBeVisible();
  await page.getByRole("button", { name: /^It came back/ }).click();
  await expect(page.getByText("it came back", { exact: false }).last()).toBeVisible();
  await axe(page);

  await page.goto("/machines/quellmoor-sb-210?tab=odds");
  await expect(page.getByRole("region", { name: "How it fails" })).toContainText("closed");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});
