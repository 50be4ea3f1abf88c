import { chromium } from "@playwright/test";
async function main() {
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium" });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on("pageerror", (e) => console.log("ERR", e.message));
  await page.goto("http://127.0.0.1:4780");
  const links = await page.locator('a[href^="/jobs/"]').evaluateAll((l) => l.map((a) => [a.getAttribute("href"), a.textContent]));
  console.log(JSON.stringify(links));
  const rec = links.find((l) => l[1]!.includes("39862"))![0]!.replace(/\/record.*/, "");
  await page.goto("http://127.0.0.1:4780" + rec + "/record"); await page.waitForTimeout(800);
  await page.screenshot({ path: "/tmp/rec.png", fullPage: true });
  const half = links.find((l) => l[1]!.includes("40231"))![0]!;
  await page.goto("http://127.0.0.1:4780" + half + "/repair?step=change"); await page.waitForTimeout(1500);
  await page.screenshot({ path: "/tmp/change.png" });
  await page.getByLabel("In the lead of").selectOption({ label: "Defrost heater" });
  await page.getByLabel("Called").fill("Second cut-off");
  await page.getByRole("button", { name: "And another change" }).click();
  await page.getByLabel("What", { exact: true }).selectOption("other part");
  await page.getByLabel("Which part").selectOption({ label: "Cabinet lamp" }).catch(async () => console.log(await page.getByLabel("Which part").innerText()));
  await page.screenshot({ path: "/tmp/change2.png" });
  await browser.close();
}
void main();
