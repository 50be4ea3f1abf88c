import { expect, test, type Page } from "@playwright/test";
import { alive, axe, beginJob, fits } from "./look";
import { asked } from "./meter";

test("two keys to a tool by itself; its address holds the values; nonsense is refused at its field", async ({
  page,
}) => {
  await page.goto("/codes");
  await alive(page);
  await page.keyboard.press("Alt+c");
  await page.waitForURL(/\/tools$/);
  await expect(page.getByRole("heading", { name: "What is in your hand?" })).toBeVisible();
  await axe(page);
  await alive(page);
  await page.keyboard.press("a");
  await page.waitForURL(/\/tools\/heater/);
  await page.getByLabel("Volts", { exact: true }).fill("120");
  await page.getByLabel("Watts").fill("325");
  await expect(page.getByText("44.3 Ω", { exact: true })).toBeVisible();
  await page.getByLabel("Measured ohms").fill("OL");
  await expect(page.locator(".tool-verdict")).toContainText("Open");
  await page.getByLabel("Measured ohms").fill("-4");
  await expect(page.getByText("Measured ohms cannot be below 0 Ω.")).toBeVisible();
  await axe(page);
  await page.getByLabel("Measured ohms").fill("42.4");
  await expect(page.locator(".tool-verdict")).toContainText("Good");
  await page.reload();
  await expect(page.getByLabel("Watts")).toHaveValue("325");
  await expect(page.locator(".tool-verdict")).toContainText("Good");
  // In other units, kept in this browser.
  await page.goto("/tools/sensor?ohms25=5k&beta=3435&ambient=77F&measured=5k&rail=5&pullUp=10k");
  await page.getByRole("button", { name: /°C, mm²/ }).click();
  await page.getByRole("radio", { name: "°F" }).check();
  await page.keyboard.press("Escape");
  await expect(page.getByText("At 77 °F")).toBeVisible();
  await expect(page.locator(".recharts-line-curve").first()).toBeVisible();
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("a part of a job tested by itself is evidence, and a tool from the job goes back to it", async ({ page }) => {
  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Ice on the back wall, or only to be checked");
  const job = page.url().split("/jobs/")[1]!;
  await page.goto(`/tools/heater?job=${job}&part=heater`);
  await expect(page.getByLabel("Watts")).toHaveValue("150");
  await expect(page.getByRole("button", { name: "Log it as good" })).toBeDisabled();
  await page.getByLabel("Measured ohms").fill("OL");
  await page.getByRole("button", { name: "Log it as bad" }).click();
  await page.waitForURL(new RegExp(`/jobs/${job}$`));
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText(
    "Defrost heater, by itself: Open",
  );
  await expect(page.locator(".suspects summary").first()).toContainText("Defrost heater", { timeout: 120_000 });
  expect((await page.request.get(`/tools/heater?job=${job}&part=nothing`)).status()).toBe(404);
});

test("readings over the link: from volts to ohms only with the leads off, on mains only a meter that floats, by itself when it is stable", async ({
  page,
}) => {
  await page.goto("/tools/meter?machine=kaldruun-uc-80");
  await page.getByLabel("Function").selectOption("acv");
  await page.getByLabel("Red lead").selectOption("T-L");
  await page.getByLabel("Black lead").selectOption("T-N");
  const take = page.getByRole("button", { name: /Take it/ });
  await take.click();
  await expect(page.getByText("only a meter whose inputs float")).toBeVisible();
  await page.getByLabel("its inputs float and are rated for mains").check();
  await take.click();
  await expect(page.locator(".held li").first()).toContainText(/2[23]\d V/);
  await page.getByLabel("It stands").selectOption("unplugged");
  await page.getByLabel("Function").selectOption("ohms");
  await page.getByLabel("Red lead").selectOption("heater-line");
  await page.getByLabel("Black lead").selectOption("comp-neutral");
  await take.click();
  await expect(page.getByText("Take the leads off first")).toBeVisible();
  await expect(page.locator(".held li")).toHaveCount(1);
  await page.getByLabel("leads were off when it was set to this").check();
  await take.click();
  await expect(page.locator(".held li").first()).toContainText("Ω");
  await axe(page);
  // By itself: it takes a reading when the display rests.
  await page.getByLabel("take it when it is stable").check();
  await expect(page.locator(".held li")).toHaveCount(3, { timeout: 120_000 });
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("a linked meter in a job: the reading comes from the unit and is logged as if typed; what cannot be read logs nothing", async ({
  page,
}) => {
  await beginJob(page, "Valley school kitchen: Kaldruun UC-80, UC-0931", "Warm inside, compressor silent");
  const job = page.url().split("/jobs/")[1]!;
  await asked(page);
  await page.getByRole("button", { name: /I measured something else/ }).click();
  await page.getByLabel("Unit", { exact: true }).selectOption("unplugged");
  await page.getByLabel("Meter", { exact: true }).selectOption("ohms");
  await page.getByLabel("Red lead", { exact: true }).selectOption("heater-line");
  await page.getByLabel("Black lead", { exact: true }).selectOption("comp-neutral");
  await expect(
    page.locator(".next[aria-busy=false][data-test^='unplugged|ohms|heater-line|comp-neutral']"),
  ).toBeVisible();
  await page.getByLabel("Reading from").selectOption({ label: "Stand-in meter" });
  const confirm = page.getByLabel("leads were off when it was set to this");
  await confirm.check();
  await page.keyboard.press("Alt+m");
  await expect(page.locator(".trail li").first()).toContainText("Ω", { timeout: 120_000 });
  const { devices } = (await page.request.get("/api/meters").then((r) => r.json())) as {
    devices: { id: string; kind: string }[];
  };
  const meter = devices.find((d) => d.kind === "meter")!.id;
  expect(
    (
      await page.request.post("/api/meters/stand-in", {
        data: { job, leads: { setup: "nowhere", red: "x", black: "y" } },
      })
    ).status(),
  ).toBe(400);
  expect(
    (await page.request.post(`/api/meters/${meter}/read`, { data: { function: "acv", live: true } })).status(),
  ).toBe(409);
  expect((await page.request.post("/api/meters/nothing/read", { data: { function: "dcv" } })).status()).toBe(404);
});

async function lamp(page: Page, step: number, name: string, shows: string) {
  await page.getByLabel(`${name}, step ${step}`).selectOption(shows);
}

test("a board on the bench rig: the lamps step by step, by simulation; a welded relay is named and why", async ({
  page,
}) => {
  await page.goto("/tools/rig?machine=kaldruun-uc-80");
  await expect(page.getByText("Feed: 230 V through an isolating transformer")).toBeVisible();
  await axe(page);
  await lamp(page, 1, "Compressor", "lit");
  await lamp(page, 1, "Defrost heater", "dark");
  await lamp(page, 2, "Compressor", "lit");
  await expect(page.locator(".tool-verdict")).toContainText("Relay");
  await lamp(page, 2, "Defrost heater", "dark");
  await lamp(page, 3, "Compressor", "lit");
  await lamp(page, 3, "Defrost heater", "lit");
  await expect(page.locator(".tool-verdict")).toContainText("Cooling relay K1: contact welded shut");
  await expect(page.getByText("which a good board does not do")).toBeVisible();
  await page.reload();
  await expect(page.locator(".tool-verdict")).toContainText("welded");
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("sleep current: a pasted log is read whole, judged against other limits at once; a lost clip is said", async ({
  page,
}) => {
  await page.goto("/tools/sleep");
  const rows = Array.from(
    { length: 300 },
    (_, i) => `${(i * 2).toFixed(1)};${(i < 30 ? 820 + (i % 7) : 18 + (i % 5) / 10).toFixed(1).replace(".", ",")}`,
  );
  await page.getByLabel("or pasted").fill(`time s;current mA\n${rows.join("\n")}`);
  await expect(page.locator(".tool-verdict")).toContainText("This unit is not the drain");
  await expect(page.getByText("decimal comma")).toBeVisible();
  await page.getByLabel("Asleep at most").fill("5 mA");
  await expect(page.locator(".tool-verdict")).toContainText("It sleeps, but draws");
  await axe(page);
  // A long one as a file, read in a worker.
  const long = Array.from({ length: 200_000 }, (_, i) => `${(i * 0.01).toFixed(2)},${i < 6000 ? 0.82 : 0.0181}`);
  await page
    .getByLabel("File of a logger")
    .setInputFiles({ name: "log.csv", mimeType: "text/csv", buffer: Buffer.from(`s,A\n${long.join("\n")}`) });
  await expect(page.getByText("200000 samples")).toBeVisible({ timeout: 120_000 });
  await page.getByLabel("or pasted").fill("hello\nworld");
  await expect(page.getByText("No line of this file holds numbers only")).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
});

test("settings are recorded as found before they are changed, and drawn as the board sits", async ({ page }) => {
  await beginJob(page, "Upper Cairn Hut, boot room: Brenzik CD-30, CD-0418", "Only to be checked");
  const job = page.url().split("/jobs/")[1]!;
  const early = await page.request.post(`/api/jobs/${job}/events`, {
    data: {
      id: "3f0e9a51-6f0d-4c3f-9d0e-1c7f4b8e2a10",
      v: 1,
      actor: "Ida",
      body: { type: "setting", setting: "dry-time", value: "1000", moment: "set", words: "x" },
    },
  });
  expect(early.status()).toBe(400);
  expect(JSON.stringify(await early.json())).toContain("record what was found before");
  await page.goto(`/tools/settings?job=${job}`);
  const dry = page.getByRole("region", { name: "Drying time a coin" });
  await expect(dry.getByRole("button", { name: "Record what was found first" })).toBeDisabled();
  await dry.getByLabel("Found").selectOption("0110");
  await expect(dry.getByRole("img", { name: "1 off, 2 on, 3 on, 4 off" }).first()).toBeVisible();
  await expect(dry.getByText("As found, the board upside down")).toBeVisible();
  await dry.getByRole("button", { name: "Record as found" }).click();
  await dry.getByLabel("Wanted").selectOption("1000");
  await dry.getByRole("button", { name: "Record as set" }).click();
  await expect(dry.getByRole("button", { name: "Recorded" })).toHaveCount(2);
  await axe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await fits(page);
  await page.goto(`/jobs/${job}`);
  await expect(page.getByRole("region", { name: "Asked and compared" })).toContainText("set to: 1000, 45 minutes");
});
