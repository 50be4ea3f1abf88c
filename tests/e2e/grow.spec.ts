import { expect, type Page, test } from "@playwright/test";
import { alive, axe, fits } from "./look";

/** A machine of a family that nobody has brought in yet, and a job on one of its units. */
async function jobOnNewMachine(page: Page, complaint: string): Promise<string> {
  const model = `G-${Date.now() % 1_000_000}`;
  await page.goto("/machines/new");
  await page.getByLabel("Kind").selectOption({ label: "Washer" });
  await page.getByLabel("Manufacturer").fill("Nobody");
  await page.getByLabel("Model").fill(model);
  await page.getByRole("button", { name: "Make the file" }).click();
  await page.waitForURL(/tab=assumed/);
  const machine = `nobody-${model.toLowerCase()}`;
  const { complaints } = (await (await page.request.get(`/api/machines/${machine}/complaints`)).json()) as {
    complaints: { id: string; words: string }[];
  };
  const id = crypto.randomUUID();
  const newUnit = { id: crypto.randomUUID(), site: "Valley school", machine, serial: id.slice(0, 6) };
  const data = { id, newUnit, complaint: complaints.find((c) => c.words === complaint)!.id, actor: "Ida" };
  expect((await page.request.post("/api/jobs", { data })).status()).toBe(200);
  await page.goto(`/jobs/${id}`);
  await alive(page);
  return machine;
}

const dialog = (page: Page) => page.getByRole("dialog", { name: "Add what you see" });

test("what is seen on a job counts at once, and goes into the file one by one, with who and when", async ({ page }) => {
  const machine = await jobOnNewMachine(page, "Drain pump does not work");
  const job = page.url().split("/").at(-1)!;
  // A plug with its pins and colours, by one key.
  // The one before is gone: a key pressed while it closes would be lost.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+r");
  await dialog(page).getByLabel("One a line").fill("CN7 4 violet drain pump\nCN7 x");
  const taken = dialog(page).getByRole("list", { name: "Taken for" }).locator("li");
  await expect(taken.nth(1)).toHaveClass(/is-unread/);
  await axe(page);
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  await expect(dialog(page).getByText("A line is not understood yet")).toBeVisible();
  await dialog(page).getByLabel("One a line").fill("CN7 4 violet drain pump");
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  const found = page.locator(".found");
  await expect(found).toContainText("CN7 4 violet drain pump");
  // It counts at once: the way to the pump goes through that pin.
  await expect(page.locator(".path")).toContainText("CN7-4");
  // What a good one reads, and a place that nobody drew.
  // The one before is gone: a key pressed while it closes would be lost.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+r");
  await dialog(page).getByText("What a good one reads").click();
  await dialog(page).getByLabel("Which part?").selectOption({ label: "Drain pump" });
  await dialog(page)
    .getByLabel(/Ohms of a good one/)
    .fill("0");
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  await expect(dialog(page).getByText("Type ohms over 0")).toBeVisible();
  await dialog(page)
    .getByLabel(/Ohms of a good one/)
    .fill("187");
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  await expect(found).toContainText("A good drain pump reads 187 Ω");
  // The one before is gone: a key pressed while it closes would be lost.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+r");
  await dialog(page).getByText("A place to measure at").click();
  await dialog(page).getByLabel("Called").fill("Lint door hole");
  await dialog(page)
    .getByLabel(/Where it is/)
    .fill("drain pump a");
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  await expect(found).toContainText("Lint door hole");
  // The one before is gone: a key pressed while it closes would be lost.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+r");
  await dialog(page).getByText("A plug, a wire, a new part").click();
  await dialog(page).getByLabel("What the lines are").selectOption({ label: "Parts that are not in the file" });
  await dialog(page).getByLabel("One a line").fill("drum light lamp 10W CN7-4 Loads, neutral terminal");
  await dialog(page).getByRole("button", { name: "It is so on this unit" }).click();
  await expect(found).toContainText("drum light lamp 10W");
  await page.setViewportSize({ width: 390, height: 844 });
  // The one before is gone: a key pressed while it closes would be lost.
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await page.keyboard.press("Alt+r");
  await expect(dialog(page)).toBeVisible();
  await fits(page);
  await page.keyboard.press("Escape");
  await page.setViewportSize({ width: 1280, height: 800 });

  // At the close: fact by fact.
  await page.goto(`/jobs/${job}/record`);
  await page.getByRole("link", { name: "What this job learned of the machine" }).click();
  const lesson = (words: RegExp) => page.getByRole("listitem").filter({ hasText: words });
  await expect(lesson(/CN7 4 violet/)).toContainText("Ida");
  await axe(page);
  await page.getByLabel(/^Take: .*drum light/).uncheck();
  await page.getByRole("button", { name: "Put 3 into the file" }).click();
  await page.waitForURL(/tab=versions/);
  const newest = page.getByRole("listitem").filter({ hasText: "new jobs use this one" });
  await expect(newest).toContainText("learned on a job");
  await expect(newest).toContainText("A good drain pump reads 187 Ω Ida");
  await axe(page);
  const file = await (await page.request.get(`/api/machines/${machine}/export`)).text();
  expect(file).toContain("ohms: 187");
  expect(file).toContain("violet");
  expect(file).toContain("Lint door hole");
  expect(file).not.toContain("rum light");
  // What is in the file is offered no more; what it says otherwise by now is shown.
  await page.goto(`/jobs/${job}/offer`);
  await expect(lesson(/187/)).toContainText("in the file already");
  await expect(page.getByRole("button", { name: "Put 1 into the file" })).toBeEnabled();
});

test("a pack of machines comes in: what is new is in use, what differs is compared, what is no pack is refused", async ({
  page,
}) => {
  const model = `P-${Date.now() % 1_000_000}`;
  await page.goto("/machines/new");
  await page.getByLabel("Kind").selectOption({ label: "Changeover panel with engine set" });
  await page.getByLabel("Manufacturer").fill("Nobody");
  await page.getByLabel("Model").fill(model);
  await page.getByRole("button", { name: "Make the file" }).click();
  await page.waitForURL(/tab=assumed/);
  const id = `nobody-${model.toLowerCase()}`;
  const pack = await (await page.request.get(`/api/machines/pack?by=Talhof&of=${id}`)).body();
  // Here it is another one by now.
  const { file } = (await (await page.request.get(`/api/machines/${id}/file`)).json()) as { file: { name: string } };
  const put = await page.request.put(`/api/machines/${id}`, { data: { ...file, name: "Standby panel, hut" } });
  expect(put.status(), await put.text()).toBe(200);
  await page.goto("/machines");
  await page.getByRole("button", { name: "Packs" }).click();
  await page
    .getByLabel("File of a pack")
    .setInputFiles({ name: "x.zip", mimeType: "application/zip", buffer: Buffer.from("PK no") });
  await expect(page.getByText("That is no pack of machines")).toBeVisible();
  await page.getByLabel("File of a pack").setInputFiles({ name: "p.zip", mimeType: "application/zip", buffer: pack });
  await expect(page.getByText("From Talhof: 1 machine")).toBeVisible();
  await axe(page);
  await page.getByRole("link", { name: "otherwise here: compare" }).click();
  await page.waitForURL(/offer$/);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("in the pack of Talhof");
  await expect(page.getByRole("row").filter({ hasText: "Standby panel, hut" })).toContainText("Changeover panel");
  await axe(page);
  await page.getByRole("button", { name: "Take it whole" }).click();
  await page.waitForURL(new RegExp(`/machines/${id}$`));
  await page.goto(`/machines/${id}?tab=versions`);
  await expect(page.getByText("in the pack of Talhof").first()).toBeVisible();
});
