import { expect, type Page, test } from "@playwright/test";
import { readFileSync } from "node:fs";
import { ORDINARY_METER } from "../../src/core/instrument/meter";
import { compileMachine, type MachineFile } from "../../src/core/model";
import { makeTest, nominalValues, observe, Simulator } from "../../src/core/simulate";
import { axe } from "./look";

const SHEETS = new URL("../outside/sheets/", import.meta.url);

/** Scripted hands: every field entered, click, choice and paste is an action; typed characters are counted apart. */
class Hands {
  actions = 0;
  typed = 0;

  constructor(
    private readonly page: Page,
    /** All text that can be seen on the sheet's picture. */
    private readonly printed: string,
  ) {}

  async type(label: string | RegExp, text: string): Promise<void> {
    this.actions++;
    this.typed += text.length;
    await this.page.getByLabel(label, { exact: typeof label === "string" }).fill(text);
  }

  async choose(label: string | RegExp, option: string): Promise<void> {
    this.actions++;
    await this.page.getByLabel(label, { exact: typeof label === "string" }).selectOption({ label: option });
  }

  async click(role: "button" | "tab" | "link", name: string | RegExp): Promise<void> {
    this.actions++;
    await this.page.getByRole(role, { name, exact: typeof name === "string" }).click();
  }

  async tick(group: string, answer: string): Promise<void> {
    this.actions++;
    await this.page.getByRole("group", { name: group }).getByText(answer, { exact: true }).click();
  }

  /** A table of the sheet, pasted where it belongs: only what is printed on the picture. */
  async paste(table: string, rows: string): Promise<void> {
    for (const cell of rows.split(/[\n\t]/)) expect(this.printed, `"${cell}" stands on the sheet`).toContain(cell);
    await this.choose("What the lines are", table);
    this.actions++;
    await this.page.getByLabel("Paste or type them, one a line").fill(rows);
    const lines = this.page.getByRole("list", { name: "Taken for" });
    await expect(lines.locator("li")).toHaveCount(rows.split("\n").length);
    await expect(lines.locator(".is-unread")).toHaveCount(0);
    await this.click("button", /^Add \d+ lines?$/);
    await expect(this.page.getByText(/in the file, as a new version of it/)).toBeVisible();
  }
}

/** The picture of a sheet as a person has it before him: its tables, row by row, as they can be read. */
async function tablesOf(page: Page, sheet: string) {
  await page.goto(new URL(`${sheet}.html`, SHEETS).href);
  const printed = await page.locator("body").innerText();
  const rowsOf = (id: string) =>
    page
      .locator(`#${id} tr`)
      .evaluateAll((rows) =>
        rows.map((r) => [...r.querySelectorAll("td")].map((c) => c.innerText.trim()).join("\t")).join("\n"),
      );
  const ids = await page.locator("table[id]").evaluateAll((tables) => tables.map((t) => t.id));
  const tables: Record<string, string> = {};
  for (const id of ids) tables[id] = await rowsOf(id);
  expect(await page.screenshot({ fullPage: true })).toBeTruthy();
  return { printed, tables };
}

/** A sheet before one, and a new machine begun from its plate. */
async function begun(page: Page, sheet: string, maker: string, type: string) {
  const { printed, tables } = await tablesOf(page, sheet);
  const model = `${type}-${Date.now() % 100000}`;
  const hands = new Hands(page, printed);
  await page.goto("/machines/new");
  await hands.choose("Kind", "Another: type what it has");
  await hands.type("Manufacturer", maker);
  await hands.type("Model", model);
  return { hands, tables, model };
}

/** The file is made, and every table of the sheet put to it. */
async function pasted(page: Page, hands: Hands, tables: Readonly<Record<string, string>>): Promise<void> {
  await hands.click("button", "Make the file");
  await page.waitForURL(/tab=assumed/);
  await hands.click("tab", "From a sheet");
  for (const [table, id] of [
    ["Plugs and their pins", "plugs"],
    ["Codes", "codes"],
    ["Service modes and their keys", "modes"],
    ["Parts and their numbers", "numbers"],
    ["Covers and their screws", "screws"],
    ["Ohms of a sensor", "sensor"],
  ] as const)
    await hands.paste(table, tables[id]!);
}

/** The file as it goes out, under the model it was begun with. */
async function exported(page: Page, id: string, model: string): Promise<string> {
  const answer = await page.request.get(`/api/machines/${id}/export`);
  expect(answer.ok()).toBe(true);
  return (await answer.text()).replaceAll(id, "brought-in").replaceAll(model, "MODEL");
}

test("a boot dryer of 13 parts comes in from its sheet in at most 60 actions, without a brace", async ({ page }) => {
  const { hands, tables, model } = await begun(page, "talried-bd-2", "Talried", "BD-2");
  await hands.type("What it has", "heater 800 through thermal cut-off, fan 25, door switch stops all, air sensor 10k");
  await pasted(page, hands, tables);
  await axe(page);
  console.log(`13 parts: ${hands.actions} actions, ${hands.typed} characters typed`);
  expect(hands.actions).toBeLessThanOrEqual(60);
  const file = await exported(page, `talried-${model.toLowerCase()}`, model);
  expect(file).toBe(readFileSync(new URL("talried-bd-2.brought.yaml", SHEETS), "utf8"));
});

test("a glass washer of 25 parts comes in from its sheet in at most 130 actions, without a brace", async ({ page }) => {
  const { hands, tables, model } = await begun(page, "falzjoch-gw-25", "Falzjoch", "GW-25");
  await hands.choose("Sorted under", "dishwasher");
  await hands.type(
    "What it has",
    [
      "wash pump 250",
      "drain pump 35",
      "inlet valve 8",
      "heater 3000 through contactor 24VAC and thermostat and high limit",
      "dosing pump 12VDC 6",
      "lamp 12VDC 4",
      "level switch stops heater",
      "hood switch stops wash pump and drain pump and inlet valve and heater and dosing pump",
      "tank sensor 10k",
    ].join(", "),
  );
  await hands.type(
    /^In which state what runs/,
    "washing: wash pump, heater, lamp; filling: inlet valve, dosing pump, lamp; draining: drain pump, lamp",
  );
  await pasted(page, hands, tables);
  console.log(`25 parts: ${hands.actions} actions, ${hands.typed} characters typed`);
  expect(hands.actions).toBeLessThanOrEqual(130);
  const file = await exported(page, `falzjoch-${model.toLowerCase()}`, model);
  expect(file).toBe(readFileSync(new URL("falzjoch-gw-25.brought.yaml", SHEETS), "utf8"));
});

test("a kitchen tower of 40 parts and 15 wires comes in from its sheet in at most 200 actions, without a brace", async ({
  page,
}) => {
  const { hands, tables, model } = await begun(page, "steinkar-kt-40", "Steinkar", "KT-40");
  await hands.type(
    "What it has",
    [
      "compressor 165 with PTC start and overload",
      "condenser fan 28",
      "kettle element 1500 through dry cut-off",
      "plate 1200 through thermal fuse",
      "pump 40",
      "tap valve 8",
      "cold fan 12VDC 3.6",
      "light 12VDC 6",
      "door switch stops cold fan",
      "tank float stops kettle element and pump",
      "cold sensor 10k",
      "kettle sensor 10k",
    ].join("\n"),
  );
  await hands.type(
    /^In which state what runs/,
    [
      "cooling: compressor, condenser fan, cold fan, light",
      "boiling: kettle element, light",
      "cooking: plate, light",
      "drawing: pump, tap valve, light",
    ].join("\n"),
  );
  await hands.tick("How many boards?", "Three: relays, logic, display");
  await hands.tick("Between relay board and logic board", "A wire for each load");
  await hands.tick("Is there a line filter?", "Yes");
  await pasted(page, hands, tables);
  await hands.choose("They are those of", "Kettle sensor");
  await hands.paste("Ohms of a sensor", tables["sensor"]!);
  await hands.paste("Parts that are not in the file", tables["extras"]!);
  console.log(`40 parts: ${hands.actions} actions, ${hands.typed} characters typed`);
  expect(hands.actions).toBeLessThanOrEqual(200);
  const file = await exported(page, `steinkar-${model.toLowerCase()}`, model);
  expect(file).toBe(readFileSync(new URL("steinkar-kt-40.brought.yaml", SHEETS), "utf8"));
});

test("a board of 30 pins and 5 states comes in from its table of pins, and gives in each state what the table says", async ({
  page,
}) => {
  const { printed, tables } = await tablesOf(page, "morgklamm-pb-30");
  const model = `PB-30-${Date.now() % 100000}`;
  const hands = new Hands(page, printed);
  await page.goto("/machines/new");
  await hands.choose("Kind", "Another: only its board's pins are known");
  await hands.type("Manufacturer", "Morgklamm");
  await hands.type("Model", model);
  await hands.type("What feeds the board", "L and N, 230 VAC, 4 W");
  await hands.type(/^States of its sheet/, tables["states"]!);
  await hands.click("button", "Make the file");
  await page.waitForURL(/tab=pins/);
  const paste = async (rows: string, state: string, against: string) => {
    for (const cell of rows.split(/[\n\t]/)) expect(printed, `"${cell}" stands on the sheet`).toContain(cell);
    hands.actions++;
    await page.getByLabel(/Paste or type its pin table/).fill(rows);
    await expect(page.getByRole("list", { name: "Taken for" }).locator(".is-unread")).toHaveCount(0);
    await hands.choose("State they belong to", state);
    await hands.choose(/^Measured against/, against);
    await hands.click("button", /^Add \d+ lines?$/);
    await expect(page.getByLabel(/Paste or type its pin table/)).toHaveValue("");
  };
  await paste(tables["rest"]!, "idle", "N");
  const states = ["idle", "fill", "wash", "drain", "test"];
  for (const state of states) await paste(tables[`s-${state}`]!, state, "G");
  await axe(page);
  await hands.click("tab", "From a sheet");
  await hands.paste("Parts that are not in the file", tables["loads"]!);
  console.log(`30 pins, 5 states, 8 parts: ${hands.actions} actions, ${hands.typed} characters typed`);
  expect(hands.actions).toBeLessThanOrEqual(60);

  const id = `morgklamm-${model.toLowerCase()}`;
  const answer = (await (await page.request.get(`/api/machines/${id}/file`)).json()) as { file: MachineFile };
  const machine = compileMachine(answer.file);
  const board = machine.partById.get("board")!;
  expect(board.nodeOf.size).toBe(30);
  const simulator = new Simulator(machine);
  const read = (setup: string, fn: "dcv" | "acv", red: string, black: string) => {
    const state = simulator.energise(machine.setupById.get(setup)!, [], nominalValues(machine));
    const shown = observe(simulator, state, makeTest(setup, fn, red, black), ORDINARY_METER);
    if (shown.kind === "value") return shown.value;
    return shown.kind === "jumping" ? shown.high : Number.NaN;
  };
  let cells = 0;
  for (const state of states)
    for (const row of tables[`s-${state}`]!.split("\n")) {
      const [pin, , , says] = row.split("\t") as [string, string, string, string];
      const volts = says === "closed to L" ? 230 : Number.parseFloat(says) || 0;
      const isMains = says.endsWith("to L");
      const shown = isMains
        ? read(state, "acv", `board-${pin}`, "in-2")
        : read(state, "dcv", `board-${pin}`, "board-G");
      expect(Math.abs(shown - volts), `${state} ${row}: ${shown}`).toBeLessThan(0.05 * volts + 0.6);
      cells++;
    }
  expect(cells).toBeGreaterThan(70);
});
