import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import type { UnitSearch } from "../../src/contract/units";

/** Nothing that axe knows is wrong with the page as it stands. */
export async function axe(page: Page): Promise<void> {
  // While the next step is thought of, the one before it is faded.
  await expect(page.locator(".thinking")).toHaveCount(0);
  // What is still fading in has less contrast than it will have.
  // Asked from here: the page's own policy lets nobody evaluate text in it.
  // What turns for as long as a fan runs is not fading.
  const moving = () =>
    page.evaluate(
      () =>
        document
          .getAnimations()
          .filter((a) => a.playState === "running" && a.effect?.getTiming().iterations !== Number.POSITIVE_INFINITY)
          .length,
    );
  await expect.poll(moving, { timeout: 120_000 }).toBe(0);
  // There are no frames: nothing has to be gathered in a page of its own, nor told of what passed.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ["violations"] })
    .analyze();
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

/**
 * Begins a job on a unit like the named one ("Site: Machine, serial"), with a serial number of its own: how one unit
 * stands is shown in every job on it, and tests that run side by side are no business of each other's. Answers with the
 * unit; `on` is one to go on with.
 */
export async function beginJob(page: Page, unit: string, complaint: string, on?: string): Promise<string> {
  const [site, model] = [unit.split(": ")[0]!, unit.split(": ")[1]!.split(",")[0]!];
  const { request } = page;
  const found = (await (await request.get(`/api/units?q=${encodeURIComponent(model)}`)).json()) as UnitSearch;
  const machine = found.machines.find((m) => `${m.maker} ${m.model}` === model)!.id;
  const { complaints } = (await (await request.get(`/api/machines/${machine}/complaints`)).json()) as {
    complaints: { id: string; words: string }[];
  };
  const [id, unitId] = [crypto.randomUUID(), crypto.randomUUID()];
  const serial = `${unit.split(", ").at(-1)!}-${unitId.slice(0, 4)}`;
  const answer = await request.post("/api/jobs", {
    data: {
      id,
      ...(on ? { unit: on, again: true } : { newUnit: { id: unitId, site, machine, serial } }),
      complaint: complaints.find((c) => c.words === complaint)!.id,
      actor: "Ida",
    },
  });
  expect(answer.status(), await answer.text()).toBe(200);
  await page.goto(`/jobs/${id}`);
  await alive(page);
  return on ?? unitId;
}

/** Lists and jobs stream: they can be seen a moment before their keys answer. */
export async function alive(page: Page): Promise<void> {
  await page.locator("[data-live]").first().waitFor();
}

/** Does what is written into the journal, and waits until it is: the page goes on before, the other window does not. */
export async function written(page: Page, type: string, act: () => Promise<void>): Promise<void> {
  // Of this very entry: one made before may still be on its way.
  const answer = page.waitForResponse((a) => {
    if (a.request().method() !== "POST" || !a.url().endsWith("/events")) return false;
    return (a.request().postDataJSON() as { body: { type: string } }).body.type === type;
  });
  await act();
  expect((await answer).status()).toBe(200);
}
