import { chromium } from "@playwright/test";
import type { Fault } from "../src/core/model";
import { typedFor } from "../tests/e2e/meter";

/** Faults that leave the door panel dark, as the complaint of the timed jobs says. */
const FAULTS: readonly Fault[] = [
  { part: "W4", mode: "open" },
  { part: "panel", mode: "dead" },
  { part: "J2-3", mode: "open" },
  { part: "W3", mode: "open" },
];

/** Milliseconds from key to key, Enter among them: a brisk hand. */
const KEY = 100;

/**
 * In a running Unzo (UNZO_URL): milliseconds from Enter in the reading field until the next step stands on the screen
 * for the new evidence and can be answered, by the browser's own clock; the dictionary built before, the reading typed
 * key by key. Null where no Unzo runs.
 */
export async function benchScreen(
  jobs: number,
): Promise<{ readonly readings: number; readonly median: number; readonly p95: number } | null> {
  const url = process.env.UNZO_URL;
  if (!url) return null;
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium" });
  const times: number[] = [];
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    for (let k = 0; k < jobs; k++) {
      await page.goto(url);
      await page.getByLabel("Unit").selectOption({ label: "Larch Pass Hut: Quellmoor SB-210, 40177" });
      await page.getByLabel("Complaint").selectOption("Door panel dark, no beep, still cold inside");
      await page.getByLabel("Who").fill("Bench");
      await page.getByRole("button", { name: "Begin" }).click();
      await page.waitForURL(/\/jobs\//);
      await page.getByRole("button", { name: /On to measuring/ }).click();
      await page.locator(".next[aria-busy=false][data-test]").waitFor();
      // The own dictionary, not the server's, is what is timed.
      await page.waitForTimeout(15_000);
      for (let step = 0; step < 4; step++) {
        const notice = page.getByRole("button", { name: "I work that way" });
        if (await notice.isVisible()) await notice.click();
        const field = page.locator("#reading");
        if (!(await field.isVisible())) break;
        // What a unit with this fault shows there: one fault explains every reading, as it mostly does.
        const asked = await page.locator(".next[data-test]").first().getAttribute("data-test");
        await field.pressSequentially(typedFor(asked!, FAULTS[k % FAULTS.length]!), { delay: KEY });
        // As text: what is compiled for Node does not run in the page.
        const took = (await page.evaluate(`new Promise((resolve) => {
          const before = document.querySelectorAll(".trail li").length;
          const start = performance.now();
          const look = () => {
            const next = document.querySelector(".next-area .next");
            if (document.querySelectorAll(".trail li").length > before && next && next.getAttribute("aria-busy") !== "true") resolve(performance.now() - start);
            else requestAnimationFrame(look);
          };
          document.querySelector("#reading").form.requestSubmit();
          requestAnimationFrame(look);
        })`)) as number;
        times.push(took);
        await page.waitForTimeout(300);
      }
    }
  } finally {
    await browser.close();
  }
  const sorted = times.sort((a, b) => a - b);
  return {
    readings: sorted.length,
    median: sorted[Math.floor(sorted.length / 2)]!,
    p95: sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * 0.95))]!,
  };
}
